<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Validator;
use Tests\support\Corpus;

beforeEach(function (): void {
    $teacher = User::factory()->create();
    $this->actingAs($teacher);
    $student = Student::factory()->for($teacher, 'teacher')->create();
    $this->piece = Piece::factory()->for($teacher, 'teacher')->create();
    $this->copy = StudentCopy::factory()->create(['student_id' => $student->id, 'piece_id' => $this->piece->id]);
    $this->url = "/copies/{$this->copy->id}";
});

function withTouch($test, array $notes, string $articulation, array $more = []): array
{
    return [...$test->copy->planDocument()->toArray(), 'marks' => [['id' => 't', 'craft' => 'touch', 'kind' => 'articulation', 'notes' => $notes, 'articulation' => $articulation]], ...$more];
}

it('answers with key lengths that match the published schema', function (): void {
    $note = $this->piece->score()->notes[1];
    $ask = fn (array $plan): TestResponse => $this->postJson("$this->url/answers/touch", ['plan' => $plan])->assertOk();
    $answer = $ask(withTouch($this, [$note->id], 'staccato'));
    $result = (new Validator)->validate(json_decode((string) $answer->getContent()), (string) file_get_contents(base_path('schemas/touch.schema.json')));
    $byNote = array_column($answer->json('lengths'), null, 'note');
    expect($result->isValid())->toBeTrue()->and($byNote[$note->id]['own'])->toBeTrue()->and($byNote[$note->id]['articulation'])->toBe('staccato')
        ->and($byNote[$note->id]['left'] - $byNote[$note->id]['at'])->toEqualWithDelta($note->duration->toFloat() / 2, 0.001);

    $dance = $ask(withTouch($this, [$note->id], 'staccato', ['settings' => ['touch' => ['style' => 'dance']]]))->json('lengths');
    expect($dance)->not->toBe($answer->json('lengths'));
    $this->postJson("$this->url/answers/touch", ['plan' => withTouch($this, [$note->id], 'loud')])->assertUnprocessable();
    $this->actingAs(User::factory()->create())->postJson("$this->url/answers/touch", ['plan' => withTouch($this, [$note->id], 'staccato')])->assertForbidden();
});

it('hands the touch out: signs in the score, lengths in MIDI', function (): void {
    $note = $this->piece->score()->notes[1];
    $lengths = function (): array {
        $path = (string) tempnam(sys_get_temp_dir(), 'midi');
        file_put_contents($path, $this->get("$this->url/download.mid")->getContent());
        $notes = Corpus::midi($path)['notes'];
        unlink($path);

        return $notes;
    };
    $before = $lengths();
    $this->putJson("$this->url/plan", ['plan' => withTouch($this, [$note->id], 'staccato'), 'revision' => 1])->assertOk();
    $after = $lengths();
    $changed = array_values(array_filter(array_keys($before), fn (int $index): bool => abs($before[$index]['duration'] - $after[$index]['duration']) > 0.01));
    expect($changed)->toHaveCount(1)->and($after[$changed[0]]['duration'])->toEqualWithDelta($before[$changed[0]]['duration'] / 2, 0.03)
        ->and($after[$changed[0]]['midi'])->toBe($note->midi)
        ->and(substr_count((string) $this->get("$this->url/download.musicxml")->getContent(), '<staccato/>'))->toBe(substr_count((string) file_get_contents(database_path('demo/lantern-on-the-water.musicxml')), '<staccato/>') + 1);
});

it('plays and hands out slurs, holds, octaves and gestures', function (): void {
    $score = $this->piece->score();
    $slur = $score->slurs[0];
    $note = array_values(array_filter($score->notes, fn ($one): bool => $one->staff === 2))[0];
    $place = ['measure' => $score->measures[2]->id, 'offset' => '0'];
    $plan = [...$this->copy->planDocument()->toArray(), 'settings' => ['touch' => ['style' => 'lyrical', 'lengths' => ['overlap' => 15]]], 'marks' => [
        ['id' => 'a', 'craft' => 'touch', 'kind' => 'slur', 'from' => $slur->from, 'to' => $slur->to, 'drawn' => false],
        ['id' => 'b', 'craft' => 'touch', 'kind' => 'hold', 'note' => $note->id, 'until' => $place],
        ['id' => 'c', 'craft' => 'touch', 'kind' => 'gesture', 'at' => $place, 'text' => 'wrist rises'],
    ]];
    $answer = $this->postJson("$this->url/answers/touch", ['plan' => $plan])->assertOk();
    $result = (new Validator)->validate(json_decode((string) $answer->getContent()), (string) file_get_contents(base_path('schemas/touch.schema.json')));
    expect($result->isValid())->toBeTrue()->and($answer->json('slurs'))->toHaveCount(count($score->slurs) - 1)->and((float) $answer->json('style.overlap'))->toBe(15.0);
    $held = array_column($answer->json('lengths'), null, 'note')[$note->id];
    expect($held['left'])->toBeGreaterThan($note->end()->toFloat());

    $this->putJson("$this->url/plan", ['plan' => $plan, 'revision' => 1])->assertOk();
    $xml = (string) $this->get("$this->url/download.musicxml")->assertOk()->getContent();
    $own = (string) file_get_contents(database_path('demo/lantern-on-the-water.musicxml'));
    expect(substr_count($xml, '<slur '))->toBe(substr_count($own, '<slur ') - 2)->and($xml)->toContain('wrist rises')->toContain('keep ');
    // The pedal is measured on what is played: the texture follows the hold.
    $this->postJson("$this->url/answers/pedal", ['plan' => $plan])->assertOk();
    $this->get($this->url)->assertOk();
});
