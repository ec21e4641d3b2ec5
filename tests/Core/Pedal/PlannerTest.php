<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Pedal\HarmonySoFar;
use Tarnwind\Core\Pedal\Planner;
use Tarnwind\Core\Pedal\Resonance;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Pedal\Suggestion;
use Tarnwind\Core\Pedal\Timeline;
use Tarnwind\Core\Pedal\Weights;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Sound\Decay;
use Tarnwind\Core\Sound\MeasuredDecay;
use Tests\support\Corpus;
use Tests\support\MusicXml;

/**
 * The cost of a pedalling, term by term, without the planner.
 *
 * @param  list<array{int, int}>  $spans
 */
function costOf(Timeline $texture, array $spans, Weights $w, Decay $decay): float
{
    $moments = $texture->moments;
    $resonance = new Resonance($texture, $decay);
    $harmony = new HarmonySoFar;
    $cost = 0.0;
    $haste = fn (float $seconds): float => $seconds < Planner::FAST ? $w->fast * (1 - $seconds / Planner::FAST) : 0.0;
    $lastUp = -INF;
    for ($k = 0; $k < count($moments); $k++) {
        $moment = $moments[$k];
        $holding = array_values(array_filter($spans, fn (array $span): bool => $span[0] <= $k && $k < $span[1]))[0] ?? null;
        $ending = array_values(array_filter($spans, fn (array $span): bool => $span[1] === $k))[0] ?? null;
        if ($ending !== null) {
            $cost += $haste($moment->seconds - $moments[$ending[0]]->seconds);
        }
        $wasDown = $ending !== null || ($holding !== null && $holding[0] < $k);
        if ($moment->needsJoin && ! $wasDown) {
            $cost += $w->dry;
        }
        if ($holding !== null && $holding[0] === $k) {
            $cost += $w->change * ($moment->strength >= 0.5 ? 1 : 1.6) + ($ending === null ? $haste($moment->seconds - $lastUp) : 0);
        }
        if ($ending !== null && ($holding === null || $holding[0] !== $k)) {
            $lastUp = $moment->seconds;
        }
        if ($k === count($moments) - 1) {
            break;
        }
        $harmony->move($moment, $texture->harmonyAt($k));
        $strings = $resonance->at($k);
        $step = min(1.0, $moments[$k + 1]->seconds - $moment->seconds);
        $since = $holding === null ? $moment->seconds : $moments[$holding[0]]->seconds;
        $cost += $step * (($harmony->bass !== null && ! $strings->sounds($harmony->bass, $since) ? $w->support : 0) + $w->fill * $harmony->shareLost($strings, $since));
        if ($holding === null) {
            continue;
        }
        $blur = $strings->blur($since);
        $smeared = array_filter($moment->smeared, fn ($strike): bool => $strings->sounds($strike->midi, $since)) !== [];
        $cost += $step * ($w->blur * $blur ** 2 / ($blur + $w->knee) - $w->resonance + ($smeared ? $w->smear : 0));
        $cost += $w->staccato * $moment->dryShare() + $w->rest * $moment->silence;
        if ($k > $holding[0] && $moment->harmony !== $moments[$k - 1]->harmony) {
            $cost += $w->merge;
        }
    }

    return $cost;
}

/**
 * Every way of pedalling the first moments.
 *
 * @return iterable<list<array{int, int}>>
 */
function allPedallings(int $last, int $from = 0): iterable
{
    yield [];
    for ($down = $from; $down < $last; $down++) {
        for ($up = $down + 1; $up <= $last; $up++) {
            foreach (allPedallings($last, $up) as $rest) {
                yield [[$down, $up], ...$rest];
            }
        }
    }
}

it('finds what trying every pedalling finds', function (int $seed, School $school): void {
    mt_srand($seed);
    $notes = [];
    $at = 0.0;
    for ($n = 0; $n < 7; $n++) {
        $length = [0.5, 0.5, 1, 1.5][mt_rand(0, 3)];
        $notes[] = [mt_rand(36, 60), $at, $length * [1, 1, 0.5][mt_rand(0, 2)], mt_rand(40, 110), 'L', mt_rand(0, 4) === 0];
        if (mt_rand(0, 1) === 1) {
            $notes[] = [mt_rand(61, 84), $at, $length, mt_rand(40, 110), 'R', false];
        }
        $at += $length;
    }
    $score = MusicXml::score(MusicXml::texture(['quarters_per_minute' => mt_rand(50, 150), 'beats_per_bar' => 4, 'notes' => $notes]));
    $texture = Crafts::registry()->performance($score)->part(Timeline::class);
    $decay = new MeasuredDecay;
    $strikes = array_map(fn ($moment): bool => $moment->strikes !== [], $texture->moments);
    $best = INF;
    foreach (allPedallings(count($texture->moments) - 1) as $spans) {
        if (array_filter($spans, fn (array $span): bool => ! $strikes[$span[0]]) === []) {
            $best = min($best, costOf($texture, $spans, $school->weights(), $decay));
        }
    }

    $plan = Planner::plan($texture, $school->weights(), $decay);
    expect(costOf($texture, $plan, $school->weights(), $decay))->toEqualWithDelta($best, 1e-6);
})->with([1, 2, 3, 4, 5, 6])->with([School::Singing, School::Clean, School::Haze]);

it('plans real accompaniments with few changes off the harmony and no mud', function (string $name): void {
    $score = MusicXml::score((string) file_get_contents(Corpus::path($name)));
    $performance = Crafts::registry()->performance($score);
    $decay = new MeasuredDecay;
    $spans = Suggestion::spans($performance->score(), $performance->part(Timeline::class), School::Singing, $decay);
    $examination = Tarnwind\Core\Pedal\Examiner::examine($performance->part(Timeline::class), $spans, $decay);
    $kinds = array_map(fn ($finding): string => $finding->kind->value, $examination->findings);

    expect(count($spans))->toBeGreaterThan(count($score->measures) / 2)
        ->and($kinds)->not->toContain('muddy-span')
        ->and($kinds)->not->toContain('staccato-under-pedal');
})->with(['SchbAvMaSample.xml', 'Dichterliebe01.xml', 'FaurReveSample.xml', 'BeetAnGeSample.xml']);

it('takes less pedal the cleaner the school', function (): void {
    $performance = Crafts::registry()->performance(MusicXml::score((string) file_get_contents(Corpus::path('SchbAvMaSample.xml'))));
    $decay = new MeasuredDecay;
    $count = fn (School $school): int => count(Suggestion::spans($performance->score(), $performance->part(Timeline::class), $school, $decay));
    $length = fn (School $school): float => array_sum(array_map(fn ($span): float => $span->up->minus($span->down)->toFloat(), Suggestion::spans($performance->score(), $performance->part(Timeline::class), $school, $decay)));

    expect($count(School::Haze))->toBeLessThan($count(School::Clean))
        ->and($length(School::DampersOff))->toBeLessThan($length(School::Singing));
});

it('proposes half pedal where a low note is worth keeping, unless the pedal knows only on and off', function (): void {
    $held = [[28, 0, 0.5, 110, 'L', false]];
    foreach ([60, 64, 67, 65, 64, 62, 60, 64, 67, 65, 64, 60] as $step => $key) {
        $held[] = [$key, 0.5 + 0.5 * $step, 0.5, 80, 'R', false];
    }
    $score = MusicXml::score(MusicXml::texture(['quarters_per_minute' => 100, 'beats_per_bar' => 4, 'notes' => $held]));
    $performance = Crafts::registry()->performance($score);
    $haze = fn (bool $half): array => array_map(fn ($span): Depth => $span->depth, Suggestion::spans($performance->score(), $performance->part(Timeline::class), School::Haze, new MeasuredDecay, $half));

    expect($haze(true))->toContain(Depth::Half)->and($haze(false))->not->toContain(Depth::Half)->not->toBe([]);
});

it('follows the marks of the edition where that is asked for', function (): void {
    $pedal = fn (string $type): string => "<direction><direction-type><pedal type=\"$type\"/></direction-type></direction>";
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes().$pedal('start').MusicXml::note('C3', 8).$pedal('change').MusicXml::note('G3', 8),
        MusicXml::note('C3', 8).$pedal('stop').MusicXml::note('', 8),
    ));
    $spans = Suggestion::of(Crafts::registry()->performance($score), School::AsPrinted);

    expect(array_map(fn ($span): string => "$span->down-$span->up", $spans))->toBe(['0-2', '2-6']);
});
