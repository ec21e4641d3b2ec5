<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Inertia\Testing\AssertableInertia;
use Tarnwind\Core\Sound\Instrument;

beforeEach(function (): void {
    $this->teacher = User::factory()->create();
    $this->actingAs($this->teacher);
});

it('adds, changes and removes a student with all copies', function (): void {
    $this->post('/students', ['name' => 'Fen', 'instrument' => 'digital', 'half_pedal' => false, 'sostenuto' => false])->assertRedirect();
    $student = $this->teacher->students()->firstOrFail();
    expect($student->instrument)->toBe(Instrument::Digital)->and($student->half_pedal)->toBeFalse();

    $this->patch("/students/$student->id", ['name' => 'Fen', 'instrument' => 'small-upright', 'half_pedal' => true, 'sostenuto' => false])->assertRedirect();
    expect($student->fresh()->instrument)->toBe(Instrument::SmallUpright);

    StudentCopy::factory()->create(['student_id' => $student->id]);
    $this->delete("/students/$student->id")->assertRedirect();
    expect(Student::query()->count())->toBe(0)->and(StudentCopy::query()->count())->toBe(0);
});

it('refuses what is no student', function (array $change, string $field): void {
    $this->postJson('/students', [...['name' => 'Fen', 'instrument' => 'digital', 'half_pedal' => true, 'sostenuto' => true], ...$change])
        ->assertUnprocessable()->assertJsonValidationErrors([$field]);
    expect(Student::query()->count())->toBe(0);
})->with([
    [['name' => ''], 'name'], [['name' => str_repeat('x', 61)], 'name'], [['instrument' => 'harpsichord'], 'instrument'], [['half_pedal' => 'maybe'], 'half_pedal'],
]);

it('cannot be given to another teacher by a form', function (): void {
    $other = User::factory()->create();
    $this->post('/students', ['name' => 'Fen', 'instrument' => 'digital', 'half_pedal' => true, 'sostenuto' => true, 'user_id' => $other->id]);
    expect($other->students()->count())->toBe(0)->and($this->teacher->students()->count())->toBe(1);
});

it('shows the studio without the scores themselves', function (): void {
    $student = Student::factory()->for($this->teacher, 'teacher')->create();
    $piece = Piece::factory()->for($this->teacher, 'teacher')->create();
    StudentCopy::factory()->create(['student_id' => $student->id, 'piece_id' => $piece->id]);

    $page = $this->get('/')->assertOk()->assertInertia(fn (AssertableInertia $page) => $page->component('Studio')
        ->where('students.0.copies.0.title', 'Lantern on the Water')->where('pieces.0.summary.bars', 25)->where('pieces.0.summary.key', 'D major'));
    expect((string) $page->getContent())->not->toContain('score-partwise');
});

it('takes a copy away and leaves the piece', function (): void {
    $student = Student::factory()->for($this->teacher, 'teacher')->create();
    $copy = StudentCopy::factory()->create(['student_id' => $student->id]);
    $this->delete("/copies/$copy->id")->assertRedirect('/');
    expect(StudentCopy::query()->count())->toBe(0)->and($copy->piece()->exists())->toBeTrue();
});
