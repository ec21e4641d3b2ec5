<?php

declare(strict_types=1);

use App\Models\Piano as AdjustedPiano;
use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Inertia\Testing\AssertableInertia;
use Tarnwind\Core\Sound\Action;
use Tarnwind\Core\Sound\Instrument;
use Tarnwind\Core\Sound\Piano;
use Tarnwind\Core\Sound\SoftPedal;

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
    [['lowest_key' => 12], 'lowest_key'], [['highest_key' => 60], 'highest_key'], [['action' => 'stiff'], 'action'], [['soft_pedal' => 'loud'], 'soft_pedal'], [['weak_fingers' => 'some'], 'weak_fingers'],
]);

it('knows how quick a foot is', function (): void {
    $details = ['name' => 'Fen', 'instrument' => 'concert-grand', 'half_pedal' => true, 'sostenuto' => false];
    $this->post('/students', [...$details, 'foot_comfortable' => 0.6])->assertRedirect();
    $foot = $this->teacher->students()->firstOrFail()->profile()->foot;
    expect($foot->comfortable)->toBe(0.6)->and($foot->catches)->toBe(0.15);
    $this->postJson('/students', [...$details, 'foot_catches' => 0.01])->assertUnprocessable()->assertJsonValidationErrors('foot_catches');
});

it('adjusts a copy of an instrument, for whoever practises on it', function (): void {
    $values = ['name' => 'Boathouse upright', 'ring' => 0.5, 'dampers' => 0.8, 'room' => 0, 'soft' => 2, 'softest' => 24];
    $this->post('/pianos', $values)->assertRedirect();
    $piano = $this->teacher->pianos()->firstOrFail();
    $details = ['name' => 'Fen', 'instrument' => 'small-upright', 'half_pedal' => true, 'sostenuto' => false, 'piano_id' => $piano->id];
    $this->post('/students', $details)->assertRedirect();
    $student = $this->teacher->students()->firstOrFail();
    // A string rings half as long as a concert grand's.
    [$own, $grand] = [$student->piano()->acoustics()->decay, Instrument::ConcertGrand->decay()];
    expect($own->attenuation(60, 0.5))->toEqualWithDelta($grand->attenuation(60, 1.0), 1e-9)->and($student->instrumentLabel())->toBe('Boathouse upright')
        ->and($student->piano()->acoustics()->soft)->toBe(2.0);

    $this->patch("/pianos/$piano->id", [...$values, 'ring' => 1])->assertRedirect();
    expect($student->fresh()->piano()->acoustics()->decay->attenuation(60, 1.0))->toEqualWithDelta($grand->attenuation(60, 1.0), 1e-9);
    $this->get('/')->assertInertia(fn (AssertableInertia $page) => $page->where('pianos.0.name', 'Boathouse upright')->where('students.0.instrumentLabel', 'Boathouse upright'));

    $this->delete("/pianos/$piano->id")->assertRedirect();
    expect($student->fresh()->piano_id)->toBeNull()->and($student->fresh()->instrumentLabel())->toBe('Small upright');
    $this->postJson('/pianos', [...$values, 'ring' => 9])->assertUnprocessable()->assertJsonValidationErrors('ring');
    $this->postJson('/students', [...$details, 'piano_id' => AdjustedPiano::factory()->create()->id])->assertUnprocessable()->assertJsonValidationErrors('piano_id');
});

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

it('keeps what piano the student has, and takes a whole one where nothing is said', function (): void {
    $this->post('/students', ['name' => 'Fen', 'instrument' => 'digital', 'half_pedal' => false, 'sostenuto' => false]);
    $student = $this->teacher->students()->firstOrFail();
    expect($student->piano())->toEqual(new Piano(Instrument::Digital));

    $this->patch("/students/$student->id", ['name' => 'Fen', 'instrument' => 'small-upright', 'half_pedal' => true, 'sostenuto' => false, 'lowest_key' => 24, 'highest_key' => 105, 'action' => 'heavy', 'soft_pedal' => 'weak', 'weak_fingers' => true])->assertRedirect();
    $student->refresh();
    expect($student->piano())->toEqual(new Piano(Instrument::SmallUpright, 24, 105, Action::Heavy, SoftPedal::Weak))->and($student->hands()->weakFingers)->toBeTrue();
    $this->get("/students/$student->id")->assertInertia(fn (AssertableInertia $page) => $page->where('student.lowest_key', 24)->where('student.soft_pedal', 'weak'));
});
