<?php

declare(strict_types=1);

namespace Tests\support;

use Tarnwind\Core\Hand\Effort;
use Tarnwind\Core\Hand\Fingering;
use Tarnwind\Core\Hand\FingerPlanner;
use Tarnwind\Core\Hand\Grips;
use Tarnwind\Core\Hand\Hold;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Pitch;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\TempoMap;
use Tarnwind\Core\Touch\KeyLengths;
use Tarnwind\Core\Touch\Profile;
use Tarnwind\Core\Touch\Style;

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

    /**
     * How many fingers agree.
     *
     * @param  list<string>  $wanted  by stroke
     * @param  list<string>  $found
     */
    private static function same(array $wanted, array $found): int
    {
        $same = 0;
        foreach ($wanted as $place => $fingers) {
            foreach (str_split($fingers) as $index => $finger) {
                $same += (int) (($found[$place][$index] ?? '') === $finger);
            }
        }

        return $same;
    }

    /**
     * Passages fingered by hand against what is planned for them, with the lifts of the lyrical style and the holds where
     * they are given.
     *
     * @param  string  $file  in tests/Core/Hand
     * @return list<array{passage: string, right: int, compared: int, differences: list<string>}>
     */
    public static function judged(string $file = 'judged-passages.json'): array
    {
        $data = json_decode((string) file_get_contents(__DIR__."/../Core/Hand/$file"), true, 8, JSON_THROW_ON_ERROR);

        return array_map(function (array $passage): array {
            [$score, $reading] = Labels::reading($passage['piece']);
            $hand = Hand::from($passage['hand']);
            $tempo = TempoMap::of($score);
            $fingering = Fingering::of($score, $reading, $tempo);
            $bars = array_map(strval(...), array_keys($passage['fingers']));
            $notes = array_values(array_filter($score->notes, fn (Note $note): bool => $reading->hands[$note->id] === $hand && in_array($score->measures[$note->measure]->number, $bars, true)));
            $planned = self::strokes($score, $notes, $fingering);
            $right = $compared = 0;
            $differences = [];
            foreach ($passage['fingers'] as $bar => $judged) {
                $mine = $planned[$bar] ?? [];
                $ways = explode('|', $judged);
                $right += max(array_map(fn (string $way): int => self::same(explode(' ', $way), $mine), $ways));
                $compared += strlen(str_replace(' ', '', $ways[0]));
                if (! in_array(implode(' ', $mine), $ways, true)) {
                    $differences[] = "bar $bar: $judged is planned as ".implode(' ', $mine);
                }
            }
            $places = fn (array $found): string => implode(', ', $found);
            $lengths = KeyLengths::of($score, $tempo, new Style(Profile::Lyrical));
            $lifts = $holds = [];
            foreach ($notes as $note) {
                $place = self::place($score, $note);
                if (isset($lengths[$note->id]) && $lengths[$note->id]->ends && ! in_array($place, $lifts, true)) {
                    $lifts[] = $place;
                }
            }
            foreach (Hold::of($fingering, $hand) as $hold) {
                if (in_array($hold->note, $notes, true)) {
                    $holds[] = self::place($score, $hold->note)." $hold->finger";
                }
            }
            foreach (array_intersect_key(['lifts' => $lifts, 'holds' => $holds], $passage) as $what => $found) {
                $asked = array_filter(explode(', ', $passage[$what]));
                $compared += count($asked);
                $right += count(array_intersect($asked, $found));
                if (array_diff($asked, $found) !== [] || array_diff($found, $asked) !== []) {
                    $differences[] = "$what: {$passage[$what]} are found as {$places($found)}";
                }
            }

            return ['passage' => "{$passage['piece']}, {$passage['hand']} hand", 'right' => $right, 'compared' => $compared, 'differences' => $differences];
        }, $data['passages']);
    }

    /**
     * @param  list<Note>  $notes  of one hand
     * @return array<string, list<string>> fingers of what is struck together, from the lowest key up, by number of the bar
     */
    private static function strokes(Score $score, array $notes, Fingering $fingering): array
    {
        $strokes = [];
        $last = null;
        foreach ($notes as $note) {
            $bar = $score->measures[$note->measure]->number;
            $finger = (string) ($fingering->notes[$note->id] ?? null)?->finger;
            if ($last !== null && ! $note->grace && ! $last->grace && $last->onset->equals($note->onset)) {
                $strokes[$bar][count($strokes[$bar]) - 1] .= $finger;
            } else {
                $strokes[$bar][] = $finger;
            }
            $last = $note;
        }

        return $strokes;
    }

    private static function place(Score $score, Note $note): string
    {
        $measure = $score->measures[$note->measure];

        return "$measure->number:".$note->onset->minus($measure->start);
    }
}
