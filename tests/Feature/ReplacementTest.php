<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Inertia\Testing\AssertableInertia;
use Tarnwind\Core\Pedal\PedalMark;
use Tarnwind\Core\Words\BarNote;

beforeEach(function (): void {
    $teacher = User::factory()->create();
    $this->actingAs($teacher);
    $student = Student::factory()->for($teacher, 'teacher')->create(['name' => 'Bram']);
    $this->piece = Piece::factory()->for($teacher, 'teacher')->create();
    $this->copy = StudentCopy::factory()->create(['student_id' => $student->id, 'piece_id' => $this->piece->id]);
    $this->original = (string) file_get_contents(database_path('demo/lantern-on-the-water.musicxml'));
    $marks = [
        ['id' => 'n3', 'craft' => 'words', 'kind' => 'note', 'measure' => 'tw1-4', 'text' => 'third bar'],
        ['id' => 'n5', 'craft' => 'words', 'kind' => 'note', 'measure' => 'tw1-6', 'text' => 'fifth bar'],
        ['id' => 'p', 'craft' => 'pedal', 'kind' => 'span', 'from' => ['measure' => 'tw1-6', 'offset' => '0'], 'to' => ['measure' => 'tw1-7', 'offset' => '0'], 'depth' => 'full', 'origin' => 'teacher', 'words' => ''],
    ];
    $this->putJson("/copies/{$this->copy->id}/plan", ['plan' => [...$this->copy->planDocument()->toArray(), 'marks' => $marks], 'revision' => 1])->assertOk();
});

/**
 * The demo piece without its bar 3, as a program without our ids would write it.
 */
function withoutBarThree(string $xml): string
{
    $xml = (string) preg_replace('/<measure\b[^>]*number="3".*?<\/measure>/s', '', $xml);

    return (string) preg_replace('/ id="tw[^"]*"/', '', $xml);
}

function scoreFile(string $xml): array
{
    return ['file' => UploadedFile::fake()->createWithContent('corrected.musicxml', $xml)];
}

it('says what differs and what becomes of the plans before anything is kept', function (): void {
    $answer = $this->postJson("/pieces/{$this->piece->id}/replacement/preview", scoreFile(withoutBarThree($this->original)))->assertOk();
    expect($answer->json())->toBe([
        'changed' => [], 'added' => [], 'removed' => ['3'],
        'copies' => [['student' => 'Bram', 'kept' => 2, 'lost' => ['a note for the student in bar 3']]],
    ]);
    expect($this->piece->fresh()->revision)->toBe(1)->and($this->copy->fresh()->revision)->toBe(2);
});

it('carries the plans to the corrected file', function (): void {
    $this->post("/pieces/{$this->piece->id}/replacement", scoreFile(withoutBarThree($this->original)))->assertRedirect('/');
    $copy = $this->copy->fresh();
    $measures = $this->get("/copies/$copy->id")->assertInertia(fn (AssertableInertia $page) => $page->has('score.measures', 24))->viewData('page')['props']['score']['measures'];
    $numbers = array_column($measures, 'number', 'id');
    $plan = $copy->planDocument();

    expect($copy->revision)->toBe(3)->and($this->piece->fresh()->revision)->toBe(2)
        ->and(array_map(fn ($note): string => "{$numbers[$note->measure]} $note->text", $plan->marksOf(BarNote::class)))->toBe(['5 fifth bar'])
        ->and($numbers[$plan->marksOf(PedalMark::class)[0]->from->measure])->toBe('5')->and($numbers[$plan->marksOf(PedalMark::class)[0]->to->measure])->toBe('6');
    // A desk that is still open on the earlier file must not write over it.
    $this->putJson("/copies/$copy->id/plan", ['plan' => $plan->toArray(), 'revision' => 2])->assertConflict();
});

it('says in a teacher\'s words when the file cannot be used, and keeps the piece', function (): void {
    foreach (['replacement/preview', 'replacement'] as $path) {
        $this->postJson("/pieces/{$this->piece->id}/$path", scoreFile('<html>no score</html>'))->assertUnprocessable()->assertJsonValidationErrors('file');
    }
    expect($this->piece->fresh()->musicxml)->toBe($this->piece->musicxml);
});
