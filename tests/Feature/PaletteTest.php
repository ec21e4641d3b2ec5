<?php

declare(strict_types=1);

use App\Models\Palette;
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
    $palette = fn (array $expected): mixed => $this->get("/copies/$copy->id")->assertInertia(fn (AssertableInertia $page) => $page->where('teacher.palettes.gestures', $expected));
    expect($this->teacher->palette(Palette::Gestures))->toContain('wrist rises');
    $palette($this->teacher->palette(Palette::Gestures));

    $this->putJson('/palettes/gestures', ['words' => ['lean like a reed', 'Ünder the wave']])->assertOk()->assertJson(['words' => ['lean like a reed', 'Ünder the wave']]);
    $palette(['lean like a reed', 'Ünder the wave']);
    expect(User::factory()->create()->palette(Palette::Gestures))->toContain('wrist rises');
    // Others are as they were, and there are no more.
    expect($this->teacher->fresh()->palette(Palette::Expressions))->toContain('sing out');
    $this->putJson('/palettes/colours', ['words' => []])->assertNotFound();
    // An empty palette stays empty.
    $this->putJson('/palettes/gestures', ['words' => []])->assertOk();
    $palette([]);
});

it('refuses what is no palette, in words', function (mixed $gestures, string $field, ?string $words): void {
    $answer = $this->putJson('/palettes/gestures', ['words' => $gestures])->assertUnprocessable()->assertJsonValidationErrors($field);
    if ($words !== null) {
        expect($answer->json("errors.$field")[0] ?? $answer->json('errors')[$field][0])->toBe($words);
    }
    expect($this->teacher->fresh()->palettes)->toBeNull();
})->with([
    'too many' => [array_map(fn (int $number): string => "gesture $number", range(1, 21)), 'words', 'Twenty are the most that fit.'],
    'too long' => [[str_repeat('a', 61)], 'words.0', 'Each may have up to 60 letters.'],
    'twice the same' => [['sink', 'sink'], 'words.0', 'One of them is there twice.'],
    'no list' => ['sink', 'words', null],
]);

it('is for signed-in teachers', function (): void {
    app('auth')->forgetGuards();
    $this->putJson('/palettes/gestures', ['words' => []])->assertUnauthorized();
});
