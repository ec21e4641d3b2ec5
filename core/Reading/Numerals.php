<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Pitch;

/**
 * Names harmonies in their keys: roman numerals, chords of other degrees as such, and what is chromatic about them.
 */
final class Numerals
{
    /**
     * @param  list<KeyArea>  $keys
     * @param  list<Harmony>  $harmonies
     * @return list<Harmony> with numerals and remarks
     */
    public static function name(array $keys, array $harmonies): array
    {
        $before = self::before($harmonies);
        $after = array_reverse(self::before(array_reverse($harmonies)));
        $named = [];
        $area = 0;
        foreach ($harmonies as $index => $harmony) {
            while (isset($keys[$area + 1]) && ! $harmony->from->isLessThan($keys[$area]->to)) {
                $area++;
            }
            $key = $keys[$area]->key;
            [$numeral, $remark] = self::special($key, $harmony, $after[$index]);
            $remark ??= self::relation($key, $before[$index], $harmony);
            $named[] = $harmony->called($numeral ?? $key->numeral($harmony->root, $harmony->quality, $harmony->inversion), $remark);
        }

        return $named;
    }

    /**
     * The nearest harmony before each one that is another chord, not the same one inverted.
     *
     * @param  list<Harmony>  $harmonies
     * @return list<?Harmony>
     */
    private static function before(array $harmonies): array
    {
        $before = [];
        foreach ($harmonies as $index => $harmony) {
            $last = $harmonies[$index - 1] ?? null;
            $before[] = $last === null || $last->root !== $harmony->root || $last->quality !== $harmony->quality ? $last : $before[$index - 1];
        }

        return $before;
    }

    /**
     * Chords that are named by what they lead to, or by their place outside the scale.
     *
     * @return array{?string, ?string} numeral and remark; nulls where the chord is an ordinary one
     */
    private static function special(Key $key, Harmony $harmony, ?Harmony $next): array
    {
        $sixth = self::augmentedSixth($key, $harmony);
        if ($sixth !== null) {
            return $sixth;
        }
        if ($harmony->quality === Quality::DiminishedSeventh) {
            return self::diminishedSeventh($key, $harmony, $next);
        }
        if ($harmony->root === $key->tonic - 5 && in_array($harmony->quality, [Quality::Major, Quality::MajorSeventh], true) && self::isDominantNext($key, $next)) {
            return [null, 'the flat second degree (Neapolitan)'];
        }
        $isDominant = $harmony->quality === Quality::Major || $harmony->quality === Quality::DominantSeventh;
        $isLeading = $harmony->quality === Quality::Diminished || $harmony->quality === Quality::HalfDiminishedSeventh;
        $target = $isDominant ? $harmony->root - 1 : ($isLeading ? $harmony->root - 5 : null);
        if ($target === null || $target !== $next?->root || $target === $key->tonic || ! $key->has($target) || self::belongs($key, $harmony)) {
            return [null, null];
        }

        return self::applied($key, $harmony->root, $harmony->quality, $harmony->inversion, $target);
    }

    /**
     * Whether a chord goes on to the dominant, as one of the flat second degree does: itself, its 6/4, or its leading-note chord.
     */
    private static function isDominantNext(Key $key, ?Harmony $next): bool
    {
        return $next !== null && ($next->root === $key->tonic + 1 || $next->bass === $key->tonic + 1
            || $next->quality === Quality::DiminishedSeventh || ($next->root === $key->tonic + 2 && $next->quality === Quality::DominantSeventh));
    }

    /**
     * @return array{string, string}
     */
    private static function applied(Key $key, int $root, Quality $quality, int $inversion, int $target): array
    {
        $degree = $key->numeral($target, self::triadOn($key, $target), 0);
        $name = Pitch::spoken(Pitch::nameAtFifths($target));

        return [
            (new Key($target, false))->numeral($root, $quality, $inversion)."/$degree",
            ($quality === Quality::Major || $quality === Quality::DominantSeventh ? 'dominant' : 'leading-note chord')." of $name",
        ];
    }

    /**
     * The flat sixth degree together with the raised fourth: Italian, French with the second degree, German with the flat third.
     *
     * @return ?array{string, string}
     */
    private static function augmentedSixth(Key $key, Harmony $harmony): ?array
    {
        [$flatSixth, $raisedFourth] = [$key->tonic - 4, $key->tonic + 6];
        $names = array_flip($harmony->names);
        $inChord = $harmony->holds(Pitch::classAtFifths($flatSixth)) && $harmony->holds(Pitch::classAtFifths($raisedFourth));
        if (! isset($names[$flatSixth], $names[$raisedFourth]) || (! $inChord && $harmony->bass !== $flatSixth)) {
            return null;
        }
        $kind = isset($names[$key->tonic + 2]) ? 'Fr' : (isset($names[$key->tonic - 3]) ? 'Ger' : 'It');
        $word = ['Fr' => 'French', 'Ger' => 'German', 'It' => 'Italian'][$kind];

        return ["{$kind}6", "an augmented sixth ($word), which opens outwards to V"];
    }

    /**
     * A diminished seventh has four possible roots: the one that leads to the next root decides, not its spelling.
     *
     * @return array{?string, ?string}
     */
    private static function diminishedSeventh(Key $key, Harmony $harmony, ?Harmony $next): array
    {
        if ($next === null || $next->quality === Quality::DiminishedSeventh) {
            return [null, null];
        }
        $target = Pitch::classAtFifths($next->root);
        if ($harmony->holds(($target + 11) % 12)) {
            $root = $next->root + 5;
            if ($next->root === $key->tonic) {
                return [$key->numeral($root, $harmony->quality, self::inversionOver($harmony, $root)), null];
            }

            return $key->has($next->root) ? self::applied($key, $root, $harmony->quality, self::inversionOver($harmony, $root), $next->root) : [null, null];
        }

        // The 6/4 of the tonic stands for the dominant it goes to.
        $dominant = $key->tonic + 1;
        if ($next->root === $key->tonic && $next->bass === $dominant && $harmony->holds((Pitch::classAtFifths($dominant) + 11) % 12)) {
            return self::applied($key, $dominant + 5, $harmony->quality, self::inversionOver($harmony, $dominant + 5), $dominant);
        }

        return $harmony->holds($target) ? [null, 'a diminished seventh around the next root, which it shares'] : [null, null];
    }

    private static function inversionOver(Harmony $harmony, int $root): int
    {
        $steps = ((Pitch::classAtFifths($harmony->bass ?? $harmony->root) - Pitch::classAtFifths($root)) % 12 + 12) % 12;

        return $steps % 3 === 0 ? intdiv($steps, 3) : 0;
    }

    /**
     * What is unusual about coming from one chord to another.
     */
    private static function relation(Key $key, ?Harmony $before, Harmony $harmony): ?string
    {
        if ($before !== null && $before->root === $harmony->root && $before->quality->hasMinorThird() !== $harmony->quality->hasMinorThird()
            && $harmony->quality->isConsonant() && $before->quality->isConsonant()) {
            return $harmony->quality->hasMinorThird() ? 'minor now: hear the altered third' : 'major now: hear the altered third';
        }
        if (self::belongs($key, $harmony)) {
            return null;
        }
        if ($before !== null && $harmony->quality->isConsonant() && $before->quality === $harmony->quality && in_array(abs($harmony->root - $before->root), [3, 4, 8, 9], true)) {
            return 'a chromatic third from '.Pitch::spoken($before->rootName()).self::inCommon($before, $harmony);
        }
        if (! $key->minor && self::belongs(new Key($key->tonic, true), $harmony) && $harmony->root !== $key->tonic + 1) {
            return 'borrowed from the minor';
        }

        return null;
    }

    /**
     * The note two chords share, by which the ear goes from one to the other.
     */
    private static function inCommon(Harmony $before, Harmony $harmony): string
    {
        foreach ($harmony->quality->fifths() as $step) {
            if (in_array(Pitch::classAtFifths($harmony->root + $step), $before->pitchClasses(), true)) {
                return ': '.Pitch::spoken(Pitch::nameAtFifths($harmony->root + $step)).' stays';
            }
        }

        return '';
    }

    private static function belongs(Key $key, Harmony $harmony): bool
    {
        foreach ($harmony->quality->fifths() as $step) {
            if (! $key->has($harmony->root + $step)) {
                return false;
            }
        }

        return true;
    }

    /**
     * The triad the scale has on a degree; in minor the one of the unaltered scale.
     */
    private static function triadOn(Key $key, int $root): Quality
    {
        $distance = $root - $key->tonic + ($key->minor ? 3 : 0);

        return $distance <= 1 ? Quality::Major : ($distance <= 4 ? Quality::Minor : Quality::Diminished);
    }
}
