<?php

declare(strict_types=1);

use Tarnwind\Core\Findings\IntendedMark;
use Tarnwind\Core\Hand\FingerMark;
use Tarnwind\Core\Pedal\PedalMark;
use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Plan\CopiedMarks;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Practice\ChunkMark;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Touch\ArticulationMark;
use Tests\support\MusicXml;

/**
 * @return list<string> marks with the bars and notes they stand at
 */
function marked(Plan $plan, array $names): array
{
    return array_map(function (Mark $mark) use ($names): string {
        $anchors = $mark->anchors();

        return class_basename($mark).' '.implode(' ', array_map(fn (string $id): string => $names[$id] ?? $id, [...$anchors->notes, ...$anchors->measures]));
    }, $plan->marks);
}

it('copies the marks of bars onto like bars, in the place of marks of their kinds, and says what has no place there', function (): void {
    $bars = [['C5:4 E5:4 D5:4 F5:4', 'C3:16'], ['E5:8 G5:8', 'C3:16'], ['B4:16', 'G2:16'], ['C5:4 E5:4 D5:4 A5:4', 'C3:16'], ['E5:8 G5:8', 'C3:16'], ['C5:16', 'C3:16']];
    $score = MusicXml::score(MusicXml::piano($bars));
    $note = fn (int $bar, string $pitch): string => array_values(array_filter($score->notes, fn ($one): bool => $one->measure === $bar && (string) $one->pitch === $pitch))[0]->id;
    $place = fn (int $bar, int $offset): Place => new Place($score->measures[$bar]->id, Fraction::of($offset));
    $names = [];
    foreach ($score->notes as $one) {
        $names[$one->id] = "$one->pitch/".($one->measure + 1);
    }
    foreach ($score->measures as $measure) {
        $names[$measure->id] = "bar $measure->number";
    }
    $pedal = fn (string $id, int $from, int $to): PedalMark => new PedalMark($id, false, $place($from, 0), $place($to, 0), Depth::full(), Origin::Teacher);
    $plan = new Plan(null, [
        new FingerMark('f1', $note(0, 'C5'), '1'), new FingerMark('f2', $note(0, 'F5'), '5'),
        new ArticulationMark('a1', [$note(0, 'E5'), $note(2, 'B4')], Articulation::Staccato),
        $pedal('p1', 0, 1), $pedal('p2', 1, 2),
        new FingerMark('old', $note(3, 'E5'), '4'), $pedal('p3', 3, 4), $pedal('p4', 5, 5),
        new IntendedMark('i', 'hand', 'leap', [$score->measures[2]->id]),
    ]);
    $copied = CopiedMarks::of($plan, $score, new Bars(0, 1), 3);

    expect(marked($copied->plan, $names))->toBe([
        'FingerMark C5/1', 'FingerMark F5/1', 'ArticulationMark E5/1 B4/3', 'PedalMark bar 1 bar 2', 'PedalMark bar 2 bar 3', 'PedalMark bar 6 bar 6', 'IntendedMark bar 3',
        'FingerMark C5/4', 'FingerMark A5/4', 'ArticulationMark E5/4', 'PedalMark bar 4 bar 5', 'PedalMark bar 5 bar 6',
    ])->and($copied->copied)->toBe(5)->and($copied->lost)->toBe([])
        ->and(count(array_unique(array_map(fn (Mark $mark): string => $mark->id(), $copied->plan->marks))))->toBe(12);

    // Where a note has no counterpart its mark is told.
    $lost = CopiedMarks::of($plan, $score, new Bars(0, 0), 2);
    expect(array_map(fn (Mark $mark): string => $mark->id(), $lost->lost))->toContain('f2');
});

it('leaves what is only practised where it is: like bars are practised once', function (): void {
    $score = MusicXml::score(MusicXml::piano(array_fill(0, 4, ['C5:16', 'C3:16'])));
    $plan = new Plan(null, [new ChunkMark('c', $score->measures[0]->id, $score->measures[1]->id), new FingerMark('f', $score->notes[0]->id, '3')]);
    $copied = CopiedMarks::of($plan, $score, new Bars(0, 1), 2);
    expect($copied->copied)->toBe(1)->and($copied->plan->marksOf(ChunkMark::class))->toHaveCount(1)->and($copied->plan->marksOf(FingerMark::class))->toHaveCount(2);
});
