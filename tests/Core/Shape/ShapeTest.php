<?php

declare(strict_types=1);

use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Sign;
use Tarnwind\Core\Shape\Arc;
use Tarnwind\Core\Shape\ArchMark;
use Tarnwind\Core\Shape\Arcs;
use Tarnwind\Core\Shape\Choices;
use Tarnwind\Core\Shape\DynamicMark;
use Tarnwind\Core\Shape\GoalMark;
use Tarnwind\Core\Shape\HairpinMark;
use Tarnwind\Core\Shape\MannerMark;
use Tarnwind\Core\Shape\NudgeMark;
use Tarnwind\Core\Shape\RepeatedNotes;
use Tarnwind\Core\Shape\School;
use Tarnwind\Core\Shape\Shaping;
use Tarnwind\Core\Shape\Staves;
use Tarnwind\Core\Sound\Loudness;
use Tests\support\Labels;
use Tests\support\Marked;
use Tests\support\MusicXml;

/**
 * @param  list<Mark>  $marks
 */
function shaped(string $xml, array $marks = [], School $school = School::Singing): Performance
{
    return Crafts::registry()->performance(MusicXml::score($xml), (new Plan(null, $marks))->withSettings('shape', new Shaping($school)));
}

/**
 * A four-bar phrase for the right hand over held fifths, and the same again.
 */
function twice(string $more = ''): string
{
    $phrase = ['C5:4 D5:4 E5:4 F5:4', 'G5:8 E5:4 C5:4', 'D5:4 F5:4 E5:4 D5:4', 'C5:12 -:4'];

    return str_replace('</attributes>', "</attributes>$more", MusicXml::piano(array_map(fn (string $line): array => [$line, 'C3+G3:16'], [...$phrase, ...$phrase])));
}

function printed(string $sign): string
{
    return "<direction><direction-type>$sign</direction-type><staff>1</staff></direction>";
}

/**
 * @return list<string> kinds of findings
 */
function shapeKinds(Performance $performance): array
{
    return array_column(Crafts::registry()->answer('shape', $performance)['findings'], 'kind');
}

/**
 * @return array<string, float> velocities by bar and name, the first of a name
 */
function levelsOf(Performance $performance): array
{
    $levels = [];
    foreach ($performance->score()->notes as $note) {
        $levels[$performance->written->measures[$note->measure]->number.' '.$note->inWords()] ??= $performance->levels()->velocity($note);
    }

    return $levels;
}

it('adds up to what is played, within what keys can do', function (string $file): void {
    [$score, $reading] = Labels::reading($file);
    foreach (School::cases() as $school) {
        $plan = Crafts::registry()->freshPlan($score, fn () => $reading)->withSettings('shape', new Shaping($school));
        $loud = array_map(fn (Note $note): string => $note->id, array_slice($score->notes, 0, 3));
        $performance = Crafts::registry()->performance($score, $plan->withMarks([...$plan->marks, new NudgeMark('n', $loud, 24.0)]), read: fn () => $reading);
        foreach ($score->notes as $note) {
            $sum = array_sum(array_map(fn (LedgerEntry $entry): float => $entry->value, $performance->levels()->ledger($note)));
            expect($sum)->toEqualWithDelta(Loudness::decibels($performance->levels()->velocity($note)), 1e-9)->toBeGreaterThan(Loudness::decibels(18.0))->toBeLessThan(Loudness::decibels(126.0));
        }
        foreach (Crafts::registry()->answer('shape', $performance)['levels'] as $level) {
            expect(array_sum(array_column($level['ledger'], 'value')))->toEqualWithDelta($level['level'], 0.31)->and($level['velocity'])->toEqualWithDelta(127 * 10 ** ($level['level'] / 40), 0.5);
        }
    }
})->with(['lantern-on-the-water.musicxml', 'slow-weather.musicxml', 'Dichterliebe01.xml']);

it('plays as printed without a school', function (): void {
    [$score, $reading] = Labels::reading('skipping-stones.musicxml');
    $performance = Crafts::registry()->performance($score, new Plan, read: fn () => $reading);
    foreach (Crafts::registry()->answer('shape', $performance)['levels'] as $level) {
        $slurs = array_sum(array_column(array_filter($level['ledger'], fn (array $entry): bool => str_contains($entry['reason'], 'slur')), 'value'));
        expect($level['level'] - $slurs)->toEqualWithDelta(Loudness::decibels($level['printed']), 0.11);
    }
});

it('grows to one goal and falls from it, and has one climax where the print sets a phrase apart', function (string $file, int $climaxes): void {
    [$score, $reading] = Labels::reading($file);
    $arcs = Crafts::registry()->performance($score, Crafts::registry()->freshPlan($score, fn () => $reading), read: fn () => $reading)->part(Arcs::class)->all;
    foreach ($arcs as $arc) {
        $curve = array_map(fn (Note $note): float => $arc->at($note->onset->toFloat()), $arc->phrase->notes);
        expect(max([0.0, ...$curve]))->toBe($curve === [] ? 0.0 : max(0.0, $arc->at($arc->goal->onset->toFloat())));
    }
    $peaks = array_map(fn (Arc $arc): float => (new Tarnwind\Core\Performance\PrintedDynamics($score))->most($arc->phrase->from, $arc->phrase->to) + $arc->level + $arc->rise / 2, $arcs);
    rsort($peaks);
    expect(count(array_filter($arcs, fn (Arc $arc): bool => $arc->isClimax)))->toBe($climaxes);
    if ($climaxes === 1) {
        expect($peaks[0] - $peaks[1])->toBeGreaterThanOrEqual(0.5 - 1e-9);
    }
})->with([
    ['lantern-on-the-water.musicxml', 1], ['skipping-stones.musicxml', 1], ['slow-weather.musicxml', 1], ['BeetAnGeSample.xml', 1], ['Dichterliebe01.xml', 1],
    // All of these are as loud, or more than two phrases are.
    ['MozaVeilSample.xml', 0], ['Telemann.xml', 0],
]);

it('plays an echo softer, in terraces by a grade, and says where it is none', function (): void {
    $echo = fn (School $school): float => shaped(twice(), [], $school)->part(Arcs::class)->all[1]->level;
    expect($echo(School::Singing))->toBeLessThan(0.0)->and($echo(School::Terraced))->toBeLessThan($echo(School::Singing))->and($echo(School::AsPrinted))->toBe(0.0);
    $score = MusicXml::score(twice());
    $copy = new ArchMark('a', Place::at($score, Fraction::of(16)), 3.2, 3.8, 0.0);
    expect(shapeKinds(shaped(twice())))->not->toContain('echo-alike')->and(shapeKinds(shaped(twice(), [$copy])))->toContain('echo-alike');
});

it('takes the teacher\'s goal, arch and nudges', function (): void {
    $score = MusicXml::score(twice());
    $note = fn (string $name): Note => array_values(array_filter($score->notes, fn (Note $note): bool => $note->inWords() === $name))[0];
    $arc = shaped(twice(), [new GoalMark('g', $note('E5')->id), new ArchMark('a', Place::at($score, Fraction::zero()), 8, 0, 1.5)])->part(Arcs::class)->all[0];
    expect($arc->goal?->inWords())->toBe('E5')->and($arc->ownGoal)->toBeTrue()->and([$arc->rise, $arc->fall, $arc->level])->toBe([8.0, 0.0, 1.5]);
    $plain = levelsOf(shaped(twice()));
    expect(levelsOf(shaped(twice(), [new NudgeMark('n', [$note('D5')->id], -2)]))['1 D5'])->toEqualWithDelta($plain['1 D5'] * 10 ** (-2 / 40), 1e-9)
        ->and(shapeKinds(shaped(twice(), [new NudgeMark('n', [$note('D5')->id], 8), new GoalMark('g', $note('G5')->id)])))->toContain('second-goal')
        ->and(shapeKinds(shaped(twice(), [new ArchMark('a', Place::at($score, Fraction::zero()), 0, 0, 0)])))->toContain('flat-phrase');
});

it('lets repeated notes fall off, grow or stay, passage by passage', function (): void {
    $xml = MusicXml::piano([['E5:4 E5:4 E5:4 E5:4', 'C3:16'], ['E5:4 E5:4 E5:4 E5:4', 'C3:16'], ['D5:16', 'G2:16']]);
    $score = MusicXml::score($xml);
    $passage = fn (RepeatedNotes $choice): array => [new MannerMark('m', Place::at($score, Fraction::zero()), Place::at($score, Fraction::of(12)), new Choices($choice))];
    $told = function (RepeatedNotes $choice) use ($xml, $passage): array {
        $performance = shaped($xml, $passage($choice));

        return array_map(fn (Note $note): float => array_sum(array_map(
            fn (LedgerEntry $entry): float => str_contains($entry->reason, 'repeated') ? $entry->value : 0.0, $performance->levels()->ledger($note),
        )), array_slice(array_values(array_filter($performance->score()->notes, fn (Note $note): bool => $note->inWords() === 'E5')), 0, 5));
    };
    expect($told(RepeatedNotes::Fade))->toBe([0.0, -0.5, -1.0, -1.5, -2.0])->and($told(RepeatedNotes::Stay))->toBe([0.0, 0.0, 0.0, 0.0, 0.0])
        ->and($told(RepeatedNotes::Grow)[0])->toBeLessThan($told(RepeatedNotes::Grow)[4]);
});

it('joins the level to which a long note has faded: the longer it was, the softer', function (): void {
    $joining = function (int $sixteenths): float {
        $xml = MusicXml::part(
            MusicXml::attributes(4, '4/4', 0, 2).'<sound tempo="60"/>'.MusicXml::line('E4:4 F4:4 G4:4 A4:4').MusicXml::backup(16).MusicXml::line('C2:16', 2, '5'),
            MusicXml::line("C4:$sixteenths B3:".(16 - $sixteenths)).MusicXml::backup(16).MusicXml::line('C2:16', 2, '5'),
            MusicXml::line('A3:4 G3:4 F3:4 E3:4').MusicXml::backup(16).MusicXml::line('C2:16', 2, '5'),
        );
        $performance = shaped($xml);
        $next = array_values(array_filter($performance->score()->notes, fn (Note $note): bool => $note->inWords() === 'B3'))[0];

        return array_sum(array_map(fn (LedgerEntry $entry): float => str_starts_with($entry->reason, 'joins') ? $entry->value : 0.0, $performance->levels()->ledger($next)));
    };
    expect($joining(4))->toBe(0.0)->and($joining(6))->toBeLessThan(0.0)->and($joining(12))->toBeLessThan($joining(6));
});

it('plays planned dynamics in place of printed ones, for one staff or both', function (): void {
    $xml = twice(printed('<dynamics><f/></dynamics>'));
    $score = MusicXml::score($xml);
    $mark = fn (Staves $staves): array => [new DynamicMark('d', Place::at($score, Fraction::zero()), 'p', $staves)];
    $level = fn (array $marks): array => levelsOf(shaped($xml, $marks, School::AsPrinted));
    expect([$level([])['1 C5'], $level([])['1 C3']])->toEqualWithDelta([96.0, 96.0], 1e-6)
        ->and([$level($mark(Staves::Both))['1 C5'], $level($mark(Staves::Both))['1 C3']])->toEqualWithDelta([49.0, 49.0], 1e-6)
        ->and([$level($mark(Staves::Lower))['1 C5'], $level($mark(Staves::Lower))['1 C3']])->toEqualWithDelta([96.0, 49.0], 1e-6)
        ->and(shapeKinds(shaped($xml, $mark(Staves::Both))))->toContain('print-contradicted');
    $grows = levelsOf(shaped($xml, [new HairpinMark('h', Place::at($score, Fraction::of(4)), Place::at($score, Fraction::of(8)), false)], School::AsPrinted));
    expect($grows['2 G5'])->toEqualWithDelta(96.0, 1e-6)->and($grows['2 C5'])->toBeLessThan(96.0)->toBeGreaterThan(80.0)->and($grows['3 D5'])->toEqualWithDelta(80.0, 1e-6);
});

it('says where a hairpin has no room, and where something sudden is not prepared', function (): void {
    $wedge = fn (string $type): string => printed("<wedge type=\"$type\"/>");
    $bars = fn (string $start, string $end): string => MusicXml::part(
        MusicXml::attributes().$start.MusicXml::line('C5:4 D5:4 E5:4 F5:4'), $end.MusicXml::line('G5:4 F5:4 E5:4 D5:4'), MusicXml::line('C5:16'),
    );
    $letters = fn (string $mark): string => printed("<dynamics><$mark/></dynamics>");
    expect(shapeKinds(shaped($bars($letters('f').$wedge('crescendo'), $wedge('stop').$letters('f')))))->toContain('no-room-to-grow')
        ->and(shapeKinds(shaped($bars($letters('ff').$wedge('crescendo'), $wedge('stop')))))->toContain('no-room-to-grow')
        ->and(shapeKinds(shaped($bars($letters('pp').$wedge('diminuendo'), $wedge('stop')))))->toContain('no-room-to-fall')
        ->and(shapeKinds(shaped($bars($letters('p').$wedge('crescendo'), $wedge('stop').$letters('f')))))->toBe([])
        ->and(shapeKinds(shaped($bars($letters('f').$wedge('crescendo'), $wedge('stop').$letters('p')))))->not->toContain('no-room-to-grow')
        ->and(shapeKinds(shaped($bars($letters('f'), $letters('p')))))->toContain('subito-unprepared')
        ->and(shapeKinds(shaped($bars($letters('mf'), $letters('p')))))->not->toContain('subito-unprepared');
});

it('finds repeated notes that the teacher has made alike', function (): void {
    $xml = MusicXml::piano([['E5:4 E5:4 E5:4 E5:4', 'C3:16'], ['F5:8 D5:8', 'C3:16'], ['C5:16', 'C3:16']]);
    $notes = array_values(array_filter(MusicXml::score($xml)->notes, fn (Note $note): bool => $note->inWords() === 'E5'));
    $performance = shaped($xml);
    $alike = array_map(fn (Note $note): NudgeMark => new NudgeMark("n$note->id", [$note->id], Loudness::decibels(64) - $performance->levels()->level($note)), $notes);
    expect(shapeKinds(shaped($xml)))->not->toContain('repeated-alike')->and(shapeKinds(shaped($xml, $alike)))->toContain('repeated-alike');
});

it('leans on what the print leans on: a tenuto, a dissonance before its resolution', function (): void {
    $reasons = function (string $xml, string $name): array {
        $performance = shaped($xml);
        $note = array_values(array_filter($performance->score()->notes, fn (Note $note): bool => $note->inWords() === $name))[0];

        return array_map(fn (LedgerEntry $entry): string => $entry->reason, $performance->levels()->ledger($note));
    };
    $tenuto = MusicXml::part(MusicXml::attributes().MusicXml::line('C5:4 D5:4').MusicXml::note('E5', 4, '', '<articulations><tenuto/></articulations>').MusicXml::line('F5:4'), MusicXml::line('G5:16'));
    expect($reasons($tenuto, 'E5'))->toContain('tenuto: with weight')->and($reasons($tenuto, 'D5'))->not->toContain('tenuto: with weight');
    // B over C major leans on C.
    $leans = MusicXml::piano([['C5:8 B4:8', 'C3+E3+G3:8 G2+D3+F3:8'], ['F5:8 E5:8', 'C3+E3+G3:16'], ['C5:16', 'C3+E3+G3:16']]);
    expect($reasons($leans, 'F5'))->toContain('a dissonance that leans')->and($reasons($leans, 'E5'))->toContain('its resolution: lighter');
});

it('says what lies between two phrases', function (): void {
    $joins = fn (array $marks): array => array_column(Crafts::registry()->answer('shape', shaped(twice(), $marks))['phrases'], 'join');
    // The first phrase ends with a rest of a quarter, at 80 quarters a minute.
    expect($joins([])[0])->toBe('a silence of 0.8 s')->and(array_slice($joins([]), -1))->toBe([null]);
});

it('writes what it plans and reads it back', function (): void {
    $xml = twice(printed('<dynamics><f/></dynamics>'));
    $document = Document::open($xml);
    $score = MusicXml::score($xml);
    $goal = array_values(array_filter($score->notes, fn (Note $note): bool => $note->inWords() === 'F5'))[0];
    $copy = Marked::copy($document, $score, [
        new DynamicMark('d', Place::at($score, Fraction::zero()), 'pp'), new DynamicMark('e', Place::at($score, Fraction::of(16)), 'mf', Staves::Lower),
        new HairpinMark('h', Place::at($score, Fraction::of(4)), Place::at($score, Fraction::of(8)), true), new GoalMark('g', $goal->id),
    ]);
    $read = MusicXml::score($copy->toMusicXml());
    $signs = fn (Score $score, string ...$kinds): array => array_values(array_map(fn (Sign $sign): string => "$sign->onset $sign->value", array_filter($score->marks, fn (Sign $sign): bool => in_array($sign->kind, $kinds, true))));
    expect($signs($read, 'dynamics', 'wedge'))->toBe(['0 pp', '4 crescendo', '8 stop', '16 mf'])->and($signs($read, 'words'))->toBe(['3 to here']);
});

it('answers some bars as it answers all', function (): void {
    $performance = shaped(twice());
    $whole = Crafts::registry()->answer('shape', $performance);
    $part = Crafts::registry()->answer('shape', $performance, new Asked(new Bars(1, 2)));
    expect($part['levels'])->toBe(array_values(array_filter($whole['levels'], fn (array $level): bool => in_array($level['measure'], [1, 2], true))))->and($part['profile'])->toBe([]);
});

it('has nothing to say of its own shape', function (): void {
    $said = [];
    foreach (['lantern-on-the-water.musicxml', 'skipping-stones.musicxml', 'slow-weather.musicxml', 'Dichterliebe01.xml', 'BeetAnGeSample.xml', 'MahlFaGe4Sample.xml', 'MozaVeilSample.xml', 'MozaChloSample.xml', 'Telemann.xml', 'BrahWiMeSample.xml'] as $file) {
        [$score, $reading] = Labels::reading($file);
        $performance = Crafts::registry()->performance($score, Crafts::registry()->freshPlan($score, fn () => $reading), read: fn () => $reading);
        $said = [...$said, ...shapeKinds($performance)];
    }
    expect($said)->toBe([]);
});
