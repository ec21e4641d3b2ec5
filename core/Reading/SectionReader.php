<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;

/**
 * Joins phrases into sections: one begins where a repeat begins or ends, where the key or the texture changes for
 * good, or where the beginning comes back. What begins alike has the same letter.
 */
final class SectionReader
{
    /** Bars for which a new key must last, and for which a beginning must come back [start]. */
    private const LASTS = 3;

    private const RETURNS = 2;

    /** Bars that a passage from the midst of the piece must have, and that must lie between it and its return [start]. */
    private const PASSAGE = 4;

    private const BETWEEN = 4;

    /** Bars from the beginning to its return: sooner it is a phrase said twice [start]. */
    private const AWAY = 8;

    /** Share of the bars of a phrase that must have its texture [start]. */
    private const MOST = 0.75;

    private const GRADES = ['ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff'];

    /** Grades between two dynamics that set a section apart [start]. */
    private const CONTRAST = 3;

    /**
     * @param  list<Boundary>  $boundaries
     * @param  list<KeyArea>  $keys
     * @param  list<BarTexture>  $textures
     * @param  list<Likeness>  $likenesses
     * @return array{list<Boundary>, list<Section>} the boundaries, those of sections marked as such, and the sections
     */
    public static function read(Score $score, array $boundaries, array $keys, array $textures, array $likenesses): array
    {
        // Of two reasons for one bar the first is told.
        $reasons = self::jumps($score) + self::newKeys($score, $keys) + self::returns($score, $likenesses);
        $contrasts = self::contrasts($score);
        $marked = [];
        foreach ($boundaries as $index => $boundary) {
            $bar = self::firstFullBar($score, $boundary->at);
            $reason = $index === 0 ? null : $reasons[$bar] ?? $contrasts[(string) $boundary->at] ?? self::newTexture($score, $boundaries, $index, $bar, $textures);
            $marked[] = $reason === null ? $boundary : $boundary->asSection($reason);
        }

        $marked = self::withoutShort($score, $marked, $boundaries, self::jumps($score));

        return [$marked, self::sections($score, $marked, $likenesses)];
    }

    /**
     * What would be a section of less than two bars belongs to the one before it, but for where a repeat begins or ends.
     *
     * @param  list<Boundary>  $marked
     * @param  list<Boundary>  $plain  the same without the marks
     * @param  array<int, string>  $jumps  by bar
     * @return list<Boundary>
     */
    private static function withoutShort(Score $score, array $marked, array $plain, array $jumps): array
    {
        $next = $score->end();
        for ($index = count($marked) - 1; $index > 0; $index--) {
            $at = $marked[$index]->at;
            $least = $score->measureAt($at)->time->length()->times(Fraction::of(self::RETURNS));
            if ($marked[$index]->section && $next->minus($at)->isLessThan($least) && ! isset($jumps[self::firstFullBar($score, $at)])) {
                $marked[$index] = $plain[$index];
            }
            $next = $marked[$index]->section ? $at : $next;
        }

        return array_values($marked);
    }

    /**
     * @return array<int, string> reason by bar
     */
    private static function jumps(Score $score): array
    {
        $bars = [];
        foreach ($score->playbackOrder as $index => $bar) {
            $next = $score->playbackOrder[$index + 1] ?? null;
            if ($next !== null && $next < $bar) {
                $bars[$next] = $bars[$bar + 1] = 'a repeat begins or ends here';
            }
        }

        return $bars;
    }

    /**
     * @param  list<KeyArea>  $keys
     * @return array<int, string> reason by bar
     */
    private static function newKeys(Score $score, array $keys): array
    {
        $bars = [];
        foreach (array_slice($keys, 1) as $area) {
            $bar = $score->measureAt($area->from)->index;
            $last = $score->measureAt($area->to)->index + ($area->to->equals($score->end()) ? 1 : 0);
            if ($last - $bar >= self::LASTS) {
                $bars[$bar] ??= "the key is now {$area->key->inWords()}";
            }
        }

        return $bars;
    }

    /**
     * Passages that come back after something else.
     *
     * @param  list<Likeness>  $likenesses
     * @return array<int, string> reason by bar
     */
    private static function returns(Score $score, array $likenesses): array
    {
        $bars = [];
        foreach ($likenesses as $likeness) {
            $isBeginning = $likeness->like <= 1;
            $comesBack = $likeness->hand === null && $likeness->kind !== LikenessKind::Transposed && ($isBeginning
                ? $likeness->length >= self::RETURNS && $likeness->from - $likeness->like >= self::AWAY
                : $likeness->length >= self::PASSAGE && $likeness->from - $likeness->like >= $likeness->length + self::BETWEEN);
            if ($comesBack) {
                $bars[$likeness->from] = $isBeginning ? 'the beginning comes back' : "bar {$score->measures[$likeness->like]->number} comes back";
            }
        }

        return $bars;
    }

    /**
     * Printed dynamics far from the one before.
     *
     * @return array<string, string> reason by place in quarters
     */
    private static function contrasts(Score $score): array
    {
        $places = [];
        $before = $latest = $at = null;
        foreach ($score->signsOf('dynamics') as $mark) {
            $grade = array_search($mark->value, self::GRADES, true);
            if ($grade === false) {
                continue;
            }
            // Of marks at one place each is measured against the last one before that place.
            [$before, $at] = $at !== null && $mark->onset->equals($at) ? [$before, $at] : [$latest, $mark->onset];
            if ($before !== null && abs($grade - $before) >= self::CONTRAST) {
                $places[(string) $at] ??= "suddenly $mark->value after ".self::GRADES[$before];
            }
            $latest = $grade;
        }

        return $places;
    }

    /**
     * @param  list<Boundary>  $boundaries
     * @param  list<BarTexture>  $textures
     */
    private static function newTexture(Score $score, array $boundaries, int $index, int $bar, array $textures): ?string
    {
        $before = self::usual($textures, $score->measureAt($boundaries[$index - 1]->at)->index, $bar);
        $after = self::usual($textures, $bar, isset($boundaries[$index + 1]) ? $score->measureAt($boundaries[$index + 1]->at)->index : count($textures));

        return $before !== null && $after !== null && $before !== $after ? "the texture is now {$after->inWords()}" : null;
    }

    /**
     * The bar of a boundary, or the one after it for an up-beat.
     */
    private static function firstFullBar(Score $score, Fraction $at): int
    {
        $measure = $score->measureAt($at);
        if (! $measure->beatOrigin()->equals($measure->start)) {
            return $measure->index + 1;
        }
        $late = $at->minus($measure->start)->times(Fraction::of(2));

        return $measure->index + ($measure->length->isLessThan($late) ? 1 : 0);
    }

    /**
     * The texture of most bars of a stretch of some length; null if there is none.
     *
     * @param  list<BarTexture>  $textures
     */
    private static function usual(array $textures, int $from, int $to): ?BarTexture
    {
        $counts = [];
        $bars = array_slice($textures, $from, max(0, $to - $from));
        foreach ($bars as $texture) {
            $counts[$texture->value] = ($counts[$texture->value] ?? 0) + 1;
        }
        arsort($counts);
        $most = array_key_first($counts);

        return $most !== null && count($bars) >= self::LASTS && $counts[$most] >= self::MOST * count($bars) && $most !== BarTexture::Silence->value ? BarTexture::from($most) : null;
    }

    /**
     * @param  list<Boundary>  $boundaries
     * @param  list<Likeness>  $likenesses
     * @return list<Section>
     */
    private static function sections(Score $score, array $boundaries, array $likenesses): array
    {
        $starts = array_values(array_filter($boundaries, fn (Boundary $boundary): bool => $boundary->section));
        $sections = $bars = [];
        $used = 0;
        foreach ($starts as $index => $start) {
            $to = isset($starts[$index + 1]) ? $starts[$index + 1]->at : $score->end();
            $bar = self::firstFullBar($score, $start->at);
            $earlier = self::earlier($bar, $bars, $likenesses);
            $letter = $earlier === null ? self::letter($used++) : $earlier;
            $bars[$bar] = rtrim($letter, '′');
            $sections[] = new Section($letter, $start->at, $to);
        }

        return $sections;
    }

    /**
     * The letter of the section that a bar begins like, with ′ if it is not the same.
     *
     * @param  array<int, string>  $bars  letters by first bar
     * @param  list<Likeness>  $likenesses
     */
    private static function earlier(int $bar, array $bars, array $likenesses): ?string
    {
        foreach ($likenesses as $likeness) {
            $offset = $bar - $likeness->from;
            if ($offset >= 0 && $likeness->length - $offset >= self::RETURNS && isset($bars[$likeness->like + $offset]) && $likeness->hand === null) {
                return $bars[$likeness->like + $offset].($likeness->kind === LikenessKind::Exact ? '' : '′');
            }
        }

        return null;
    }

    private static function letter(int $index): string
    {
        return $index < 26 ? chr(65 + $index) : 'A'.chr(65 + $index % 26);
    }
}
