<?php

declare(strict_types=1);

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Hand\Findings;
use Tarnwind\Core\Hand\Fingering;
use Tarnwind\Core\Hand\JointKind;
use Tarnwind\Core\Hand\Joints;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Student\Hands;
use Tarnwind\Core\Student\Reach;
use Tarnwind\Core\Tempo\TempoMap;
use Tests\support\MusicXml;

/** Practical limits between fingers, in semitones outwards from the thumb: the published table again, by itself. */
const PRACTICAL = [
    '12' => [-5, 10], '13' => [-4, 12], '14' => [-3, 14], '15' => [-1, 15], '23' => [1, 5], '24' => [1, 7], '25' => [2, 10], '34' => [1, 4], '35' => [1, 7], '45' => [1, 5],
];

/**
 * Pairs of slurred notes with their fingers, a bar each, in one hand; the left one as the mirror of the right.
 *
 * @param  list<array{int, int, int}>  $pairs  finger, finger, semitones outwards from the first to the second
 */
function slurredPairs(Hand $hand, array $pairs): Score
{
    $outward = $hand === Hand::Right ? 1 : -1;
    [$base, $staff, $voice] = $hand === Hand::Right ? [72, 1, '1'] : [52, 2, '5'];
    $bars = [];
    foreach ($pairs as $index => [$first, $second, $span]) {
        $note = function (int $key, string $type, int $finger) use ($staff, $voice): string {
            $inside = MusicXml::key($key, 4, '', $staff, $voice);

            return str_replace('</note>', "<notations><slur type=\"$type\" number=\"1\"/><technical><fingering>$finger</fingering></technical></notations></note>", $inside);
        };
        $bars[] = ($index === 0 ? MusicXml::attributes(4, '4/4', 0, 2) : '').$note($base, 'start', $first).$note($base + $outward * $span, 'stop', $second).MusicXml::note('', 8, '', '', $staff, $voice);
    }

    return MusicXml::score(MusicXml::part(...$bars));
}

it('joins what the published spans let fingers reach, in both hands alike', function (Hand $hand): void {
    $pairs = $expected = [];
    foreach (PRACTICAL as $fingers => [$least, $most]) {
        [$lower, $higher] = [intdiv((int) $fingers, 10), (int) $fingers % 10];
        for ($span = -6; $span <= 16; $span++) {
            if ($span === 0) {
                continue;
            }
            // The thumb also passes under all but the fifth finger, as far as a fourth.
            $joins = ($span >= $least && $span <= $most) || ($lower === 1 && $higher < 5 && $span < 0 && $span >= -5);
            $pairs[] = [$lower, $higher, $span];
            $expected[] = $joins;
            $pairs[] = [$higher, $lower, -$span];
            $expected[] = $joins;
        }
    }
    $score = slurredPairs($hand, $pairs);
    $reading = Reading::of($score);
    // So quick that no finger can change silently.
    $tempo = TempoMap::of($score, 300.0);
    $joints = Joints::of($score, $reading, $tempo, Fingering::of($score, $reading, $tempo));
    expect($joints)->toHaveCount(count($pairs));
    foreach ($joints as $index => $joint) {
        expect($joint->kind !== JointKind::Pedal)->toBe($expected[$index], implode(' ', $pairs[$index])." in the $hand->value hand: $joint->reason");
    }
})->with([Hand::Right, Hand::Left]);

it('finds the same joins for a hand of twice the time as for one of half: only silent changes need time', function (): void {
    $pairs = [[5, 5, 2], [4, 4, -3], [2, 2, 4], [3, 3, 5]];
    $kinds = function (float $quartersPerMinute) use ($pairs): array {
        $score = slurredPairs(Hand::Right, $pairs);
        $reading = Reading::of($score);
        $tempo = TempoMap::of($score, $quartersPerMinute);

        return array_map(fn ($joint): string => $joint->kind->value, Joints::of($score, $reading, $tempo, Fingering::of($score, $reading, $tempo)));
    };
    expect(array_unique($kinds(300)))->toBe(['pedal'])->and(array_unique($kinds(60)))->toBe(['substitution'])->and(array_unique($kinds(30)))->toBe(['substitution']);
});

/**
 * @return list<Finding>
 */
function generatedFindings(Score $score, FindingKind $kind, float $quartersPerMinute, Hands $hands = new Hands): array
{
    $reading = Reading::of($score);
    $tempo = TempoMap::of($score, $quartersPerMinute);
    $fingering = Fingering::of($score, $reading, $tempo, $hands);

    return array_values(array_filter(Findings::of(new Assignment($score, $reading, $tempo, $fingering, $hands), []), fn (Finding $finding): bool => $finding->kind === $kind));
}

it('says how early a shared key must be left, whatever the tempo, the overlap and the hand that comes second', function (Hand $second): void {
    foreach ([40, 72, 126] as $quartersPerMinute) {
        foreach ([2, 4, 8, 12] as $overlap) {
            // One hand holds G4 for a whole bar; the other strikes it so many sixteenths before the end.
            $held = 'G4:16';
            $struck = '-:'.(16 - $overlap)." G4:$overlap";
            $score = MusicXml::score(MusicXml::piano([$second === Hand::Right ? [$struck, $held] : [$held, $struck]]));
            $found = generatedFindings($score, FindingKind::SharedKey, $quartersPerMinute);
            $early = (int) round($overlap / 4 * 60000 / $quartersPerMinute + 60);
            expect($found)->toHaveCount(1)->and($found[0]->reason)->toContain("the {$second->other()->value} hand must leave it $early ms before its written end");
        }
    }
})->with([Hand::Right, Hand::Left]);

it('measures every chord against every reach: comfortable, possible, beyond', function (Hand $hand): void {
    foreach ([[10, 12], [12, 14], [13, 15], [16, 17]] as [$comfortable, $largest]) {
        foreach (range(7, 16) as $span) {
            // Far from the other hand, so that it cannot help; from an eleventh on a chord is read as one for two hands.
            $bar = $hand === Hand::Right ? [MusicXml::key(84, 16).MusicXml::key(84 + $span, 16, '<chord/>'), 1, '1'] : [MusicXml::key(45 - $span, 16, '', 2, '5').MusicXml::key(45, 16, '<chord/>', 2, '5'), 2, '5'];
            $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '4/4', 0, 2).$bar[0]));
            $reach = new Reach($comfortable, $largest);
            $found = array_map(fn (Finding $finding): string => $finding->severity->value, generatedFindings($score, FindingKind::BeyondReach, 60, new Hands($reach, $reach)));
            expect($found)->toBe($span <= $comfortable ? [] : ($span <= $largest ? ['hint'] : ['warning']), "$span semitones for $comfortable to $largest");
        }
    }
})->with([Hand::Right, Hand::Left]);
