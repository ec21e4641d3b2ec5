<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Touch\Ornamenting;
use Tarnwind\Core\Touch\Profile;
use Tarnwind\Core\Touch\Style;
use Tests\support\MusicXml;

/**
 * @return list<array{int, float, float}> key, seconds of stroke and release, of a bar with some notes at 60 a minute
 */
function ornamented(string $notes, ?Ornamenting $school = null, int $fifths = 0, Profile $profile = Profile::Written): array
{
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4', $fifths).'<sound tempo="60"/>'.$notes));
    $performance = Crafts::registry()->performance($score, (new Plan)->withSettings('touch', new Style($profile, ['plain' => 1.0], $school)));

    return array_map(fn (KeyEvent $event): array => [$event->midi, round($event->startMs / 1000, 3), round($event->endMs / 1000, 3)], Renderer::play($performance)->events);
}

function signed(string $sign, string $pitch = 'C5', int $length = 16): string
{
    return MusicXml::note($pitch, $length, '', "<ornaments><$sign/></ornaments>");
}

it('trills at the chosen speed, from the main or the upper note, and ends on the main one', function (): void {
    $main = array_column(ornamented(signed('trill-mark')), 0);
    expect(count($main))->toBe(47)->and(array_slice($main, 0, 3))->toBe([72, 74, 72])->and(end($main))->toBe(72);
    $upper = array_column(ornamented(signed('trill-mark'), new Ornamenting(fromUpper: true, speed: 10)), 0);
    expect(count($upper))->toBe(40)->and(array_slice($upper, 0, 3))->toBe([74, 72, 74])->and(end($upper))->toBe(72);
    // In E flat major the note above D is E flat.
    expect(array_values(array_unique(array_column(ornamented(signed('trill-mark', 'D5'), null, -3), 0))))->toBe([74, 75]);
});

it('plays mordents and turns quickly and holds their last note', function (): void {
    expect(array_column(ornamented(signed('mordent')), 0))->toBe([72, 71, 72])->and(array_column(ornamented(signed('inverted-mordent')), 0))->toBe([72, 74, 72])
        ->and(array_column(ornamented(signed('turn')), 0))->toBe([74, 72, 71, 72])->and(array_column(ornamented(signed('inverted-turn')), 0))->toBe([71, 72, 74, 72]);
    $turn = ornamented(signed('delayed-turn', 'C5', 8).MusicXml::line('D5:8'));
    expect(array_column($turn, 0))->toBe([72, 74, 72, 71, 72, 74])->and($turn[1][1])->toBe(1.0)->and($turn[4][2])->toBe(2.0);
    // Where there is no time it is left out.
    expect(array_column(ornamented(signed('turn', 'C5', 1).MusicXml::line('D5:15')), 0))->toBe([72, 74]);
});

it('repeats the key of a tremolo as its beams say, and no quicker than it speaks', function (): void {
    expect(count(ornamented(MusicXml::note('C5', 16, '', '<ornaments><tremolo type="single">1</tremolo></ornaments>'))))->toBe(8)
        ->and(count(ornamented(MusicXml::note('C5', 4, '', '<ornaments><tremolo type="single">4</tremolo></ornaments>').MusicXml::line('-:12'))))->toBe(16)
        ->and(count(ornamented(MusicXml::note('C5', 16, '', '<ornaments><tremolo type="start">3</tremolo></ornaments>'))))->toBe(1);
});

it('ornaments the top of a chord alone', function (): void {
    $chord = MusicXml::note('C5', 16, '', '<ornaments><mordent/></ornaments>').MusicXml::note('E5', 16, '<chord/>');
    expect(array_column(ornamented($chord), 0))->toBe([72, 76, 74, 76]);
});

it('rolls chords from the lowest note, from the beat or before it', function (): void {
    $chord = MusicXml::line('-:4').MusicXml::note('C4', 12, '', '<arpeggiate/>').MusicXml::note('E4', 12, '<chord/>').MusicXml::note('G4', 12, '<chord/>');
    expect(ornamented($chord))->toBe([[60, 1.0, 4.0], [64, 1.06, 4.0], [67, 1.12, 4.0]])
        ->and(ornamented($chord, new Ornamenting(rollBefore: true, spread: 100)))->toBe([[60, 0.8, 4.0], [64, 0.9, 4.0], [67, 1.0, 4.0]]);
});

it('plays grace notes before the beat or on it, by the school, by default as the style does', function (): void {
    $graces = MusicXml::line('C4:4').MusicXml::note('D5', 0, '<grace/>').MusicXml::note('E5', 0, '<grace/>').MusicXml::line('F5:12');
    $starts = fn (?Ornamenting $school, Profile $profile = Profile::Written): array => array_column(ornamented($graces, $school, 0, $profile), 1, 0);
    expect($starts(null))->toEqual([60 => 0.0, 74 => 0.82, 76 => 0.91, 77 => 1.0])->and($starts(new Ornamenting(gracesOnBeat: true)))->toEqual([60 => 0.0, 74 => 1.0, 76 => 1.09, 77 => 1.18])
        ->and($starts(null, Profile::Older))->toEqual($starts(new Ornamenting(gracesOnBeat: true)));
});

it('lets the melody lead', function (): void {
    $xml = MusicXml::piano([['C5:4 D5:4 E5:4 F5:4', 'C3:4 G3:4 E3:4 G3:4'], ['G5:8 E5:8', 'C3:4 G3:4 E3:4 G3:4']]);
    $score = MusicXml::score($xml);
    $performance = Crafts::registry()->performance($score, (new Plan)->withSettings('touch', new Style(Profile::Written, [], new Ornamenting(lead: 25))));
    $layers = $performance->reading()->layers;
    $starts = [];
    foreach (Renderer::play($performance)->events as $event) {
        $starts[$layers[$event->note]->layer === Layer::Melody ? 'melody' : 'rest'][] = round($event->startMs);
    }
    expect($starts['melody'][1])->toBe(round($starts['rest'][1] - 25))->and($starts['melody'][0])->toBe(0.0);
});

it('strikes an ornament in more than one way: the main note leads, its neighbour is lighter, the last one arrives', function (string $sign): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4').'<sound tempo="60"/>'.signed($sign)));
    $velocities = array_map(fn (KeyEvent $event): int => $event->velocity, Renderer::play(Crafts::registry()->performance($score))->events);
    $level = Crafts::registry()->performance($score)->levels()->velocity($score->notes[0]);
    expect(count(array_unique($velocities)))->toBeGreaterThan(1)->and($velocities[0])->toBe((int) round($level))->and($velocities[count($velocities) - 1])->toBe((int) round($level))->and(max($velocities))->toBe((int) round($level));
})->with(['trill-mark', 'mordent', 'turn']);

it('ends a trill before the grace notes that close it, also where others are played on the beat', function (): void {
    $closed = signed('trill-mark', 'C5', 8).MusicXml::note('B4', 0, '<grace/>').MusicXml::note('C5', 0, '<grace/>').MusicXml::line('D5:8');
    foreach ([new Ornamenting, new Ornamenting(gracesOnBeat: true)] as $school) {
        $events = ornamented($closed, $school);
        $graces = array_slice($events, -3, 2);
        expect(array_column($graces, 0))->toBe([71, 72])->and($graces[0][1])->toEqualWithDelta(1.82, 1e-3)->and(end($events)[1])->toBe(2.0)
            ->and(max(array_column(array_slice($events, 0, -3), 2)))->toBeLessThanOrEqual($graces[0][1] + 1e-6)->and(array_column($events, 0)[count($events) - 4])->toBe(72);
    }
});

it('gives grace notes less time where the music is quick, and never less than is heard', function (): void {
    $length = function (int $tempo): float {
        $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4')."<sound tempo=\"$tempo\"/>".MusicXml::line('C4:4').MusicXml::note('D5', 0, '<grace/>').MusicXml::line('F5:12')));
        $grace = array_values(array_filter(Renderer::play(Crafts::registry()->performance($score))->events, fn (KeyEvent $event): bool => $event->midi === 74))[0];

        return round($grace->endMs - $grace->startMs, 1);
    };
    expect([$length(60), $length(120), $length(240)])->toBe([90.0, 75.0, 60.0]);
});
