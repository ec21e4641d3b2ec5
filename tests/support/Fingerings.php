<?php

declare(strict_types=1);

namespace Tests\support;

use Tarnwind\Core\Hand\Effort;
use Tarnwind\Core\Hand\FingerPlanner;
use Tarnwind\Core\Hand\Grips;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Rendition\TempoMap;
use Tarnwind\Core\Score\Pitch;

/**
 * Scales and arpeggios with the fingerings they are taught with, and what is planned for them.
 */
final class Fingerings
{
    private const STEPS = ['scales' => ['major' => [0, 2, 4, 5, 7, 9, 11], 'harmonic-minor' => [0, 2, 3, 5, 7, 8, 11]], 'arpeggios' => ['major' => [0, 4, 7], 'minor' => [0, 3, 7]]];

    /**
     * @return list<array{what: string, hand: Hand, tonic: int, keys: list<int>, taught: string}> keys as MIDI numbers, two octaves upwards
     */
    public static function taught(): array
    {
        $data = json_decode((string) file_get_contents(__DIR__.'/../Core/Hand/taught-fingerings.json'), true, 8, JSON_THROW_ON_ERROR);
        $all = [];
        foreach (self::STEPS as $kind => $modes) {
            foreach ($modes as $mode => $steps) {
                foreach (Hand::cases() as $hand) {
                    foreach ($data[$kind][$mode][$hand->value] as $tonic => $taught) {
                        $class = ((Pitch::fifthsOf((string) $tonic) * 7) % 12 + 12) % 12;
                        $base = ($hand === Hand::Left ? 36 : 60) + $class;
                        $keys = [...array_map(fn (int $step): int => $base + $step, $steps), ...array_map(fn (int $step): int => $base + 12 + $step, $steps), $base + 24];
                        $all[] = ['what' => "$tonic $mode $kind, $hand->value hand", 'hand' => $hand, 'tonic' => $class, 'keys' => $keys, 'taught' => (string) $taught];
                    }
                }
            }
        }

        return $all;
    }

    /**
     * The fingering planned for single keys in even time.
     *
     * @param  list<int>  $keys  MIDI numbers
     * @param  array<int, int>  $fixed  finger by place
     */
    public static function line(Hand $hand, array $keys, ?int $tonic = null, array $fixed = [], Effort $effort = new Effort): string
    {
        $notes = implode('', array_map(fn (int $key): string => MusicXml::key($key, 2), $keys));
        $score = MusicXml::score(MusicXml::part(MusicXml::attributes().$notes));
        $byId = [];
        foreach ($fixed as $place => $finger) {
            $byId[$score->notes[$place]->id] = $finger;
        }
        $grips = Grips::of($hand, $score->notes, TempoMap::of($score, 120.0), $effort->spans)->grips;

        return implode('', array_map(fn (array $fingers): string => (string) $fingers[0], FingerPlanner::plan($grips, $effort, array_fill(0, count($grips), $tonic), $byId)));
    }
}
