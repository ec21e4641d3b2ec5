<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Database\Factories\PieceFactory;
use Illuminate\Testing\TestResponse;
use Inertia\Testing\AssertableInertia;
use Opis\JsonSchema\Validator;
use Tarnwind\Core\Hand\FingeringSchool;
use Tarnwind\Core\Hand\HandSettings;

beforeEach(function (): void {
    $this->teacher = User::factory()->create();
    $this->actingAs($this->teacher);
    $this->student = Student::factory()->for($this->teacher, 'teacher')->create();
    $this->piece = Piece::factory()->for($this->teacher, 'teacher')->create(PieceFactory::read((string) file_get_contents(database_path('demo/slow-weather.musicxml'))));
    $this->copy = StudentCopy::factory()->create(['student_id' => $this->student->id, 'piece_id' => $this->piece->id]);
    $this->url = "/copies/{$this->copy->id}";
});

/**
 * @param  list<array<string, mixed>>  $marks
 */
function askHand($test, array $marks = []): TestResponse
{
    return $test->postJson("$test->url/answers/hand", ['plan' => [...$test->copy->planDocument()->toArray(), 'marks' => $marks]]);
}

function finger(string $note, string $finger): array
{
    return ['id' => "f-$note", 'craft' => 'hand', 'kind' => 'finger', 'note' => $note, 'finger' => $finger];
}

it('answers with fingers that match the published schema', function (): void {
    $answer = askHand($this)->assertOk();
    $result = (new Validator)->validate(json_decode((string) $answer->getContent()), (string) file_get_contents(base_path('schemas/hand.schema.json')));
    expect($result->isValid())->toBeTrue()->and($answer->json('fingers'))->toHaveCount(count($this->piece->score()->notes))
        ->and(array_unique(array_column($answer->json('fingers'), 'source')))->toBe(['planned']);
});

it('plans around the teacher\'s fingers and her hands', function (): void {
    $note = $this->piece->score()->notes[10]->id;
    $byNote = fn (TestResponse $answer): array => array_column($answer->json('fingers'), null, 'note');
    $other = $byNote(askHand($this))[$note]['finger'] === '2' ? '3' : '2';
    $set = $byNote(askHand($this, [finger($note, $other)])->assertOk());
    expect($set[$note]['finger'])->toBe($other)->and($set[$note]['source'])->toBe('teacher');

    $moved = $byNote(askHand($this, [['id' => 'h', 'craft' => 'read', 'kind' => 'hand', 'notes' => [$note], 'hand' => $set[$note]['hand'] === 'left' ? 'right' : 'left']]));
    expect($moved[$note]['hand'])->not->toBe($set[$note]['hand']);
    askHand($this, [finger($note, '6')])->assertUnprocessable();
    askHand($this, [finger($note, '1-2-3')])->assertUnprocessable();
});

it('finds more beyond the reach of a smaller hand', function (): void {
    $beyond = fn (): int => count(array_filter(askHand($this)->json('findings'), fn (array $finding): bool => $finding['kind'] === 'beyond-reach'));
    $this->student->update(['right_comfortable' => 16, 'right_largest' => 19, 'left_comfortable' => 16, 'left_largest' => 19]);
    $big = $beyond();
    $this->student->update(['right_comfortable' => 9, 'right_largest' => 11, 'left_comfortable' => 9, 'left_largest' => 11]);
    expect($big)->toBe(0)->and($beyond())->toBeGreaterThan(5);
});

it('keeps what a student\'s hands can do, and refuses what cannot be', function (): void {
    $student = ['name' => 'Lio', 'instrument' => 'digital', 'half_pedal' => false, 'sostenuto' => false];
    $patch = fn (array $more): TestResponse => $this->patchJson("/students/{$this->student->id}", [...$student, ...$more]);
    $patch(['right_comfortable' => 12, 'right_largest' => 14, 'run_rate' => 8, 'left_comfortable' => null, 'left_largest' => null])->assertRedirect();
    $hands = $this->student->fresh()->hands();
    expect([$hands->right->comfortable, $hands->right->largest, $hands->left->comfortable])->toBe([12, 14, 13]);
    $patch(['right_comfortable' => 14, 'right_largest' => 12])->assertJsonValidationErrors('right_largest');
    $patch(['right_largest' => 12])->assertJsonValidationErrors('right_comfortable');
    $patch(['left_comfortable' => 60])->assertJsonValidationErrors('left_comfortable');
    $this->get($this->url)->assertInertia(fn (AssertableInertia $page) => $page->where('student.reach.right', [12, 14])->where('student.reach.measured', false));
});

it('says what a student\'s hands mean for each of her pieces', function (): void {
    $this->student->update(['right_comfortable' => 12, 'right_largest' => 12, 'left_comfortable' => 12, 'left_largest' => 12, 'run_rate' => 0.5]);
    $this->get("/students/{$this->student->id}")->assertOk()->assertInertia(fn (AssertableInertia $page) => $page->component('Student')
        ->where('student.right_comfortable', 12)->where('pieces.0.title', 'Slow Weather')
        ->where('pieces.0.hands.1.spans.0.beyond', fn (int $count): bool => $count > 0)
        ->where('pieces.0.hands.1.beyond', fn (int $count): bool => $count > 0)
        // 0.87 notes a second at ♩ = 52: half a note a second carries up to 30.
        ->where('pieces.0.limit.tempo', 30));
    $this->actingAs(User::factory()->create())->get("/students/{$this->student->id}")->assertForbidden();
});

it('hands the fingers out in the marked copy', function (): void {
    $note = $this->piece->score()->notes[0]->id;
    $plan = [...$this->copy->planDocument()->toArray(), 'marks' => [finger($note, '5-1')]];
    $this->putJson("$this->url/plan", ['plan' => $plan, 'revision' => 1])->assertOk();
    expect((string) $this->get("$this->url/download.musicxml")->getContent())->toContain('<fingering>5</fingering>')->toContain('<fingering substitution="yes">1</fingering>')
        ->and((string) $this->get("$this->url/print/engraving")->getContent())->toContain('<fingering>5</fingering>');
});

it('compares the fingers of one note', function (): void {
    $plan = $this->copy->planDocument()->toArray();
    $note = $this->piece->score()->notes[4]->id;
    $answer = $this->postJson("$this->url/answers/alternatives", ['plan' => $plan, 'asked' => ['note' => $note]])->assertOk();
    expect(array_column($answer->json('alternatives'), 'finger'))->toBe([1, 2, 3, 4, 5])->and($answer->json('alternatives.0.words'))->toBeString();
    expect($this->postJson("$this->url/answers/alternatives", ['plan' => $plan, 'asked' => ['note' => 'nowhere']])->json('alternatives'))->toBe([]);
});

it('keeps what planned fingers go by in the plan', function (): void {
    $plan = [...$this->copy->planDocument()->toArray(), 'settings' => ['hand' => ['school' => 'figure']]];
    $this->putJson("$this->url/plan", ['plan' => $plan, 'revision' => 1])->assertOk();
    expect($this->copy->fresh()->planDocument()->settings(HandSettings::class)->school)->toBe(FingeringSchool::Figure);
    $this->putJson("$this->url/plan", ['plan' => [...$plan, 'settings' => ['hand' => ['school' => 'any']]], 'revision' => 2])->assertUnprocessable();
    // Plans from before the choice was there stay valid.
    $plan['settings'] = (object) [];
    $this->postJson("$this->url/answers/hand", ['plan' => $plan])->assertOk();
});

it('keeps another teacher\'s fingers to herself', function (): void {
    $this->actingAs(User::factory()->create());
    askHand($this)->assertForbidden();
    $this->postJson("$this->url/answers/alternatives", ['plan' => $this->copy->planDocument()->toArray(), 'asked' => ['note' => 'x']])->assertForbidden();
});

it('plans for the piano the student has: a missing octave is moved by the finding\'s own action', function (): void {
    $lowest = min(array_map(fn ($note): int => $note->midi, $this->piece->score()->notes));
    $this->student->update(['lowest_key' => 36, 'action' => 'heavy', 'soft_pedal' => 'none']);
    $missing = fn (TestResponse $answer): array => array_values(array_filter($answer->json('findings'), fn (array $finding): bool => $finding['kind'] === 'off-the-keyboard'));
    $found = $missing(askHand($this)->assertOk());
    expect($lowest)->toBeLessThan(36)->and($found)->not->toBe([])->and($found[0]['remedy']['action'])->toBe('octave');
    $marks = array_map(fn (array $finding, int $index): array => [
        'id' => "o$index", 'craft' => 'hand', 'kind' => 'octave', 'notes' => $finding['notes'], 'octaves' => (int) $finding['remedy']['value'],
    ], $found, array_keys($found));
    expect($missing(askHand($this, $marks)->assertOk()))->toBe([]);
});

it('measures what the foot does for the hand: a join without pedal is a warning', function (): void {
    $unjoined = fn (array $marks): array => array_column(array_filter(askHand($this, $marks)->json('findings'), fn (array $finding): bool => $finding['kind'] === 'unjoined' && $finding['remedy'] === null), 'severity');
    $measures = $this->piece->score()->measures;
    $down = ['id' => 'p', 'craft' => 'pedal', 'kind' => 'span', 'from' => ['measure' => $measures[0]->id, 'offset' => '0'], 'to' => ['measure' => $measures[count($measures) - 1]->id, 'offset' => '4'], 'depth' => 'full', 'origin' => 'teacher', 'words' => ''];
    $short = array_map(fn ($measure): array => [...$down, 'id' => "p$measure->index", 'from' => ['measure' => $measure->id, 'offset' => '0'], 'to' => ['measure' => $measure->id, 'offset' => '1/2']], $measures);
    expect($unjoined([]))->toBe([])->and($unjoined([$down]))->toBe([])->and(array_unique($unjoined($short)))->toBe(['warning']);
});

it('plays no note where no piano has a key', function (): void {
    [$low] = $this->copy->piece->score()->notes;
    $plan = fn (int $octaves): array => [...$this->copy->planDocument()->toArray(), 'marks' => [['id' => 'o', 'craft' => 'hand', 'kind' => 'octave', 'notes' => [$low->id], 'octaves' => $octaves]]];
    $this->putJson("/copies/{$this->copy->id}/plan", ['plan' => $plan(-4), 'revision' => 1])->assertUnprocessable()->assertJsonValidationErrors(['plan' => 'No piano has a key 4 octaves below '.$low->inWords().'.']);

    // One that came in all the same, with a plan of another score, is not followed.
    $this->copy->update(['plan' => json_encode($plan(-4))]);
    $this->get("/copies/{$this->copy->id}")->assertOk();
    foreach (['hand', 'touch', 'pedal'] as $answer) {
        $this->postJson("/copies/{$this->copy->id}/answers/$answer", ['plan' => $plan(-4)])->assertOk();
    }
    expect($this->copy->fresh()->performance()->score()->notes[0]->midi)->toBe($low->midi);
    $this->putJson("/copies/{$this->copy->id}/plan", ['plan' => $plan(-1), 'revision' => 1])->assertOk();
});
