<?php

declare(strict_types=1);

use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\Limits;
use Tarnwind\Core\Hear\Review;
use Tarnwind\Core\Hear\Simulation\Fault;
use Tarnwind\Core\Hear\Simulation\FaultKind;
use Tarnwind\Core\Hear\Simulation\Pianist;
use Tarnwind\Core\Hear\Simulation\SimulatedPiano;
use Tarnwind\Core\Hear\Skill;
use Tarnwind\Core\Hear\Verdict;
use Tests\support\FaultTrial;
use Tests\support\Played;

afterAll(fn () => FaultTrial::forget());

// Seeds of 111 and more were not played before the limits stood.

it('has nothing to say against a performance as planned, however steady the player', function (Skill $skill, bool $tellsDepth): void {
    $told = [];
    $measured = 0;
    foreach (FaultTrial::pieces() as $name => $performance) {
        $review = Review::of(Comparison::of($performance, SimulatedPiano::play($performance, new Pianist([], $skill, 113, $tellsDepth)), limits: new Limits($skill)));
        $measured += count($review->measures);
        foreach ($review->findings as $finding) {
            $told[] = "$name: $finding->reason";
        }
        expect(Verdict::of($review)->word)->not->toBe('');
    }
    // One in ten thousand measures may fall beyond its limit by chance.
    expect(count($told))->toBeLessThanOrEqual(2, implode("\n", $told))->and($measured)->toBeGreaterThan(6000);
})->with([
    'growing' => [Skill::Growing, true], 'intermediate' => [Skill::Intermediate, true], 'advanced' => [Skill::Advanced, true], 'a pedal of up and down' => [Skill::Intermediate, false],
]);

it('finds a fault where it was played, and not elsewhere', function (string $kind, int $least): void {
    $trial = new FaultTrial(FaultKind::from($kind));
    foreach ([111, 112] as $seed) {
        foreach (FaultTrial::pieces() as $name => $performance) {
            $trial->play($name, $performance, $seed);
        }
    }
    expect($trial->places)->toBeGreaterThanOrEqual($least)
        ->and($trial->found / $trial->places)->toBeGreaterThanOrEqual(0.95, implode("\n", $trial->notes))
        ->and($trial->right / ($trial->right + $trial->wrong))->toBeGreaterThanOrEqual(0.95, implode("\n", $trial->notes));
})->with([
    'foot late by 260 ms' => ['late-foot', 80], 'foot early by 260 ms' => ['early-foot', 80], 'a pedal that is never lifted' => ['held-foot', 80], 'a bass let go after 70 ms' => ['bass-let-go', 40],
    'filling louder by 6 dB' => ['loud-filling', 30], 'phrases at one level' => ['flat', 10], 'bars in 72 % of their time' => ['rushed', 50], 'rests cut to 40 %' => ['short-rests', 20],
    'every third note of a run late by half' => ['uneven', 20], 'waits of 700 ms' => ['waits', 80], 'staccato held' => ['long-staccato', 8],
]);

it('finds wrong, missing and extra notes, and where she stopped', function (): void {
    $found = $slips = $wrong = $told = 0;
    foreach (FaultTrial::pieces() as $performance) {
        foreach ([FaultKind::WrongNotes, FaultKind::MissingNotes, FaultKind::ExtraNotes] as $kind) {
            [$take, $made] = SimulatedPiano::withSlips($performance, new Pianist([new Fault($kind)], seed: 114));
            $review = Review::of(Comparison::of($performance, $take));
            $bars = fn (array $notes): array => array_count_values(array_map(fn (string $note): int => $review->comparison->notes[$note]->measure, $notes));
            $made = $bars(array_column($made, 1));
            $said = $bars(array_map(fn ($fault): string => $fault->notes[0], array_filter($review->faults(), fn ($fault): bool => $fault->kind->subject()->value === 'notes')));
            foreach ($made as $bar => $count) {
                $slips += $count;
                $found += min($count, $said[$bar] ?? 0);
            }
            $told += array_sum($said);
            $wrong += array_sum(array_map(fn (int $bar): int => max(0, $said[$bar] - ($made[$bar] ?? 0)), array_keys($said)));
        }
        $review = Review::of(Comparison::of($performance, SimulatedPiano::play($performance, new Pianist([new Fault(FaultKind::Restarts)], seed: 114))));
        $stops = count(Played::measured($review, 'stop'));
        $found += min(1, $stops);
        [$slips, $told, $wrong] = [$slips + 1, $told + max(1, $stops), $wrong + max(0, $stops - 1)];
    }
    expect($slips)->toBeGreaterThan(300)->and($found / $slips)->toBeGreaterThanOrEqual(0.95)->and(1 - $wrong / $told)->toBeGreaterThanOrEqual(0.95);
});
