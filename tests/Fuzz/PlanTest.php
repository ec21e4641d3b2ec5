<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Database\Factories\PieceFactory;
use Tarnwind\Core\Crafts;
use Tests\support\EveryPage;
use Tests\support\Fuzz;
use Tests\support\Mutator;

// Plans bent at random: each is refused in one line, or saved, and then every page and answer of its copy comes.

it('refuses an odd plan in words, or every page of its copy comes', function (int $first, int $count): void {
    $student = Student::factory()->for(User::factory(), 'teacher')->create();
    $this->actingAs($student->teacher);
    $piece = Piece::factory()->for($student->teacher, 'teacher')->create(PieceFactory::read((string) file_get_contents(database_path('demo/slow-weather.musicxml'))));
    $copy = StudentCopy::factory()->create(['student_id' => $student->id, 'piece_id' => $piece->id]);
    $right = planOfEveryKind($copy);
    expect(Crafts::registry()->plans->read((string) json_encode($right))->marks)->toHaveCount(count($right['marks']));

    $troubles = [];
    for ($seed = $first; $seed < $first + $count; $seed++) {
        $plan = (new Mutator($seed))->document($right);
        $pages = new EveryPage($this, $student);
        Fuzz::measured("plan $seed", function () use ($pages, $copy, $plan): ?string {
            if ($pages->ofOddPlan($copy, $plan)) {
                $pages->ofCopy($copy->fresh());
            }

            return $pages->refused;
        });
        foreach ($pages->troubles as $trouble) {
            $troubles[] = "plan $seed: $trouble";
        }
    }
    expect($troubles)->toBe([]);
})->with(Fuzz::seeds(300));

/**
 * The pedal as suggested for the first bars, with a mark of every other kind.
 *
 * @return array<string, mixed>
 */
function planOfEveryKind(StudentCopy $copy): array
{
    $score = $copy->piece->score();
    $at = fn (int $bar, string $offset = '0'): array => ['measure' => $score->measures[$bar]->id, 'offset' => $offset];
    $notes = array_map(fn ($note): string => $note->id, array_slice($score->notes, 0, 12));
    $from = ['from' => $at(2), 'to' => $at(3, '1/2'), 'depth' => 'full', 'origin' => 'teacher', 'words' => 'listen'];
    $stretch = ['from' => $at(2), 'to' => $at(4), 'origin' => 'teacher', 'words' => ''];
    $marks = [
        'read/harmony' => ['from' => $at(2), 'to' => $at(3), 'root' => 'Bb', 'quality' => 'dominant-seventh', 'bass' => null], 'read/boundary' => ['at' => $at(4), 'begins' => true],
        'read/layer' => ['notes' => $notes, 'layer' => 'inner'], 'read/hand' => ['notes' => $notes, 'hand' => 'left'],
        'hand/finger' => ['note' => $notes[0], 'finger' => '3-1'], 'hand/octave' => ['notes' => $notes, 'octaves' => 1],
        'touch/articulation' => ['notes' => $notes, 'articulation' => 'portato'], 'touch/slur' => ['from' => $notes[0], 'to' => $notes[5], 'drawn' => true],
        'touch/comma' => ['note' => $notes[4]], 'words/intended' => ['of' => 'pedal', 'finding' => 'muddy-span', 'measures' => [$score->measures[1]->id]],
        'touch/hold' => ['note' => $notes[1], 'until' => $at(2)], 'touch/gesture' => ['at' => $at(1), 'text' => 'arm weight'],
        'shape/dynamic' => ['at' => $at(2), 'dynamic' => 'f', 'staves' => 'lower'], 'shape/hairpin' => ['from' => $at(2), 'to' => $at(4), 'grows' => true], 'shape/goal' => ['note' => $notes[3]],
        'shape/arch' => ['at' => $at(0), 'rise' => 12, 'fall' => 14, 'level' => -4], 'shape/nudge' => ['notes' => [$notes[2]], 'change' => 6],
        'shape/manner' => ['from' => $at(1), 'to' => $at(3), 'repeated' => 'grow', 'high' => 'goal', 'metre' => 'levelled'],
        'balance/layer' => ['from' => $at(1), 'to' => $at(3), 'layer' => 'filling', 'change' => -8, 'gradual' => true],
        'time/pace' => ['from' => $at(10), 'to' => $at(12), 'end' => 0.7, 'shape' => 3, 'stays' => false], 'time/tempo' => ['at' => $at(8), 'ratio' => 1.1], 'time/free' => ['from' => $at(13), 'to' => $at(14)],
        'time/rubato' => ['from' => $at(2), 'to' => $at(4), 'beats' => [1.2, null, 0.9, null], 'parts' => 2, 'back' => true], 'time/fermata' => ['at' => $at(7), 'seconds' => 4.5, 'when' => 'last'],
        'practice/chunk' => ['first' => $score->measures[2]->id, 'last' => $score->measures[4]->id],
        'practice/step' => ['first' => $score->measures[2]->id, 'last' => $score->measures[4]->id, 'step' => 'tapped', 'wanted' => true, 'minutes' => 4, 'text' => 'On the lid.'],
        'practice/example' => ['first' => $score->measures[2]->id, 'last' => $score->measures[4]->id, 'fault' => 'late-foot', 'words' => 'Hear it.'],
        'time/silence' => ['at' => $at(8), 'ms' => 300, 'when' => 'every'], 'time/lean' => ['notes' => $notes, 'longer' => 0.1], 'time/ending' => ['at' => $at(4), 'longer' => 0.2],
        'time/ornament' => ['notes' => $notes, 'how' => ['graces' => 'on', 'trill' => 'upper', 'speed' => 11, 'roll' => 'before', 'spread' => 80, 'lead' => 0]],
        'words/expression' => ['from' => $at(3), 'to' => $at(4), 'text' => 'still water'],
        'pedal/soft' => $stretch, 'pedal/sostenuto' => $stretch, 'pedal/wash' => $stretch,
        'pedal/passage' => ['from' => $at(2), 'to' => $at(6), 'school' => 'clean', 'haze' => 0.3, 'rate' => 'half-bar', 'habit' => 'with', 'depth' => 40, 'words' => ''],
        'pedal/kept' => ['from' => $at(2), 'to' => $at(4), 'pedals' => [[...$from, 'id' => 'k', 'craft' => 'pedal', 'kind' => 'span']], 'words' => 'drier'],
        'pedal/span' => [...$from, 'manner' => 'before', 'lowered' => $at(2, '1'), 'lifting' => $at(2, '2'), 'flutter' => true], 'pedal/dry' => [...$from, 'from' => $at(4), 'to' => $at(5)], 'words/note' => ['measure' => $score->measures[2]->id, 'text' => 'Sing.'],
    ];
    expect(array_keys($marks))->toEqualCanonicalizing(array_keys(Crafts::registry()->marks()));
    $kinds = [];
    foreach ($marks as $name => $fields) {
        [$craft, $kind] = explode('/', $name);
        $kinds[] = ['id' => "m-$kind", 'craft' => $craft, 'kind' => $kind, ...$fields];
    }

    $plan = $copy->planDocument()->toArray();

    return [...$plan, 'tempo' => 72, 'settings' => [...(array) $plan['settings'], 'time' => ['school' => 'free'], 'practice' => ['start' => 'apart', 'gates' => 'sound', 'order' => 'first']], 'marks' => $kinds];
}
