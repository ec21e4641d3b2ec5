<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\BendKind;
use Tarnwind\Core\Tempo\TempoChange;
use Tarnwind\Core\Time\TakenTime;
use Tests\support\Corpus;
use Tests\support\MusicXml;

/**
 * Where time is taken in a fresh piece once its own suggestion is taken: places as quarters, by kind.
 *
 * @return array{ends: list<array{float, float}>, holds: list<array{float, float}>, slows: list<array{float, float}>} from and to
 */
function takenIn(Score $score): array
{
    $registry = Crafts::registry();
    $fresh = $registry->performance($score, $registry->freshPlan($score));
    $performance = $registry->performance($score, $registry->suggestion('time')?->suggest($fresh) ?? $fresh->plan);
    $time = $performance->part(TakenTime::class);
    $ends = $slows = [];
    foreach ($time->elapsed->bends as $bend) {
        if ($bend->kind === BendKind::Ending && $bend->before !== null) {
            $ends[(string) $bend->before] = [$bend->before->toFloat(), $bend->before->toFloat()];
        }
    }
    foreach ($time->course->paces as $index => $pace) {
        if ($pace->change === TempoChange::Gradual && $pace->value < 1) {
            $slows[] = [$pace->at->toFloat(), $time->paced->ends[$index]->toFloat()];
        }
    }

    return ['ends' => array_values($ends), 'holds' => array_map(fn ($hold): array => [$hold->from->toFloat(), $hold->from->toFloat()], $time->course->holds), 'slows' => $slows];
}

/**
 * @return array{found: int, wanted: int, right: int, taken: int, missed: list<string>, false: list<string>}
 */
function judgedTime(string $part): array
{
    $sum = ['found' => 0, 'wanted' => 0, 'right' => 0, 'taken' => 0, 'missed' => [], 'false' => []];
    $labels = json_decode((string) file_get_contents(__DIR__.'/judged-time.json'), true)[$part];
    foreach ($labels as $file => $piece) {
        $score = MusicXml::score((string) file_get_contents(str_ends_with($file, '.musicxml') ? __DIR__."/../../../database/demo/$file" : Corpus::path($file)));
        $taken = takenIn($score);
        foreach ($piece as $kind => $places) {
            $judged = array_map(function (string $place) use ($score): array {
                if ($place === 'end') {
                    return [$score->end()->toFloat(), true, $score->measures[count($score->measures) - 1]->length->toFloat()];
                }
                [$bar, $offset] = explode(':', rtrim($place, '?'));
                $found = array_values(array_filter($score->measures, fn ($measure): bool => $measure->number === $bar));
                $at = $found === [] ? $score->end() : $found[0]->start->plus(Fraction::parse($offset));

                return [$at->toFloat(), ! str_ends_with($place, '?'), $score->measureAt($at)->time->beat()->toFloat()];
            }, $places);
            $isNear = fn (array $one, array $span): bool => $one[0] >= $span[0] - $one[2] - 1e-6 && $one[0] <= $span[1] + $one[2] + 1e-6;
            foreach ($judged as $index => $one) {
                if ($one[1]) {
                    $isFound = array_filter($taken[$kind], fn (array $at): bool => $isNear($one, $at)) !== [];
                    $sum['wanted']++;
                    $sum['found'] += $isFound ? 1 : 0;
                    $sum['missed'] = $isFound ? $sum['missed'] : [...$sum['missed'], "$file $kind {$places[$index]}"];
                }
            }
            foreach ($taken[$kind] as $at) {
                $isRight = array_filter($judged, fn (array $one): bool => $isNear($one, $at)) !== [];
                $sum['taken']++;
                $sum['right'] += $isRight ? 1 : 0;
                $where = $score->placeInWords(Fraction::of((int) round(96 * $at[1]), 96));
                $sum['false'] = $isRight ? $sum['false'] : [...$sum['false'], "$file $kind $where"];
            }
        }
    }

    return $sum;
}

it('takes time where a teacher would', function (string $part, int $found, int $right): void {
    ['found' => $isFound, 'wanted' => $wanted, 'right' => $isRight, 'taken' => $taken, 'missed' => $missed, 'false' => $false] = judgedTime($part);
    expect($isFound)->toBeGreaterThanOrEqual($found, "of $wanted; missed: ".implode(', ', $missed))
        ->and($isRight)->toBe($taken - count($false))->and(count($false))->toBeLessThanOrEqual($right, "of $taken: ".implode(', ', $false));
})->with([
    // Of 11 wanted places, with 11 taken.
    'tuned' => ['tuned', 8, 1],
    // Of 10, with 8 taken.
    'looked at' => ['looked-at', 6, 1],
    // Of 11, with 13 taken.
    'untouched' => ['untouched', 10, 1],
]);
