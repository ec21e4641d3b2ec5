<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Hand\OctaveMark;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Slur;
use Tarnwind\Core\Tempo\TempoMap;
use Tarnwind\Core\Touch\Action;
use Tarnwind\Core\Touch\FindingKind;
use Tarnwind\Core\Touch\Heard;
use Tarnwind\Core\Touch\HoldMark;
use Tarnwind\Core\Touch\KeyLengths;
use Tarnwind\Core\Touch\SlurMark;
use Tarnwind\Core\Touch\Style;
use Tests\support\MusicXml;

/**
 * C D E F under one slur, then a rest for everyone, and A.
 */
function slurred(): Score
{
    $slur = fn (string $type): string => "<slur type=\"$type\" number=\"1\"/>";

    return MusicXml::score(MusicXml::part(
        MusicXml::attributes().MusicXml::note('C5', 4, '', $slur('start')).MusicXml::line('D5:4 E5:4').MusicXml::note('F5', 4, '', $slur('stop')),
        MusicXml::line('-:8 A5:8'),
    ));
}

/**
 * @param  list<Mark>  $marks
 */
function played(Score $score, array $marks): Score
{
    return Crafts::registry()->performance($score, new Plan(null, $marks))->score();
}

/**
 * @return list<string> "from-to" by index of the notes
 */
function slursOf(Score $score): array
{
    $places = array_flip(array_map(fn (Note $note): string => $note->id, $score->notes));

    return array_map(fn (Slur $slur): string => $places[$slur->from].'-'.$places[$slur->to], $score->slurs);
}

it('plays slurs as the teacher has them: drawn, taken away, moved', function (): void {
    $score = slurred();
    $id = fn (int $index): string => $score->notes[$index]->id;
    $away = new SlurMark('a', $id(0), $id(3), false);
    expect(slursOf(played($score, [])))->toBe(['0-3'])->and(played($score, []))->toBe($score)
        ->and(slursOf(played($score, [$away])))->toBe([])
        ->and(slursOf(played($score, [$away, new SlurMark('b', $id(0), $id(1), true), new SlurMark('c', $id(2), $id(3), true)])))->toBe(['0-1', '2-3'])
        // The last word holds; a slur backwards, or on notes that are not there, is none.
        ->and(slursOf(played($score, [$away, new SlurMark('d', $id(0), $id(3), true)])))->toBe(['0-3'])
        ->and(slursOf(played($score, [new SlurMark('e', $id(3), $id(0), true), new SlurMark('f', 'gone', $id(1), true)])))->toBe(['0-3']);
});

it('holds keys on past their end, never shorter, and finds what is held through a silence', function (): void {
    $score = slurred();
    $hold = fn (string $offset, int $bar = 1): Score => played($score, [new HoldMark('h', $score->notes[3]->id, new Place($score->measures[$bar]->id, Fraction::parse($offset)))]);
    expect((string) $hold('1')->notes[3]->duration)->toBe('2')->and((string) $hold('3', 0)->notes[3]->duration)->toBe('1')->and($score->notes[3]->duration->toFloat())->toBe(1.0);
    $findings = function (Score $played) use ($score): array {
        $tempo = TempoMap::of($score, 60.0);

        return array_values(array_filter((new Heard($played, $tempo, KeyLengths::of($played, $tempo), []))->findings($score), fn ($finding): bool => $finding->kind === FindingKind::KeyHeldThrough));
    };
    expect($findings($hold('1')))->toHaveCount(1)->and($findings($hold('1'))[0]->reason)->toContain('F5 is held on through the silence of 2.0 s')
        ->and($findings($hold('1'))[0]->remedy?->action)->toBe(Action::Release)->and($findings($score))->toBe([]);
});

it('moves notes to another octave, in order among the others, and leaves the written score alone', function (): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::line('C1+C3:8 D1:8')));
    $moved = played($score, [new OctaveMark('o', [$score->notes[0]->id], 3), new OctaveMark('p', [$score->notes[2]->id], 1)]);
    expect(array_map(fn (Note $note): string => $note->inWords(), $moved->notes))->toBe(['C3', 'C4', 'D2'])
        ->and(array_map(fn (Note $note): int => $note->midi, $moved->notes))->toBe([48, 60, 38])
        ->and($moved->notes[1]->id)->toBe($score->notes[0]->id)->and($score->notes[0]->midi)->toBe(24);
});

it('comes back from JSON with every kind of mark, and with a school\'s lengths', function (): void {
    $score = slurred();
    $json = json_encode(['format' => Plan::FORMAT, 'tempo' => null, 'settings' => ['pedal' => ['school' => 'singing'], 'hand' => ['school' => 'print'], 'touch' => ['style' => 'swing', 'lengths' => ['staccato' => 0.4, 'overlap' => 25]]], 'marks' => [
        ['id' => 's', 'craft' => 'touch', 'kind' => 'slur', 'from' => $score->notes[0]->id, 'to' => $score->notes[1]->id, 'drawn' => true],
        ['id' => 'h', 'craft' => 'touch', 'kind' => 'hold', 'note' => $score->notes[3]->id, 'until' => ['measure' => $score->measures[1]->id, 'offset' => '1/2']],
        ['id' => 'g', 'craft' => 'touch', 'kind' => 'gesture', 'at' => ['measure' => $score->measures[0]->id, 'offset' => '0'], 'text' => 'wrist rises <b>'],
        ['id' => 'o', 'craft' => 'hand', 'kind' => 'octave', 'notes' => [$score->notes[4]->id], 'octaves' => -1],
    ]], JSON_THROW_ON_ERROR);
    expect(json_decode(Crafts::registry()->plans->read($json)->toJson(), true))->toEqual(json_decode($json, true))->and(Crafts::registry()->plans->read($json)->settings(Style::class)->profile->swings())->toBeTrue();
});

it('refuses marks that are none', function (array $mark): void {
    Crafts::registry()->plans->read(json_encode(['format' => Plan::FORMAT, 'tempo' => null, 'settings' => (object) [], 'marks' => [$mark]], JSON_THROW_ON_ERROR));
})->with([
    'a slur without an end' => [['id' => 's', 'craft' => 'touch', 'kind' => 'slur', 'from' => 'a', 'drawn' => true]],
    'six octaves' => [['id' => 'o', 'craft' => 'hand', 'kind' => 'octave', 'notes' => ['a'], 'octaves' => 6]],
    'an empty gesture' => [['id' => 'g', 'craft' => 'touch', 'kind' => 'gesture', 'at' => ['measure' => 'm', 'offset' => '0'], 'text' => '']],
    'a hold backwards' => [['id' => 'h', 'craft' => 'touch', 'kind' => 'hold', 'note' => 'a', 'until' => ['measure' => 'm', 'offset' => '-1']]],
])->throws(Tarnwind\Core\Plan\InvalidPlan::class);
