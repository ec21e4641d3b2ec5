<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;

/**
 * Finds the cadences at the ends of phrases.
 */
final class Cadences
{
    /** Bars, as numerator and denominator: what is shorter leads from one phrase to another, and ends on nothing [start]. */
    private const SHORTEST = [3, 2];

    /** Bars for which a fourth degree must last, or it is the tonic's neighbour [start]. */
    private const PLAGAL = [1, 2];

    /**
     * @param  list<KeyArea>  $keys
     * @param  list<Harmony>  $harmonies
     * @param  list<Boundary>  $boundaries
     * @return list<Cadence>
     */
    public static function find(Score $score, array $keys, array $harmonies, array $boundaries): array
    {
        $chords = Harmony::chords($harmonies);
        $ends = array_map(fn (Boundary $boundary): Fraction => $boundary->at, array_slice($boundaries, 1));
        $found = [];
        $begin = Fraction::zero();
        foreach ([...$ends, $score->end()] as $end) {
            $bar = $score->measureAt($begin)->time->length();
            $isShort = $end->minus($begin)->isLessThan($bar->times(Fraction::of(...self::SHORTEST)));
            $begin = $end;
            if ($isShort && ! $end->equals($score->end())) {
                continue;
            }
            $last = Search::last(count($chords), fn (int $index): bool => $chords[$index]->from->isLessThan($end));
            if (! isset($chords[$last]) || ! $chords[$last]->from->isLessThan($end)) {
                continue;
            }
            $kind = self::kind(KeyArea::keyAt($keys, $chords[$last]->from), $chords[$last - 1] ?? null, $chords[$last], $bar);
            if ($kind !== null) {
                $found[(string) $chords[$last]->from] = new Cadence($kind, $chords[$last]->from);
            }
        }

        return array_values($found);
    }

    /**
     * @param  Fraction  $bar  its length
     */
    private static function kind(Key $key, ?Harmony $before, Harmony $last, Fraction $bar): ?CadenceKind
    {
        $isDominant = fn (?Harmony $chord): bool => $chord !== null && $chord->root === $key->tonic + 1
            && in_array($chord->quality, [Quality::Major, Quality::DominantSeventh], true);
        $isTonic = $last->root === $key->tonic && $last->quality->isConsonant();
        $sixth = $key->minor ? $key->tonic - 4 : $key->tonic + 3;

        return match (true) {
            $isTonic && ($isDominant($before) || self::leads($before, $key)) => CadenceKind::Full,
            $isTonic && $last->inversion === 0 && $before?->inversion === 0 && $before->root === $key->tonic - 1 && $before->quality->isConsonant()
                && ! $before->to->minus($before->from)->isLessThan($bar->times(Fraction::of(...self::PLAGAL))) => CadenceKind::Plagal,
            $isDominant($last) => CadenceKind::Half,
            $isDominant($before) && in_array($last->root, [$sixth, $key->tonic - 4], true) => CadenceKind::Deceptive,
            default => null,
        };
    }

    private static function leads(?Harmony $chord, Key $key): bool
    {
        return $chord !== null && in_array($chord->quality, [Quality::Diminished, Quality::DiminishedSeventh, Quality::HalfDiminishedSeventh], true) && $chord->root === $key->tonic + 5;
    }
}
