<?php

declare(strict_types=1);

use Tarnwind\Core\Hand\Fingering;
use Tarnwind\Core\Hand\Joints;
use Tarnwind\Core\Pedal\Planner;
use Tarnwind\Core\Pedal\Policy;
use Tarnwind\Core\Pedal\Resonance;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Pedal\TimelineBuilder;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Performance\PrintedDynamics;
use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Reading\Quality;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Sound\Acoustics;
use Tarnwind\Core\Sound\Decay;
use Tarnwind\Core\Sound\MeasuredDecay;
use Tarnwind\Core\Sound\SmoothDecay;
use Tarnwind\Core\Tempo\TempoMap;
use Tarnwind\Core\Touch\KeyLengths;
use Tests\support\MusicXml;

/**
 * @return array<string, array<string, mixed>> textures by id
 */
function textures(): array
{
    $data = json_decode((string) file_get_contents(__DIR__.'/worked-textures.json'), true, 64, JSON_THROW_ON_ERROR);

    return array_column($data['cases'], null, 'id');
}

/**
 * The harmonies a texture states, as chords.
 *
 * @return list<Harmony>
 */
function stated(array $texture): array
{
    return array_map(function (array $harmony): Harmony {
        [$from, $to, $classes] = $harmony;
        foreach (Quality::cases() as $quality) {
            for ($root = 0; $root < 12; $root++) {
                $chord = array_map(fn (int $interval): int => ($root + $interval) % 12, $quality->intervals());
                sort($chord);
                if ($chord === $classes) {
                    return new Harmony(Fraction::of($from), Fraction::of($to), ($root * 7) % 12, $quality, null, 0, []);
                }
            }
        }
        throw new LogicException('No chord has these notes.');
    }, $texture['harmonies']);
}

/**
 * @return list<array{float, float}> spans in quarters
 */
function planned(array $texture, string $school, Decay $decay, bool $stated): array
{
    $score = MusicXml::score(MusicXml::texture($texture));
    $reading = Reading::of($score);
    $tempo = TempoMap::of($score);
    $joints = new Joints(Fingering::of($score, $reading, $tempo), $reading, $tempo);
    $set = TimelineBuilder::build($score, $reading, $stated ? stated($texture) : $reading->harmonies, $tempo, $joints, KeyLengths::of($score, $tempo), Levels::printed($score), new PrintedDynamics($score));

    return array_map(
        fn (array $span): array => [$set->moments[$span[0]]->at->toFloat(), $set->moments[$span[1]]->at->toFloat()],
        Planner::plan($set, new Policy(School::from($school)->weights(), [Depth::full(), Depth::half()]), new Resonance($set, new Acoustics($decay))),
    );
}

it('pedals as a teacher would accept', function (array $texture, string $school, Decay $decay, bool $stated): void {
    $spans = planned($texture, $school, $decay, $stated);
    $expected = $texture['expected'][$school];
    if (isset($expected['spans'])) {
        expect($spans)->toEqual($expected['spans']);
    }
    foreach ($expected['changes_at'] ?? [] as $change) {
        expect(array_column($spans, 0))->toContain((float) $change);
    }
    foreach ($expected['dry_after'] ?? [] as $onset) {
        foreach ($spans as [$down, $up]) {
            expect($down < $onset && $up > $onset)->toBeFalse();
        }
    }
})->with(function (): iterable {
    foreach (textures() as $id => $texture) {
        foreach (array_keys($texture['expected']) as $school) {
            foreach (['measured' => new MeasuredDecay, 'smooth' => new SmoothDecay] as $name => $decay) {
                yield "$id, $school, $name decay, harmonies stated" => [$texture, $school, $decay, true];
                yield "$id, $school, $name decay, harmonies read" => [$texture, $school, $decay, false];
            }
        }
    }
});

it('moves the foot at least as often where it is lower or louder', function (string $school): void {
    $moves = function (string $id) use ($school): int {
        $spans = planned(textures()[$id], $school, new MeasuredDecay, true);

        return count($spans) + count(array_filter($spans, fn (array $span): bool => ! in_array($span[1], array_column($spans, 0), true)));
    };
    expect($moves('Dlow'))->toBeGreaterThanOrEqual($moves('Dlowsoft'))
        ->and($moves('Dlow'))->toBeGreaterThanOrEqual($moves('Dhighloud'))
        ->and($moves('Dlowsoft'))->toBeGreaterThanOrEqual($moves('Dhigh'))
        ->and($moves('Dhighloud'))->toBeGreaterThanOrEqual($moves('Dhigh'));
})->with(['singing', 'clean', 'haze']);
