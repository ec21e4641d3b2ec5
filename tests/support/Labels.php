<?php

declare(strict_types=1);

namespace Tests\support;

use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Boundary;
use Tarnwind\Core\Reading\Cadence;
use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * Compares the reading of the corpus and the demo pieces with what was labelled by hand in tests/Core/Reading/labels.
 * Each comparison gives what agrees, what was compared, and the differences in words.
 *
 * @phpstan-type Agreement array{right: int, compared: int, differences: list<string>}
 */
final class Labels
{
    private const FOLDER = __DIR__.'/../Core/Reading/labels';

    /** @var array<string, array{Score, Reading}> by file name */
    private static array $read = [];

    /**
     * @return array{Score, Reading}
     */
    public static function reading(string $file): array
    {
        if (! isset(self::$read[$file])) {
            $score = ScoreReader::read(Document::open(self::composed($file) ?? (string) file_get_contents(self::path($file))));
            self::$read[$file] = [$score, Reading::of($score)];
        }

        return self::$read[$file];
    }

    private static function path(string $file): string
    {
        $demo = __DIR__."/../../database/demo/$file";

        return is_file($demo) ? $demo : Corpus::path($file);
    }

    /**
     * A piece of labels/composed.json as a file; null where there is none of this title.
     */
    private static function composed(string $title): ?string
    {
        $piece = self::file('composed')['scores'][$title] ?? null;
        // "2= C5 D5" is "C5:2 D5:2".
        $line = function (string $text): string {
            $length = '';
            $notes = [];
            foreach (explode(' ', $text) as $token) {
                str_ends_with($token, '=') ? $length = rtrim($token, '=') : $notes[] = "$token:$length";
            }

            return implode(' ', $notes);
        };

        return $piece === null ? null : MusicXml::piano(array_map(fn (array $bar): array => [$line($bar[0]), $line($bar[1])], $piece['bars']), $piece['time'], $piece['fifths']);
    }

    /**
     * @param  bool  $inversions  whether the bass must agree too
     * @param  string  $labels  name of their file
     * @param  ?string  $only  one of its pieces
     * @return Agreement
     */
    public static function harmonies(bool $inversions, string $labels = 'harmonies', ?string $only = null): array
    {
        $right = $compared = 0;
        $differences = [];
        foreach (self::file($labels)['passages'] as $file => $text) {
            if ($file !== ($only ?? $file)) {
                continue;
            }
            [$score, $reading] = self::reading($file);
            $places = array_map(fn (string $label): array => explode(' ', $label), explode(', ', $text));
            foreach ($places as $index => [$place, $name]) {
                if ($name === '?') {
                    continue;
                }
                $from = self::place($score, $place);
                $to = isset($places[$index + 1]) ? self::place($score, $places[$index + 1][0]) : $score->measureAt($from)->end();
                $read = self::most($reading->harmonies, $from, $to);
                $chord = $read->withAdded(null)->name();
                $says = $inversions ? $chord : explode('/', $chord)[0];
                $wanted = str_replace('m7b5', 'm7♭5', $inversions ? $name : explode('/', $name)[0]);
                $compared++;
                $right += (int) ($says === $wanted);
                if ($says !== $wanted) {
                    $differences[] = "$file $place: $wanted is read as $says";
                }
            }
        }

        return ['right' => $right, 'compared' => $compared, 'differences' => $differences];
    }

    /**
     * @param  string  $labels  name of their file
     * @return array{found: int, missed: int, wrong: int, differences: list<string>}
     */
    public static function phrases(string $labels = 'phrases'): array
    {
        $found = $missed = $wrong = 0;
        $differences = [];
        foreach (self::file($labels)['pieces'] as $file => $heard) {
            [$score, $reading] = self::reading($file);
            $places = fn (string $text): array => array_map(fn (string $place): float => self::place($score, $place)->toFloat(), explode(' ', $text));
            $left = array_map(fn (Boundary $boundary): float => $boundary->at->toFloat(), array_slice($reading->boundaries, 1));
            $hit = fn (float $wanted): array => array_filter($left, fn (float $at): bool => abs($at - $wanted) <= 0.5);
            foreach ($places($heard['begin']) as $wanted) {
                $near = $hit($wanted);
                $near === [] ? $missed++ : $found++;
                $differences = [...$differences, ...($near === [] ? ["$file: no phrase begins at quarter $wanted"] : [])];
                $left = array_diff_key($left, $near);
            }
            foreach ($places($heard['also']) as $either) {
                $left = array_diff_key($left, $hit($either));
            }
            // Only the passage that was labelled counts.
            $left = array_filter($left, fn (float $at): bool => $at <= max([...$places($heard['begin']), ...$places($heard['also'])]) + 0.5);
            $wrong += count($left);
            $differences = [...$differences, ...array_map(fn (float $at): string => "$file: a phrase at quarter $at", array_values($left))];
        }

        return ['found' => $found, 'missed' => $missed, 'wrong' => $wrong, 'differences' => $differences];
    }

    /**
     * Cadences against the labels, by the place they reach (up to a quarter away) and by kind.
     *
     * @param  string  $labels  name of their file
     * @return array{found: int, missed: int, wrong: int, differences: list<string>} wrong: of another kind, or where nobody hears one
     */
    public static function cadences(string $labels = 'cadences'): array
    {
        $found = $missed = $wrong = 0;
        $differences = [];
        foreach (self::file($labels)['pieces'] as $file => $heard) {
            [$score, $reading] = self::reading($file);
            $left = $reading->cadences;
            $near = fn (string $place): array => array_filter($left, fn (Cadence $cadence): bool => abs($cadence->at->minus(self::place($score, $place))->toFloat()) <= 1);
            foreach (explode(', ', $heard['must']) as $label) {
                [$place, $kinds] = explode(' ', $label);
                $there = $near($place);
                $right = array_filter($there, fn (Cadence $cadence): bool => in_array($cadence->kind->value, explode('/', $kinds), true));
                $right === [] ? $missed++ : $found++;
                $wrong += (int) ($right === [] && $there !== []);
                $differences = [...$differences, ...($right === [] ? ["$file $place: $kinds is read as ".(current($there) ?: null)?->kind->value] : [])];
                $left = array_diff_key($left, $there);
            }
            foreach (array_filter(explode(' ', $heard['also'])) as $either) {
                $left = array_diff_key($left, $near($either));
            }
            $wrong += count($left);
            foreach ($left as $cadence) {
                $bar = $score->measureAt($cadence->at);
                $differences[] = "$file $bar->number:{$cadence->at->minus($bar->start)}: a {$cadence->kind->value} cadence";
            }
        }

        return ['found' => $found, 'missed' => $missed, 'wrong' => $wrong, 'differences' => $differences];
    }

    /**
     * @return Agreement
     */
    public static function layers(): array
    {
        $right = $compared = 0;
        $differences = [];
        foreach (self::file('layers')['passages'] as $passage) {
            [$score, $reading] = self::reading($passage['file']);
            [$first, $last] = array_map(intval(...), explode('-', $passage['bars']));
            [$exception, $otherRules] = isset($passage['except']) ? explode(': ', $passage['except']) : ['', ''];
            foreach (self::struck($score) as $chord) {
                $bar = $score->measures[$chord[0]->measure];
                if ((int) $bar->number < $first || (int) $bar->number > $last) {
                    continue;
                }
                foreach ($chord as $index => $note) {
                    $wanted = self::rule($bar->number === $exception ? $otherRules : $passage['rules'], $note, $bar, $index === 0, $index === count($chord) - 1);
                    if ($wanted === null) {
                        continue;
                    }
                    $says = $reading->layers[$note->id]->layer->value;
                    $compared++;
                    $right += (int) ($says === $wanted);
                    if ($says !== $wanted) {
                        $differences[] = "{$passage['file']} bar $bar->number $note->pitch: $wanted is read as $says";
                    }
                }
            }
        }

        return ['right' => $right, 'compared' => $compared, 'differences' => $differences];
    }

    /**
     * @return Agreement
     */
    public static function textures(): array
    {
        $right = $compared = 0;
        $differences = [];
        foreach (self::file('textures')['pieces'] as $file => $textures) {
            [$score, $reading] = self::reading($file);
            foreach ($textures as $wanted => $bars) {
                foreach (explode(' ', $bars) as $range) {
                    [$first, $last] = [...explode('-', $range), $range];
                    foreach (range((int) $first, (int) (str_contains($range, '-') ? $last : $first)) as $number) {
                        $says = $reading->textures[self::measure($score, (string) $number)->index];
                        $compared++;
                        $right += (int) ($says === BarTexture::from($wanted));
                        $differences = [...$differences, ...($says->value === $wanted ? [] : ["$file bar $number: $wanted is read as $says->value"])];
                    }
                }
            }
        }

        return ['right' => $right, 'compared' => $compared, 'differences' => $differences];
    }

    /**
     * @return Agreement
     */
    public static function hands(): array
    {
        $right = $compared = 0;
        $differences = [];
        foreach (self::file('hands')['pieces'] as $file => $text) {
            [$score, $reading] = self::reading($file);
            foreach (explode(', ', $text) as $label) {
                [$place, $pitch, $wanted] = explode(' ', $label);
                $at = self::place($score, $place);
                $notes = array_values(array_filter($score->notes, fn (Note $note): bool => $note->onset->equals($at) && (string) $note->pitch === $pitch));
                // A key that two voices share is right if one of them is.
                $agrees = array_filter($notes, fn (Note $note): bool => $reading->hands[$note->id]->value === $wanted) !== [];
                $compared++;
                $right += (int) $agrees;
                $differences = [...$differences, ...($agrees ? [] : ["$file $place $pitch is not read as $wanted"])];
            }
        }

        return ['right' => $right, 'compared' => $compared, 'differences' => $differences];
    }

    /**
     * The harmony that fills most of a stretch.
     *
     * @param  list<Harmony>  $harmonies
     */
    private static function most(array $harmonies, Fraction $from, Fraction $to): Harmony
    {
        $shared = fn (Harmony $harmony): float => min($to->toFloat(), $harmony->to->toFloat()) - max($from->toFloat(), $harmony->from->toFloat());
        usort($harmonies, fn (Harmony $a, Harmony $b): int => $shared($b) <=> $shared($a));

        return $harmonies[0];
    }

    /**
     * What each staff strikes at each onset, from low to high, without grace notes.
     *
     * @return list<non-empty-list<Note>>
     */
    private static function struck(Score $score): array
    {
        $chords = [];
        foreach ($score->notes as $note) {
            if (! $note->grace) {
                $chords["$note->onset/$note->staff"][] = $note;
            }
        }

        return array_values($chords);
    }

    /**
     * The layer that the first fitting rule gives: "S1v1 melody, S2@0,2 bass, S2low bass".
     */
    private static function rule(string $rules, Note $note, Measure $bar, bool $low, bool $top): ?string
    {
        $offset = (string) $note->onset->minus($bar->start);
        preg_match_all('/S(\d)(?:v(\d+))?(?:@([\d\/,]+?))?(low|top)? (\w+)/', $rules, $matches, PREG_SET_ORDER);
        foreach ($matches as [, $staff, $voice, $offsets, $place, $layer]) {
            $fits = $note->staff === (int) $staff && ($voice === '' || $note->voice === $voice) && ($offsets === '' || in_array($offset, explode(',', $offsets), true))
                && ($place === '' || ($place === 'low' ? $low : $top));
            if ($fits) {
                return $layer;
            }
        }

        return null;
    }

    private static function place(Score $score, string $place): Fraction
    {
        [$number, $offset] = explode(':', $place);

        return self::measure($score, $number)->start->plus(Fraction::parse($offset));
    }

    private static function measure(Score $score, string $number): Measure
    {
        return array_values(array_filter($score->measures, fn (Measure $measure): bool => $measure->number === $number))[0];
    }

    /**
     * @return array<string, mixed>
     */
    private static function file(string $name): array
    {
        return json_decode((string) file_get_contents(self::FOLDER."/$name.json"), true, 16, JSON_THROW_ON_ERROR);
    }
}
