<?php

declare(strict_types=1);

use App\Models\CopyLink;
use App\Models\CopyStatus;
use App\Models\PracticeEntry;
use App\Models\StudentCopy;
use App\Models\User;

beforeEach(function (): void {
    $this->seed();
    PracticeEntry::query()->delete();
    $this->teacher = User::query()->firstOrFail();
    $this->copy = StudentCopy::query()->orderBy('id')->firstOrFail();
    $this->actingAs($this->teacher);
    $this->props = fn (string $url): array => $this->get($url)->assertOk()->viewData('page')['props'];
    $this->practice = fn (): array => ($this->props)("/students/{$this->copy->student_id}/practice");
    $this->told = fn (string $step, array $more = []): array => ['uuid' => fake()->uuid(), 'step' => $step, 'day' => today()->toDateString(), 'minutes' => 4, 'tempo' => 52.0, 'feel' => 'fair', 'passed' => true, 'note' => null, ...$more];
});

it('plans the days from what there is to practise, within the minutes, and anew when these change', function (): void {
    $this->put("/students/{$this->copy->student_id}/practice", ['minutes' => [15, 15, 15, 15, 15, 15, 15]])->assertRedirect();
    $page = ($this->practice)();
    expect($page['minutes'])->toBe([15, 15, 15, 15, 15, 15, 15])->and($page['days'])->toHaveCount(14);
    foreach ($page['days'] as $day) {
        expect($day['planned'])->toBeLessThanOrEqual(15)->and($day['planned'])->toBe(array_sum(array_column($day['items'], 'minutes')));
    }
    expect(array_column($page['days'][0]['items'], 'label'))->toContain('Listen')->and($page['pieces'][0]['says'])->toStartWith('At these minutes every step is done on ');
    $this->put("/students/{$this->copy->student_id}/practice", ['minutes' => [4, 0, 0, 0, 0, 0, 0]])->assertRedirect();
    expect(($this->practice)()['pieces'][0]['says'])->toContain('minutes are missing')->toContain('Not reached at all: ');
    foreach ([[1, 2], [1, 2, 3, 4, 5, 6, 700], ['a' => 1]] as $wrong) {
        $this->putJson("/students/{$this->copy->student_id}/practice", ['minutes' => $wrong])->assertUnprocessable();
    }
});

it('takes what was done out of the plan, and what did not go in again', function (): void {
    $items = ($this->practice)()['days'][0]['items'];
    [$first, $second] = [$items[0]['step'], $items[1]['step']];
    $this->postJson("/copies/{$this->copy->id}/practice", ($this->told)($first))->assertOk()->assertJsonPath('entry.by', 'teacher');
    $this->postJson("/copies/{$this->copy->id}/practice", ($this->told)($second, ['passed' => false, 'minutes' => 2]))->assertOk();
    $days = ($this->practice)()['days'];
    $steps = array_merge(...array_map(fn (array $day): array => array_column($day['items'], 'step'), $days));
    expect($steps)->not->toContain($first)->toContain($second);
    $log = ($this->practice)()['pieces'][0]['log'];
    expect(array_column($log, 'step'))->toBe([$second, $first])->and($log[0]['words'])->toContain('bars ');
    $this->deleteJson("/copies/{$this->copy->id}/practice/{$log[1]['id']}")->assertNoContent();
    expect(array_merge(...array_map(fn (array $day): array => array_column($day['items'], 'step'), ($this->practice)()['days'])))->toContain($first);
});

it('lets a student tell from her link what she has practised, once however often it is sent', function (): void {
    [, $secret] = CopyLink::to($this->copy, 4);
    $step = ($this->practice)()['days'][0]['items'][0]['step'];
    auth()->forgetGuards();
    $told = ($this->told)($step, ['note' => 'It sings']);
    $this->postJson("/home/$secret/practice", $told)->assertOk()->assertJsonPath('entry.by', 'student');
    $this->postJson("/home/$secret/practice", [...$told, 'minutes' => 6])->assertOk();
    expect(PracticeEntry::query()->sole()->only(['minutes', 'note', 'step']))->toBe(['minutes' => 6, 'note' => 'It sings', 'step' => $step]);
    $this->postJson("/home/$secret/practice", ($this->told)('no such step'))->assertJsonValidationErrorFor('step');
    foreach ([['uuid' => 'x'], ['minutes' => 0], ['minutes' => 999], ['tempo' => 5000], ['day' => today()->subDays(40)->toDateString()], ['day' => today()->addDays(3)->toDateString()], ['feel' => 'blue'], ['passed' => 'perhaps'], ['note' => str_repeat('x', 501)]] as $wrong) {
        $this->postJson("/home/$secret/practice", ($this->told)($step, $wrong))->assertJsonValidationErrorFor((string) array_key_first($wrong));
    }
    $this->postJson('/home/'.str_repeat('x', 48).'/practice', ($this->told)($step))->assertNotFound();
    $this->travel(29)->days();
    $this->postJson("/home/$secret/practice", ($this->told)($step))->assertNotFound();
    expect(PracticeEntry::query()->count())->toBe(1);
});

it('shows on the take-home sheet what is planned of this piece alone', function (): void {
    $other = StudentCopy::factory()->create(['student_id' => $this->copy->student_id, 'status' => CopyStatus::Learning]);
    $ofPiece = fn (StudentCopy $copy): array => array_unique(array_merge(...array_map(fn (array $day): array => array_column($day['items'], 'copy'), ($this->props)("/copies/$copy->id/take-home")['days'])));
    expect($ofPiece($this->copy))->toBe([$this->copy->id])->and(array_values(array_unique(array_merge(...array_map(fn (array $day): array => array_column($day['items'], 'copy'), ($this->practice)()['days'])))))->toEqualCanonicalizing([$this->copy->id, $other->id]);
    $this->copy->update(['status' => CopyStatus::Resting]);
    expect(($this->props)("/copies/{$this->copy->id}/take-home")['isPractised'])->toBeFalse();
});

it('says what stands still', function (): void {
    $chunk = array_values(array_filter(($this->props)("/copies/{$this->copy->id}/take-home")['days'][0]['items'], fn (array $item): bool => $item['kind'] === 'together'))[0];
    foreach ([14, 10, 6, 2] as $ago) {
        $this->copy->practiceEntries()->create([...($this->told)($chunk['step'], ['day' => today()->subDays($ago)->toDateString(), 'passed' => false]), 'by' => 'student']);
    }
    expect(($this->practice)()['pieces'][0]['standing'][0])->toContain("In $chunk[bars] the tempo stays at ♩ = 52")->toContain('4 days of practice');
});

it('finds pieces by tags, and gives one to several students at once', function (): void {
    $piece = $this->copy->piece;
    $this->put("/pieces/$piece->id/tags", ['tags' => ['lake', 'first pedal']])->assertRedirect();
    $listed = array_column(($this->props)('/')['pieces'], null, 'id')[$piece->id];
    expect($listed['tags'])->toBe(['lake', 'first pedal'])->and($listed['summary']['trains'])->toContain('melody over accompaniment')->and($listed['summary']['difficulty'])->toBeBetween(1, 9);
    $this->putJson("/pieces/$piece->id/tags", ['tags' => ['same', 'same']])->assertUnprocessable();
    $before = $this->copy->fresh()?->plan;
    $students = $this->teacher->students()->pluck('id')->all();
    $this->post("/pieces/$piece->id/copies", ['students' => $students])->assertRedirect();
    expect(StudentCopy::query()->where('piece_id', $piece->id)->count())->toBe(count($students))->and($this->copy->fresh()?->plan)->toBe($before);
    $stranger = App\Models\Student::factory()->create();
    $this->postJson("/pieces/$piece->id/copies", ['students' => [$stranger->id]])->assertUnprocessable();
});

it('says anew what lists tell of pieces that an earlier version has read', function (): void {
    $summary = $this->copy->piece->summary;
    $this->copy->piece->update(['summary' => array_diff_key($summary, ['difficulty' => null, 'trains' => null])]);
    $this->artisan('tarnwind:summaries')->assertSuccessful();
    expect($this->copy->piece->fresh()?->summary)->toEqual($summary);
});
