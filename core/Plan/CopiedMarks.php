<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use stdClass;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Score;

/**
 * A plan with the marks of some bars copied onto bars that are like them. Marks of these kinds that the other bars had
 * give way.
 */
final readonly class CopiedMarks
{
    /**
     * @param  int  $copied  how many marks
     * @param  list<Mark>  $lost  those that have no place in the other bars, for want of their notes
     */
    private function __construct(
        public Plan $plan,
        public int $copied,
        public array $lost,
    ) {
    }

    /**
     * @param  int  $to  index of the first of the other bars, which do not overlap with these
     */
    public static function of(Plan $plan, Score $score, Bars $bars, int $to): self
    {
        $matching = Matching::within($score, $bars, $to);
        $barOf = $score->barsById();
        $other = new Bars($to, $to + $bars->count() - 1);
        $copies = $kinds = $lost = [];
        $taken = array_fill_keys(array_map(fn (Mark $mark): string => $mark->id(), $plan->marks), true);
        foreach ($plan->marks as $mark) {
            $places = self::bars($mark, $barOf);
            if (array_filter($places, $bars->has(...)) === [] || self::isOfPractice($mark)) {
                continue;
            }
            $copy = $mark->carried($matching);
            if ($copy !== null) {
                $copies[] = self::named($copy, $taken);
                $kinds[$copy::class] = true;
            } elseif ($bars->has($places[0])) {
                $lost[] = $mark;
            }
        }
        $kept = array_filter($plan->marks, function (Mark $mark) use ($kinds, $other, $barOf): bool {
            $places = self::bars($mark, $barOf);
            // A mark on notes may be on others too, and stays for them; one between places goes by where it begins.
            $inside = $mark->anchors()->notes === [] ? array_slice($places, 0, 1) : $places;

            return ! isset($kinds[$mark::class]) || $places === [] || array_filter($inside, fn (int $bar): bool => ! $other->has($bar)) !== [];
        });

        return new self($plan->withMarks([...array_values($kept), ...$copies]), count($copies), $lost);
    }

    /**
     * Whether a mark says nothing of what is played, only of how it is practised: that is done once for like bars.
     */
    private static function isOfPractice(Mark $mark): bool
    {
        return $mark::bearsOn() === [Aspect::Practice];
    }

    /**
     * The bars a mark stands in, the one it begins in first.
     *
     * @param  array<string, int>  $barOf
     * @return list<int>
     */
    private static function bars(Mark $mark, array $barOf): array
    {
        $anchors = $mark->anchors();

        return array_values(array_filter(array_map(fn (string $id): ?int => $barOf[$id] ?? null, [...$anchors->notes, ...$anchors->measures]), fn (?int $bar): bool => $bar !== null));
    }

    /**
     * A mark under a name of its own.
     *
     * @param  array<string, true>  $taken  names, this one added
     */
    private static function named(Mark $mark, array &$taken): Mark
    {
        $number = 1;
        do {
            $id = substr($mark->id(), 0, 40).'-'.++$number;
        } while (isset($taken[$id]));
        $taken[$id] = true;
        $document = json_decode(json_encode([...$mark->toArray(), 'id' => $id], JSON_THROW_ON_ERROR), false, 16, JSON_THROW_ON_ERROR);
        assert($document instanceof stdClass);

        return $mark::read(new Fields($document));
    }
}
