<?php

declare(strict_types=1);

use App\Models\Lesson;
use App\Models\LessonPoint;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;

beforeEach(function (): void {
    $this->travelTo('2027-03-02 12:00:00');
    $this->teacher = User::factory()->create();
    $this->student = Student::factory()->for($this->teacher, 'teacher')->create(['name' => 'Oona']);
    $this->actingAs($this->teacher);
    $this->props = fn (string $url): array => $this->get($url)->assertOk()->viewData('page')['props'];
    $this->weekly = fn () => $this->post("/students/{$this->student->id}/weekly-times", ['weekday' => 1, 'at' => '16:30', 'minutes' => 45, 'from' => '2027-02-02'])->assertRedirect();
});

it('makes lessons of a weekly time, but for holidays, and keeps those that were given when it ends', function (): void {
    ($this->weekly)();
    $this->post('/holidays', ['name' => 'Thaw', 'first' => '2027-03-08', 'last' => '2027-03-12'])->assertRedirect();
    $days = fn (string $week): array => array_map(fn (array $lesson): string => "$lesson[day] $lesson[at] $lesson[status] $lesson[holiday]", ($this->props)("/lessons?week=$week")['lessons']);
    expect($days('2027-03-05'))->toBe(['2027-03-02 16:30 planned '])->and($days('2027-03-10'))->toBe(['2027-03-09 16:30 planned Thaw'])->and($days('2027-01-27'))->toBe([]);

    // It is made when it is opened, once.
    $open = ($this->props)('/lessons')['lessons'][0];
    $sent = ['student_id' => $open['student'], 'weekly_time_id' => $open['weekly'], 'slot' => $open['slot'], 'day' => $open['day'], 'at' => $open['at'], 'minutes' => $open['minutes']];
    $this->post('/lessons', $sent)->assertRedirect();
    $this->post('/lessons', $sent)->assertRedirect();
    $lesson = Lesson::query()->sole();
    $this->patch("/lessons/$lesson->id", ['day' => '2027-03-04', 'at' => '10:00', 'status' => 'held'])->assertRedirect();
    expect($days('2027-03-02'))->toBe(['2027-03-04 10:00 held ']);

    $this->patch('/weekly-times/'.$lesson->weekly_time_id, ['until' => '2027-03-02'])->assertRedirect();
    expect($days('2027-03-16'))->toBe([]);
    $this->delete('/weekly-times/'.$lesson->weekly_time_id)->assertRedirect();
    expect($days('2027-03-02'))->toBe(['2027-03-04 10:00 held ']);
});

it('brings up in the next lesson what was agreed, until it is settled', function (): void {
    $copy = StudentCopy::factory()->create(['student_id' => $this->student->id]);
    $bar = $copy->piece->score()->measures[1]->id;
    [$first, $second, $third] = array_map(fn (string $day): Lesson => $this->student->lessons()->create(['day' => $day, 'at' => '16:30', 'minutes' => 45]), ['2027-02-23', '2027-03-02', '2027-03-09']);
    $point = $this->postJson("/lessons/$first->id/points", ['kind' => 'agreed', 'text' => 'Foot alone', 'student_copy_id' => $copy->id, 'measure' => $bar])->assertOk()->json('point');
    $this->postJson("/lessons/$first->id/points", ['kind' => 'hear', 'text' => 'The song'])->assertOk();
    $open = fn (Lesson $lesson): array => array_column(($this->props)("/lessons/$lesson->id")['open'], 'text');
    expect($open($first))->toBe([])->and($open($second))->toBe(['Foot alone'])->and($open($third))->toBe(['Foot alone']);
    // Settled in the second lesson, it is still seen there, and no longer in the third.
    $this->patchJson("/points/$point[id]", ['settled' => true])->assertOk()->assertJsonPath('point.settled', true);
    expect($open($second))->toBe(['Foot alone'])->and($open($third))->toBe([]);
    $this->patchJson("/points/$point[id]", ['settled' => false])->assertOk();
    expect($open($third))->toBe(['Foot alone'])->and(($this->props)("/lessons/$second->id")['next']['day'])->toBe('2027-03-09');
});

it('refuses bars, pieces and students that are not there, and other people\'s', function (): void {
    $lesson = $this->student->lessons()->create(['day' => '2027-03-02', 'at' => '16:30', 'minutes' => 45]);
    $copy = StudentCopy::factory()->create(['student_id' => $this->student->id]);
    $foreign = StudentCopy::factory()->create();
    $point = fn (array $more): array => ['kind' => 'note', 'text' => 'x', ...$more];
    $this->postJson("/lessons/$lesson->id/points", $point(['student_copy_id' => $foreign->id]))->assertJsonValidationErrorFor('student_copy_id');
    $this->postJson("/lessons/$lesson->id/points", $point(['student_copy_id' => $copy->id, 'measure' => 'no-bar']))->assertJsonValidationErrorFor('measure');
    $this->postJson("/lessons/$lesson->id/points", ['kind' => 'shout', 'text' => ''])->assertJsonValidationErrors(['kind', 'text']);
    $this->postJson('/lessons', ['student_id' => $foreign->student_id, 'day' => '2027-03-02', 'at' => '16:30', 'minutes' => 45])->assertJsonValidationErrorFor('student_id');
    $this->postJson('/lessons', ['student_id' => $this->student->id, 'day' => '2. März', 'at' => '25:00', 'minutes' => 1])->assertJsonValidationErrors(['day', 'at', 'minutes']);
    $other = Student::factory()->for($this->teacher, 'teacher')->create();
    $this->postJson('/lessons', ['student_id' => $other->id, 'day' => '2027-03-02', 'at' => '16:30', 'minutes' => 45, 'makes_up_id' => $lesson->id])->assertJsonValidationErrorFor('makes_up_id');
    for ($number = 0; $number < LessonPoint::MOST; $number++) {
        $lesson->points()->create(['kind' => 'note', 'text' => 'x']);
    }
    $this->postJson("/lessons/$lesson->id/points", $point([]))->assertJsonValidationErrorFor('text');
});

it('gives a lesson in the place of one that was called off', function (): void {
    $missed = $this->student->lessons()->create(['day' => '2027-03-02', 'at' => '16:30', 'minutes' => 45, 'status' => 'called-off']);
    $this->post('/lessons', ['student_id' => $this->student->id, 'day' => '2027-03-05', 'at' => '14:00', 'minutes' => 45, 'makes_up_id' => $missed->id])->assertRedirect();
    $made = Lesson::query()->whereKeyNot($missed->id)->sole();
    expect(($this->props)("/lessons/$made->id")['lesson']['makes_up'])->toBe('2027-03-02');
    $missed->delete();
    expect($made->fresh()?->makes_up_id)->toBeNull();
});

it('has the agenda on the studio page by the teacher\'s own day, and a calendar file', function (): void {
    ($this->weekly)();
    $this->teacher->update(['timezone' => 'Pacific/Kiritimati']);
    // At noon in Greenwich it is the day after there.
    expect(($this->props)('/')['today'])->toBe('2027-03-03');
    $this->teacher->update(['timezone' => 'Europe/Oslo']);
    $studio = ($this->props)('/');
    expect($studio['today'])->toBe('2027-03-02')->and(array_column($studio['agenda'], 'day'))->toBe(['2027-03-02']);
    $lesson = $this->student->lessons()->create(['weekly_time_id' => $studio['agenda'][0]['weekly'], 'slot' => '2027-03-02', 'day' => '2027-03-02', 'at' => '17:00', 'minutes' => 30]);
    $lesson->points()->create(['kind' => 'hear', 'text' => 'The song, from memory']);
    $calendar = $this->get('/lessons.ics')->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8')->getContent();
    expect($calendar)->toContain("UID:weekly-$lesson->weekly_time_id-2027-03-02@tarnwind", 'DTSTART:20270302T170000', 'DESCRIPTION:The song\\, from memory', 'DTSTART:20270309T163000')
        ->and(substr_count((string) $calendar, 'UID:weekly-'.$lesson->weekly_time_id.'-2027-03-02@'))->toBe(1);
});
