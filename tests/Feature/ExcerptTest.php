<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Database\Factories\PieceFactory;
use Illuminate\Support\Facades\Cache;
use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Validator;
use Tests\support\Corpus;

// They look into the cache of the process.
uses()->group('own-stores');

beforeEach(function (): void {
    $teacher = User::factory()->create();
    $this->actingAs($teacher);
    $student = Student::factory()->for($teacher, 'teacher')->create();
    $this->piece = Piece::factory()->for($teacher, 'teacher')->create(PieceFactory::read((string) file_get_contents(Corpus::path('BWV_0775.xml'))));
    $this->copy = StudentCopy::factory()->create(['student_id' => $student->id, 'piece_id' => $this->piece->id]);
    $score = $this->piece->score();
    [$this->notes, $this->measures] = [$score->notes, $score->measures];
});

/**
 * @param  list<array<string, mixed>>  $marks
 * @param  array<string, mixed>  $more
 */
function askAbout($test, string $what, array $marks, array $more = []): TestResponse
{
    return $test->postJson("/copies/{$test->copy->id}/answers/$what", ['plan' => [...$test->copy->planDocument()->toArray(), 'marks' => $marks], ...$more]);
}

/**
 * @return list<string>
 */
function keptKeys(): array
{
    $store = Cache::getStore();

    return array_keys((new ReflectionProperty($store, 'storage'))->getValue($store));
}

/**
 * What is kept of the piece as a whole is not there to be fetched.
 */
function withoutTheWhole(callable $ask): TestResponse
{
    $whole = fn (): array => array_filter(keptKeys(), fn (string $key): bool => str_ends_with($key, ':whole'));
    array_map(Cache::forget(...), $whole());
    $answer = $ask();
    expect($whole())->toBe([]);

    return $answer;
}

it('answers for the bars around an edit without fetching the piece', function (string $what, string $mark): void {
    $note = $this->notes[200];
    $marks = ['finger' => ['id' => 'f', 'craft' => 'hand', 'kind' => 'finger', 'note' => $note->id, 'finger' => '4'],
        'articulation' => ['id' => 't', 'craft' => 'touch', 'kind' => 'articulation', 'notes' => [$note->id], 'articulation' => 'staccato']];
    $answer = withoutTheWhole(fn (): TestResponse => askAbout($this, $what, [$marks[$mark]], ['bars' => ['first' => $note->measure, 'last' => $note->measure]])->assertOk());

    $valid = (new Validator)->validate(json_decode((string) $answer->getContent()), (string) file_get_contents(base_path("schemas/$what.schema.json")))->isValid();
    expect($valid)->toBeTrue()->and($answer->json('bars'))->toBe(['first' => $note->measure - 4, 'last' => $note->measure + 4]);
    $bars = array_column(array_map(fn ($one): array => [$one->id, $one->measure], $this->notes), 1, 0);
    $told = array_column($answer->json($what === 'hand' ? 'fingers' : 'lengths'), 'note');
    expect($told)->toContain($note->id)->and(array_unique(array_map(fn (string $id): int => $bars[$id], $told)))->toHaveCount(9)
        ->and(askAbout($this, $what, [$marks[$mark]])->assertOk()->json('bars'))->toBeNull();
})->with([['hand', 'finger'], ['touch', 'articulation']]);

it('compares other fingers for a note from the bars around it', function (): void {
    $note = $this->notes[200];
    $near = withoutTheWhole(fn (): TestResponse => askAbout($this, 'alternatives', [], ['asked' => ['note' => $note->id], 'bars' => ['first' => $note->measure, 'last' => $note->measure]])->assertOk());
    expect($near->json())->not->toBe([])->and($near->json())->toBe(askAbout($this, 'alternatives', [], ['asked' => ['note' => $note->id]])->json());
});

it('measures a stretch of the pedal without fetching the piece', function (): void {
    $pedal = fn (string $id, int $from, int $to): array => ['id' => $id, 'craft' => 'pedal', 'kind' => 'span', 'depth' => 'full', 'origin' => 'teacher', 'words' => '',
        'from' => ['measure' => $this->measures[$from]->id, 'offset' => '0'], 'to' => ['measure' => $this->measures[$to]->id, 'offset' => '0']];
    $marks = [$pedal('a', 39, 40), $pedal('b', 40, 41)];
    $at = fn (int $bar): string => (string) $this->measures[$bar]->start;
    $whole = askAbout($this, 'pedal', $marks)->assertOk()->json();
    $some = withoutTheWhole(fn (): TestResponse => askAbout($this, 'pedal', $marks, ['bars' => ['first' => 40, 'last' => 40]])->assertOk())->json();
    expect($some['spans'])->toBe($whole['spans'])->and($some['from'])->toBe($at(39))->and($some['to'])->toBe($at(41))
        ->and($some['blur'])->toBe(array_values(array_filter($whole['blur'], fn (array $point): bool => in_array($point, $some['blur'], true))))
        ->and(count($some['blur']))->toBeLessThan(count($whole['blur']));
});

it('reads again what is no longer kept', function (): void {
    Cache::flush();
    askAbout($this, 'touch', [], ['bars' => ['first' => 3, 'last' => 3]])->assertOk()->assertJsonPath('bars', ['first' => 0, 'last' => 7]);
    $first = array_values(array_filter(keptKeys(), fn (string $key): bool => str_ends_with($key, ':read:0')));
    expect($first)->toHaveCount(1);
    Cache::forget($first[0]);
    askAbout($this, 'touch', [], ['bars' => ['first' => 3, 'last' => 3]])->assertOk()->assertJsonPath('lengths.0.note', $this->notes[0]->id);
});

it('refuses bars that are none', function (mixed $bars): void {
    askAbout($this, 'hand', [], ['bars' => $bars])->assertUnprocessable();
})->with([['x'], [['first' => 3]], [['first' => -1, 'last' => 2]], [['first' => 5, 'last' => 4]], [['first' => 'a', 'last' => 'b']], [['first' => 0, 'last' => PHP_INT_MAX]]]);

it('says nothing of bars beyond the end', function (): void {
    askAbout($this, 'hand', [], ['bars' => ['first' => 4000, 'last' => 5000]])->assertOk()->assertJsonPath('bars.last', count($this->measures) - 1);
});
