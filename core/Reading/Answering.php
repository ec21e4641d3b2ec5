<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;

/**
 * Tells statement and answer: two phrases that begin alike, the second of which comes home where the first has not.
 */
final class Answering
{
    /** Share of a phrase that must be like the other [start]. */
    private const ALIKE = 0.5;

    /**
     * @param  list<Likeness>  $likenesses
     * @param  list<Boundary>  $boundaries
     * @param  list<Cadence>  $cadences
     * @return list<Likeness> those that answer marked as such
     */
    public static function mark(Score $score, array $likenesses, array $boundaries, array $cadences): array
    {
        /** @var array<int, array{Fraction, Fraction}> $phrases by first bar */
        $phrases = [];
        foreach ($boundaries as $index => $boundary) {
            $bar = $score->measureAt($boundary->at);
            $late = ! $boundary->at->equals($bar->start) && isset($score->measures[$bar->index + 1]) ? 1 : 0;
            $phrases[$bar->index + $late] = [$boundary->at, isset($boundaries[$index + 1]) ? $boundaries[$index + 1]->at : $score->end()];
        }

        return array_map(function (Likeness $likeness) use ($score, $phrases, $cadences): Likeness {
            $statement = $phrases[$likeness->like] ?? null;
            $answer = $phrases[$likeness->from] ?? null;
            if ($statement === null || $answer === null || $likeness->hand !== null || $likeness->kind === LikenessKind::Transposed) {
                return $likeness;
            }
            $alike = $likeness->length * $score->measures[$likeness->from]->time->length()->toFloat() / max(1e-9, $answer[1]->minus($answer[0])->toFloat());
            $answers = $alike >= self::ALIKE && self::ends($cadences, $answer) === CadenceKind::Full && self::ends($cadences, $statement) === CadenceKind::Half;

            return $answers ? $likeness->answering() : $likeness;
        }, $likenesses);
    }

    /**
     * The last cadence of a phrase.
     *
     * @param  list<Cadence>  $cadences
     * @param  array{Fraction, Fraction}  $phrase
     */
    private static function ends(array $cadences, array $phrase): ?CadenceKind
    {
        $within = array_filter($cadences, fn (Cadence $cadence): bool => $phrase[0]->isLessThan($cadence->at) && $cadence->at->isLessThan($phrase[1]));

        return array_pop($within)?->kind;
    }
}
