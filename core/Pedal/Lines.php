<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * The bars in which one line or two of equal right run and nothing else sounds: there the pedal has nothing to hold together.
 */
final class Lines
{
    /** Of the bar and its two neighbours so many must be such bars [start]. */
    private const LEAST = 2;

    /** Share of the bars that must be counterpoint for the rest of a piece in two parts to be heard as that [start]. */
    private const MOST = 0.5;

    /**
     * @param  list<BarTexture>  $textures  by bar
     * @return array<int, true> by index of the bar
     */
    public static function in(Score $score, array $textures): array
    {
        $thin = self::thin($score);
        $counterpoint = BarTexture::Counterpoint->share($textures) >= self::MOST;
        $lines = [];
        foreach ($textures as $bar => $texture) {
            $lines[$bar] = isset($thin[$bar]) && ($counterpoint || in_array($texture, [BarTexture::Counterpoint, BarTexture::Unison], true));
        }
        $result = [];
        foreach ($lines as $bar => $isLine) {
            $near = array_filter([$lines[$bar - 1] ?? true, $isLine, $lines[$bar + 1] ?? true]);
            if ($isLine && count($near) >= self::LEAST) {
                $result[$bar] = true;
            }
        }

        return $result;
    }

    /**
     * Bars in which never more than two keys are down.
     *
     * @return array<int, true>
     */
    private static function thin(Score $score): array
    {
        $thin = array_fill_keys(array_column($score->measures, 'index'), true);
        /** @var list<Note> $down */
        $down = [];
        foreach ($score->notes as $note) {
            if ($note->grace) {
                continue;
            }
            $down = array_values(array_filter($down, fn (Note $held): bool => $note->onset->isLessThan($held->end()) && $held->midi !== $note->midi));
            $down[] = $note;
            if (count($down) > 2) {
                unset($thin[$note->measure]);
            }
        }

        return $thin;
    }
}
