<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;

/**
 * Finds the cadences at the ends of phrases: of the chords around each end the one that is most a goal by harmony, bass
 * and metre. All weights are ours [start].
 */
final readonly class Cadences
{
    /** Bars, as numerator and denominator: what is shorter leads from one phrase to another, and mostly ends on nothing. */
    private const SHORTEST = [3, 2];

    /** Bars before the end of a phrase within which its goal is looked for. */
    private const WINDOW = [2, 1];

    /** Bars for which a fourth degree must last, or it is the tonic's neighbour. */
    private const PLAGAL = [1, 2];

    /** How much each kind is a goal; and a full cadence in another key than that of the place. */
    private const KINDS = ['full' => 1.0, 'half' => 0.7, 'deceptive' => 0.6, 'plagal' => 0.6];

    private const ELSEWHERE = -0.2;

    /** By the rank of its place in the bar. */
    private const PLACE = [-0.3, 0.0, 0.15, 0.3];

    /** The dominant stands on its root; a half cadence is led to by its own dominant or a 6/4. */
    private const PREPARED = 0.2;

    /** A half cadence on a chord that has come after another goal and stays to the end of the phrase. */
    private const STAYS = 0.6;

    /** For each bar that passes between the goal and the end of the phrase. */
    private const AWAY = -0.3;

    private const THRESHOLD = 0.6;

    /** Strength of a boundary that is clear. */
    private const CLEAR = 0.7;

    /** What a short stretch must bring. */
    private const CERTAIN = 1.4;

    /**
     * @param  list<Harmony>  $chords  one a chord
     * @param  array<string, ?int>  $basses  by where a harmony begins, the bass of the one before, on the line of fifths
     * @param  list<KeyArea>  $keys
     */
    private function __construct(private Score $score, private array $chords, private array $basses, private array $keys)
    {
    }

    /**
     * @param  list<KeyArea>  $keys
     * @param  list<Harmony>  $harmonies
     * @param  list<Boundary>  $boundaries
     * @return list<Cadence> by place
     */
    public static function find(Score $score, array $keys, array $harmonies, array $boundaries): array
    {
        $basses = [];
        foreach ($harmonies as $harmony) {
            $basses[(string) $harmony->to] = $harmony->bass;
        }
        $cadences = new self($score, Harmony::chords($harmonies), $basses, $keys);
        $found = [];
        $last = null;
        $begin = Fraction::zero();
        $ends = [...array_map(fn (Boundary $boundary): array => [$boundary->at, $boundary->strength >= self::CLEAR], array_slice($boundaries, 1)), [$score->end(), true]];
        foreach ($ends as [$end, $isClear]) {
            $isShort = $end->minus($begin)->isLessThan($score->measureAt($begin)->time->length()->times(Fraction::of(...self::SHORTEST)));
            $cadence = $cadences->at($begin, $end, $isClear, $isShort && ! $end->equals($score->end()) ? self::CERTAIN : self::THRESHOLD);
            // The first chord of a phrase ends the one before, but where that has ended already and been led on.
            $isLedOn = $cadence !== null && $cadence->at->equals($begin) && $last !== null && $cadence->at->minus($last->at)->compareTo($cadences->window($begin)) <= 0;
            $begin = $end;
            if ($cadence !== null && ! $isLedOn) {
                $found[(string) $cadence->at] ??= $cadence;
                $last = $cadence;
            }
        }

        return array_values($found);
    }

    /**
     * Whether a chord goes to the next as its dominant, struck late and soon left or over its root, so that no phrase ends between them.
     *
     * @param  list<Harmony>  $chords
     */
    public static function leadsOn(Score $score, array $chords, int $index): bool
    {
        if (! isset($chords[$index], $chords[$index + 1]) || ! $chords[$index + 1]->quality->isConsonant() || ! self::arrives($chords, $index + 1)) {
            return false;
        }
        $chord = $chords[$index];
        $bar = $score->measureAt($chord->from);
        $half = $bar->time->length()->times(Fraction::of(1, 2));

        return $chord->bass === $chords[$index + 1]->root || (! $chord->from->equals($bar->start) && $chord->to->minus($chord->from)->isLessThan($half));
    }

    private function window(Fraction $at): Fraction
    {
        return $this->score->measureAt($at)->time->length()->times(Fraction::of(...self::WINDOW));
    }

    /**
     * @param  bool  $isClear  whether it is clear that a phrase ends at the end
     */
    private function at(Fraction $begin, Fraction $end, bool $isClear, float $threshold): ?Cadence
    {
        $last = Search::last(count($this->chords), fn (int $index): bool => $this->chords[$index]->from->isLessThan($end));
        if (! isset($this->chords[$last]) || ! $this->chords[$last]->from->isLessThan($end)) {
            return null;
        }
        if (self::leadsOn($this->score, $this->chords, $last)) {
            $last++;
        }
        $bar = $this->score->measureAt($end->equals($this->score->end()) ? $this->chords[$last]->from : $end)->time->length();
        $from = Fraction::max($begin, $end->minus($bar->times(Fraction::of(...self::WINDOW))));
        $best = null;
        $most = $threshold;
        for ($index = $last; $index >= 0 && ($index === $last || ! $this->chords[$index]->from->isLessThan($from)); $index--) {
            [$kind, $value] = $this->judge($index, $bar, $end, $isClear, $index === $last) ?? [null, 0.0];
            // A chord that has long been there is what a phrase stays on, but for the last of the piece.
            if ($kind === CadenceKind::Full && $this->chords[$index]->from->isLessThan($from) && ! $end->equals($this->score->end())) {
                continue;
            }
            $value += self::AWAY * max(0.0, $end->minus($this->chords[$index]->to)->toFloat()) / $bar->toFloat();
            if ($kind !== null && $value >= $most) {
                [$best, $most] = [new Cadence($kind, $this->chords[$index]->from), $value];
            }
        }

        return $best;
    }

    /**
     * The kind of cadence a chord is the goal of, and how much it is one.
     *
     * @param  Fraction  $bar  its length
     * @param  Fraction  $end  of the phrase
     * @param  bool  $isClear  whether it is clear that it ends there
     * @return ?array{CadenceKind, float}
     */
    private function judge(int $index, Fraction $bar, Fraction $end, bool $isClear, bool $isLast): ?array
    {
        $chord = $this->chords[$index];
        $before = $this->chords[$index - 1] ?? null;
        $next = $this->chords[$index + 1] ?? null;
        $key = KeyArea::keyAt($this->keys, $chord->from);
        $measure = $this->score->measureAt($chord->from);
        $value = self::PLACE[Slice::rank($measure->time->weightAt($chord->from->minus($measure->beatOrigin())))];
        $isDominant = $chord->root === $key->tonic + 1 && self::isDominant($chord);
        $half = $bar->times(Fraction::of(1, 2));
        $isLong = ! $chord->to->minus($chord->from)->isLessThan($bar);
        $isHome = $chord->root === $key->tonic && $chord->quality->isConsonant();
        if ($before !== null && $chord->quality->isConsonant() && $chord->inversion === 0 && self::arrives($this->chords, $index)) {
            $onRoot = $this->basses[(string) $chord->from] === $chord->root + 1;
            $sixFour = $onRoot && ($this->chords[$index - 2] ?? null)?->root === $chord->root && $this->basses[(string) $before->from] === $before->root;
            $staysToEnd = ! $chord->to->plus($half)->isLessThan($end);
            if ($isHome || $sixFour || ($onRoot && $staysToEnd && ! $isDominant && $before->quality === Quality::DominantSeventh)) {
                return [CadenceKind::Full, $value + self::KINDS['full'] + ($isHome ? 0.0 : self::ELSEWHERE) + ($onRoot ? self::PREPARED : 0.0)];
            }
        }
        // A seventh that goes home at once is open only where a phrase ends without doubt.
        $isOpen = $isDominant && ($chord->quality === Quality::Major || $next?->root !== $key->tonic || $isClear);
        if ($isLast && $chord->inversion === 0 && ($isOpen || ($isLong && $chord->quality === Quality::DominantSeventh && $next?->root !== $chord->root - 1))) {
            $stays = ! $chord->to->minus($chord->from)->isLessThan($half) && ! $chord->to->isLessThan($end);
            $isPrepared = $before !== null && (self::leads($before, $chord->root) || $this->basses[(string) $chord->from] === $chord->root);

            return [CadenceKind::Half, $value + self::KINDS['half'] + ($isPrepared ? self::PREPARED : 0.0) + ($stays ? self::STAYS : 0.0)];
        }
        // A dominant whose own dominant leads to it is a goal, even where the bass goes on before the phrase ends.
        if ($before !== null && $isDominant && $chord->quality === Quality::Major && $chord->inversion === 0 && self::leads($before, $chord->root)) {
            return [CadenceKind::Half, $value + self::KINDS['half'] + self::PREPARED];
        }
        if ($isHome && $chord->inversion === 0 && $before?->inversion === 0 && $before->root === $key->tonic - 1 && $before->quality->isConsonant()
            && ! $before->to->minus($before->from)->isLessThan($bar->times(Fraction::of(...self::PLAGAL)))) {
            return [CadenceKind::Plagal, $value + self::KINDS['plagal']];
        }
        $isFalse = $before !== null && $before->root === $key->tonic + 1 && self::isDominant($before)
            && in_array($chord->root, [$key->minor ? $key->tonic - 4 : $key->tonic + 3, $key->tonic - 4], true);

        return $isFalse && $isLast ? [CadenceKind::Deceptive, $value + self::KINDS['deceptive']] : null;
    }

    /**
     * Whether a chord is reached from its dominant, which may have had a passing chord over its root.
     *
     * @param  list<Harmony>  $chords
     */
    private static function arrives(array $chords, int $index): bool
    {
        [$root, $before, $earlier] = [$chords[$index]->root, $chords[$index - 1], $chords[$index - 2] ?? null];

        return self::leads($before, $root) || ($before->bass === $root + 1 && $earlier !== null && self::leads($earlier, $root));
    }

    private static function leads(Harmony $chord, int $root): bool
    {
        return ($chord->root === $root + 1 && self::isDominant($chord))
            || ($chord->root === $root + 5 && in_array($chord->quality, [Quality::Diminished, Quality::DiminishedSeventh, Quality::HalfDiminishedSeventh], true));
    }

    private static function isDominant(Harmony $chord): bool
    {
        return in_array($chord->quality, [Quality::Major, Quality::DominantSeventh], true);
    }
}
