<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\StudentCopy;
use App\Models\User;
use Database\Factories\PieceFactory;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tests\support\Corpus;

// Answers about the demo pieces and a dozen corpus files under a plan with every kind of mark, written to a folder or
// compared with it byte for byte: see bin/golden.

/**
 * A plan with every kind of mark, spread over a score.
 *
 * @return array<string, mixed>
 */
function fullPlan(Score $score): array
{
    $notes = array_values(array_filter($score->notes, fn (Note $note): bool => ! $note->grace));
    $at = fn (float $share): Note => $notes[(int) floor($share * (count($notes) - 1))];
    $place = fn (Note $note): array => ['measure' => $score->measures[$note->measure]->id, 'offset' => (string) $note->onset->minus($score->measures[$note->measure]->start)];
    $bar = fn (float $share): string => $score->measures[(int) floor($share * (count($score->measures) - 1))]->id;
    $start = fn (float $share): array => ['measure' => $bar($share), 'offset' => '0'];
    $voice = fn (Note $from): ?Note => array_values(array_filter($notes, fn (Note $note): bool => $note->voice === $from->voice && $note->staff === $from->staff && $from->end()->isLessThan($note->onset)))[0] ?? null;
    $first = $at(0.1);
    $slurred = $voice($first) ?? $at(0.2);
    $marks = [
        ['id' => 'p1', 'craft' => 'pedal', 'kind' => 'span', 'from' => $place($at(0.05)), 'to' => $place($at(0.15)), 'depth' => 'full', 'origin' => 'teacher', 'words' => 'mine'],
        ['id' => 'p2', 'craft' => 'pedal', 'kind' => 'span', 'from' => $place($at(0.15)), 'to' => $place($at(0.25)), 'depth' => 'half', 'origin' => 'suggested', 'words' => ''],
        ['id' => 'p3', 'craft' => 'pedal', 'kind' => 'span', 'from' => $place($at(0.3)), 'to' => $place($at(0.42)), 'depth' => 'full', 'origin' => 'printed', 'words' => ''],
        ['id' => 'p4', 'craft' => 'pedal', 'kind' => 'dry', 'from' => $place($at(0.5)), 'to' => $place($at(0.55)), 'depth' => 'full', 'origin' => 'teacher', 'words' => ''],
        ['id' => 'n1', 'craft' => 'words', 'kind' => 'note', 'measure' => $bar(0.3), 'text' => 'Listen to the bass.'],
        ['id' => 'c1', 'craft' => 'reading', 'kind' => 'harmony', 'from' => $start(0.2), 'to' => $start(0.45), 'root' => 'C', 'quality' => 'major', 'bass' => null],
        ['id' => 'b1', 'craft' => 'reading', 'kind' => 'boundary', 'at' => $place($at(0.35)), 'begins' => true],
        ['id' => 'l1', 'craft' => 'reading', 'kind' => 'layer', 'notes' => [$at(0.4)->id, $at(0.41)->id], 'layer' => 'inner'],
        ['id' => 'h1', 'craft' => 'reading', 'kind' => 'hand', 'notes' => [$at(0.45)->id], 'hand' => 'left'],
        ['id' => 'f1', 'craft' => 'hand', 'kind' => 'finger', 'note' => $at(0.5)->id, 'finger' => '3'],
        ['id' => 'f2', 'craft' => 'hand', 'kind' => 'finger', 'note' => $at(0.6)->id, 'finger' => '5-1'],
        ['id' => 'o1', 'craft' => 'hand', 'kind' => 'octave', 'notes' => [$at(0.65)->id], 'octaves' => 1],
        ['id' => 't1', 'craft' => 'touch', 'kind' => 'articulation', 'notes' => [$at(0.7)->id], 'articulation' => 'staccato'],
        ['id' => 't2', 'craft' => 'touch', 'kind' => 'articulation', 'notes' => [$at(0.75)->id], 'articulation' => 'marcato'],
        ['id' => 's1', 'craft' => 'touch', 'kind' => 'slur', 'from' => $first->id, 'to' => $slurred->id, 'drawn' => true],
        ['id' => 'in1', 'craft' => 'words', 'kind' => 'intended', 'of' => 'pedal', 'finding' => 'bass-lost', 'measures' => [$place($at(0.5))['measure']]],
        ['id' => 'cm1', 'craft' => 'touch', 'kind' => 'comma', 'note' => $at(0.6)->id],
        ['id' => 'k1', 'craft' => 'touch', 'kind' => 'hold', 'note' => $at(0.8)->id, 'until' => $place($at(0.9))],
        ['id' => 'g1', 'craft' => 'touch', 'kind' => 'gesture', 'at' => $place($at(0.85)), 'text' => 'wrist rises'],
    ];
    if ($score->slurs !== []) {
        $slur = $score->slurs[intdiv(count($score->slurs), 2)];
        $marks[] = ['id' => 's2', 'craft' => 'touch', 'kind' => 'slur', 'from' => $slur->from, 'to' => $slur->to, 'drawn' => false];
    }

    return ['format' => 'tarnwind-plan/1', 'school' => 'singing', 'tempo' => 72, 'fingering' => 'strength', 'touch' => 'lyrical', 'lengths' => ['staccato' => 0.4], 'marks' => $marks];
}

/**
 * Puts an answer into the folder, or compares it with what is there.
 */
function golden(string $name, string $bytes): void
{
    $path = getenv('GOLDEN')."/$name";
    if (getenv('GOLDEN_WRITE') === '1') {
        @mkdir(dirname($path), 0777, true);
        file_put_contents($path, $bytes);
        expect($bytes)->not->toBe('');

        return;
    }
    file_put_contents("$path.now", $bytes);
    expect($bytes === (string) file_get_contents($path))->toBeTrue("$name is another now");
    unlink("$path.now");
}

dataset('golden pieces', function (): array {
    $pieces = [];
    foreach (glob(__DIR__.'/../../database/demo/*.musicxml') ?: [] as $path) {
        $pieces[basename($path, '.musicxml')] = [$path];
    }
    foreach (['BWV_0773', 'BWV_0775', 'BeetAnGeSample', 'Dichterliebe01', 'Echigo-Jishi', 'FaurReveSample', 'MozartPianoSonata', 'MozaVeilSample', 'SchbAvMaSample', 'Telemann', 'DebuMandSample', 'BrahWiMeSample'] as $name) {
        $pieces[$name] = [Corpus::path("$name.xml")];
    }

    return $pieces;
});

it('answers as before', function (string $path): void {
    $name = pathinfo($path, PATHINFO_FILENAME);
    $teacher = User::factory()->create();
    $student = $teacher->students()->create(['name' => 'Oona', 'instrument' => 'small-upright', 'half_pedal' => true, 'sostenuto' => false, 'lowest_key' => 28, 'soft_pedal' => 'weak', 'weak_fingers' => true, 'run_rate' => 6.0, 'repetition_rate' => 5.0, 'right_comfortable' => 12, 'right_largest' => 14, 'left_comfortable' => 12, 'left_largest' => 14]);
    $piece = $teacher->pieces()->create(PieceFactory::read((string) file_get_contents($path)));
    assert($piece instanceof Piece);
    $plan = fullPlan($piece->score());
    $copy = StudentCopy::query()->create(['student_id' => $student->id, 'piece_id' => $piece->id, 'plan' => json_encode($plan), 'revision' => 1]);
    $this->actingAs($teacher);
    $middle = intdiv(count($piece->score()->measures), 2);
    $note = array_values(array_filter($piece->score()->notes, fn (Note $one): bool => $one->measure >= $middle && ! $one->grace))[0];
    $bars = ['first' => $middle, 'last' => $middle];
    $swung = [...$plan, 'touch' => 'swing', 'fingering' => 'figure'];
    foreach (['full' => $plan, 'swung' => $swung] as $kind => $document) {
        $post = fn (string $path, array $more = []): string => (string) $this->postJson("/copies/$copy->id/$path", ['plan' => $document, ...$more])->assertOk()->getContent();
        golden("$name/$kind.hand", $post('answers/hand'));
        golden("$name/$kind.hand-bars", $post('answers/hand', ['bars' => $bars]));
        golden("$name/$kind.alternatives", $post('answers/alternatives', ['asked' => ['note' => $note->id]]));
        golden("$name/$kind.touch", $post('answers/touch'));
        golden("$name/$kind.touch-bars", $post('answers/touch', ['bars' => $bars]));
        golden("$name/$kind.reading", $post('answers/read'));
        golden("$name/$kind.counting", $post('answers/count'));
        golden("$name/$kind.examination", $post('answers/pedal'));
        golden("$name/$kind.suggestion", $post('suggestions/pedal'));
    }
    foreach (['print/engraving', 'download.musicxml', 'download.mid', 'reduced/outer/engraving', 'reduced/melody-and-bass/engraving', 'reduced/blocks/engraving', 'engraving'] as $file) {
        golden("$name/".str_replace('/', '-', $file), (string) $this->get("/copies/$copy->id/$file")->assertOk()->getContent());
    }
    $props = fn (string $page): string => (string) json_encode($this->get("/copies/$copy->id$page")->assertOk()->viewData('page')['props']['portrait']);
    golden("$name/portrait", $props('/portrait'));
    $saved = (string) tempnam(sys_get_temp_dir(), 'plan');
    file_put_contents($saved, (string) json_encode($plan));
    foreach (['score' => [], 'harmony' => [], 'pedal' => ['--school' => 'clean'], 'render' => ['--plan' => $saved]] as $command => $options) {
        Illuminate\Support\Facades\Artisan::call("tarnwind:$command", ['file' => $path, ...$options]);
        golden("$name/command-$command", Illuminate\Support\Facades\Artisan::output());
    }
    unlink($saved);
})->with('golden pieces');
