<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Database\Factories\PieceFactory;
use Illuminate\Cache\Events\KeyWritten;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Event;
use Inertia\Testing\AssertableInertia;
use Opis\JsonSchema\Validator;
use Tests\support\Corpus;

beforeEach(function (): void {
    $teacher = User::factory()->create();
    $this->actingAs($teacher);
    $this->student = Student::factory()->for($teacher, 'teacher')->create(['name' => 'Oona']);
    $this->piece = Piece::factory()->for($teacher, 'teacher')->create();
    $this->copy = StudentCopy::factory()->create(['student_id' => $this->student->id, 'piece_id' => $this->piece->id]);
    $this->url = "/copies/{$this->copy->id}";
});

/**
 * @param  list<array<string, mixed>>  $marks
 * @return array<string, mixed> the copy's plan with marks of the reading in it
 */
function planWith($test, array $marks): array
{
    return ['plan' => [...$test->copy->planDocument()->toArray(), 'marks' => $marks]];
}

function place(string $measure, string $offset = '0'): array
{
    return ['measure' => $measure, 'offset' => $offset];
}

it('answers with a reading that matches its published schema', function (): void {
    $answer = $this->postJson("$this->url/answers/read", planWith($this, []))->assertOk();
    $result = (new Validator)->validate(json_decode((string) $answer->getContent()), (string) file_get_contents(base_path('schemas/read.schema.json')));
    expect($result->isValid())->toBeTrue()
        ->and($answer->json('keys.0.name'))->toBe('D major')
        ->and($answer->json('harmonies.2.words'))->toBe('E minor over G')
        ->and(array_column($answer->json('sections'), 'letter'))->toBe(['A', 'A′'])
        ->and($answer->json('likenesses.1.words'))->toBe('bars 17–20 ≈ bars 1–4, with 3 differences');
});

it('reads around what the teacher names, and plans the pedal on it', function (): void {
    $marks = [
        ['id' => 'h', 'craft' => 'read', 'kind' => 'harmony', 'from' => place('tw1-4'), 'to' => place('tw1-5'), 'root' => 'C', 'quality' => 'major-seventh', 'bass' => null],
        ['id' => 'b', 'craft' => 'read', 'kind' => 'boundary', 'at' => place('tw1-5'), 'begins' => true],
    ];
    $before = $this->postJson("$this->url/answers/read", planWith($this, []))->json();
    $after = $this->postJson("$this->url/answers/read", planWith($this, $marks))->assertOk()->json();
    $changed = array_values(array_udiff($after['harmonies'], $before['harmonies'], fn (array $a, array $b): int => $a <=> $b));
    expect(array_column($changed, 'name'))->toBe(['Cmaj7/G'])->and($changed[0]['fixed'])->toBeTrue()
        ->and(array_column($after['boundaries'], 'at'))->toContain('13')->and(array_column($before['boundaries'], 'at'))->not->toContain('13');

    $this->putJson("$this->url/plan", [...planWith($this, $marks), 'revision' => 1])->assertOk();
    $this->get($this->url)->assertInertia(fn (AssertableInertia $page) => $page->where('score.harmonies.2.name', 'Cmaj7/G'));
    $this->postJson("$this->url/suggestions/pedal", planWith($this, $marks))->assertOk()
        ->assertJson(fn ($json) => $json->where('plan.marks', fn ($kept): bool => collect($kept)->where('craft', 'read')->count() === 2)->etc());
});

it('reads a piece once, and again only when its file is another', function (): void {
    $readings = 0;
    Event::listen(KeyWritten::class, function (KeyWritten $event) use (&$readings): void {
        $readings += str_ends_with($event->key, ':read:whole') ? 1 : 0;
    });
    Cache::flush();
    $this->get($this->url)->assertOk();
    expect($readings)->toBe(1);
    $this->get($this->url)->assertOk();
    $this->postJson("$this->url/answers/read", planWith($this, [['id' => 'b', 'craft' => 'read', 'kind' => 'boundary', 'at' => place('tw1-5'), 'begins' => true]]))->assertOk();
    $this->postJson("$this->url/suggestions/pedal", planWith($this, []))->assertOk();
    expect($readings)->toBe(1);
    Piece::query()->whereKey($this->piece->id)->update(PieceFactory::read((string) file_get_contents(database_path('demo/slow-weather.musicxml'))));
    $this->get($this->url)->assertOk();
    expect($readings)->toBe(2);
});

it('refuses a chord or a layer that does not exist', function (array $mark): void {
    $this->postJson("$this->url/answers/read", planWith($this, [$mark]))->assertUnprocessable();
})->with([
    [['id' => 'h', 'craft' => 'read', 'kind' => 'harmony', 'from' => place('tw1-4'), 'to' => place('tw1-5'), 'root' => 'H', 'quality' => 'major', 'bass' => null]],
    [['id' => 'l', 'craft' => 'read', 'kind' => 'layer', 'notes' => ['tw1-2-1'], 'layer' => 'drums']],
    [['id' => 'l', 'craft' => 'read', 'kind' => 'hand', 'notes' => [], 'hand' => 'left']],
]);

it('shows a new piece as a portrait first, with what limits this student', function (): void {
    $other = Student::factory()->for($this->student->teacher, 'teacher')->create(['run_rate' => 2.0]);
    $response = $this->post('/copies', ['student_id' => $other->id, 'piece_id' => $this->piece->id]);
    $copy = StudentCopy::query()->where('student_id', $other->id)->sole();
    $response->assertRedirect("/copies/$copy->id/portrait");
    $this->post('/copies', ['student_id' => $other->id, 'piece_id' => $this->piece->id])->assertRedirect("/copies/$copy->id");

    $limits = fn (string $url): string => collect(collect($this->get($url)->assertOk()->viewData('page')['props']['portrait']['groups'])->firstWhere('title', 'Tempo, and what limits it')['lines'])->last()['text'];
    // 2.53 notes a second at ♩ = 76: two a second carry up to 60.
    expect($limits("/copies/$copy->id/portrait"))->toBe("At this student's measured rate bar 1 goes no faster than ♩ = 60")
        ->and($limits("$this->url/portrait"))->toStartWith('♩ = 76, ');
});

it('reduces the piece, with the teacher\'s chord names, to valid MusicXML', function (): void {
    $mark = ['id' => 'h', 'craft' => 'read', 'kind' => 'harmony', 'from' => place('tw1-2'), 'to' => place('tw1-3'), 'root' => 'F#', 'quality' => 'minor', 'bass' => null];
    foreach (['blocks', 'outer', 'melody-and-bass'] as $kind) {
        $xml = (string) $this->get("$this->url/reduced/$kind/download.musicxml")->assertOk()
            ->assertHeader('Content-Disposition', 'attachment; filename="lantern-on-the-water-'.['blocks' => 'block-chords', 'outer' => 'outer-notes', 'melody-and-bass' => 'melody-and-bass'][$kind].'.musicxml"')->getContent();
        expect(Corpus::schemaErrors($xml))->toBe([]);
    }
    $before = $this->get("$this->url/reduced/blocks/engraving")->getContent();
    $this->putJson("$this->url/plan", [...planWith($this, [$mark]), 'revision' => 1])->assertOk();
    expect($this->get("$this->url/reduced/blocks/engraving")->getContent())->not->toBe($before);
    $this->get("$this->url/reduced/everything")->assertNotFound();
});
