<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Inertia\Testing\AssertableInertia;

beforeEach(function (): void {
    $this->teacher = User::factory()->create();
    $this->actingAs($this->teacher);
});

it('keeps each teacher\'s own palette and brings it to the desk', function (): void {
    $student = Student::factory()->for($this->teacher, 'teacher')->create();
    $piece = Piece::factory()->for($this->teacher, 'teacher')->create();
    $copy = StudentCopy::factory()->create(['student_id' => $student->id, 'piece_id' => $piece->id]);
    $palette = fn (array $expected): mixed => $this->get("/copies/$copy->id")->assertInertia(fn (AssertableInertia $page) => $page->where('teacher.gestures', $expected));
    expect($this->teacher->gesturePalette())->toContain('wrist rises');
    $palette($this->teacher->gesturePalette());

    $this->putJson('/gestures', ['gestures' => ['lean like a reed', 'Ünder the wave']])->assertOk()->assertJson(['gestures' => ['lean like a reed', 'Ünder the wave']]);
    $palette(['lean like a reed', 'Ünder the wave']);
    expect(User::factory()->create()->gesturePalette())->toContain('wrist rises');
    // An empty palette stays empty.
    $this->putJson('/gestures', ['gestures' => []])->assertOk();
    $palette([]);
});

it('refuses what is no palette, in words', function (mixed $gestures, string $field, ?string $words): void {
    $answer = $this->putJson('/gestures', ['gestures' => $gestures])->assertUnprocessable()->assertJsonValidationErrors($field);
    if ($words !== null) {
        expect($answer->json("errors.$field")[0] ?? $answer->json('errors')[$field][0])->toBe($words);
    }
    expect($this->teacher->fresh()->gestures)->toBeNull();
})->with([
    'too many' => [array_map(fn (int $number): string => "gesture $number", range(1, 21)), 'gestures', 'Twenty gestures are the most that fit.'],
    'too long' => [[str_repeat('a', 61)], 'gestures.0', 'A gesture may have up to 60 letters.'],
    'twice the same' => [['sink', 'sink'], 'gestures.0', 'One of the gestures is there twice.'],
    'no list' => ['sink', 'gestures', null],
]);

it('is for signed-in teachers', function (): void {
    app('auth')->forgetGuards();
    $this->putJson('/gestures', ['gestures' => []])->assertUnauthorized();
});
