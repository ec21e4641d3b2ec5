<?php

declare(strict_types=1);

namespace App\Takes;

use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\Mended;
use Tarnwind\Core\Hear\Mending;
use Tarnwind\Core\Hear\Run;
use Tarnwind\Core\Hear\Sounding;
use Tarnwind\Core\Take\FootMove;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Tempo\PlayedBars;

/**
 * A take as players of renditions take it: schemas/rendition.schema.json.
 */
final class TakeSound
{
    /**
     * @param  ?Mending  $mending  what of it is put right; null for as it was played
     * @return array<string, mixed>
     */
    public static function of(Comparison $comparison, ?Mending $mending): array
    {
        $sounding = $mending === null ? Sounding::played($comparison) : Mended::of($comparison, $mending);
        $reading = $comparison->performance->reading();
        $bars = self::bars($comparison, $mending === Mending::Time);

        return [
            'events' => array_map(fn (PlayedNote $note, ?string $id): array => [
                'note' => $id ?? '', 'midi' => $note->midi, 'start_ms' => round($note->onset, 2), 'end_ms' => round($note->release, 2), 'velocity' => $note->velocity,
                'hand' => $id === null ? 'right' : $reading->hands[$id]->value, 'layer' => $id === null ? 'filling' : $reading->layers[$id]->layer->value,
            ], $sounding->take->notes, $sounding->ids),
            'pedal' => array_map(fn (FootMove $move): array => ['ms' => round($move->ms, 2), 'value' => $move->value, 'controller' => $move->controller], $sounding->take->foot),
            'bars' => $bars, 'steady' => $bars,
        ];
    }

    /**
     * When the bars of the score came in the take.
     *
     * @return list<array{measure: int, ms: float, beats: list<float>}>
     */
    private static function bars(Comparison $comparison, bool $inTime): array
    {
        $planned = PlayedBars::of($comparison->performance->score(), $comparison->performance->tempo());
        $bars = [];
        $later = 0.0;
        foreach ($comparison->runs as $run) {
            $at = $inTime ? fn (float $ms): float => $later + ($ms - $run->first()->planned) * $run->pace() : $run->played(...);
            foreach (self::within($planned, $run) as $bar) {
                $bars[] = ['measure' => $bar['measure'], 'ms' => round(max(0.0, $at($bar['ms'])), 2), 'beats' => array_map(fn (float $beat): float => round(max(0.0, $at($beat)), 2), $bar['beats'])];
            }
            $later = $inTime ? $at($run->last()->planned) + Mended::BETWEEN : 0.0;
        }

        return $bars;
    }

    /**
     * @param  list<array{measure: int, ms: float, beats: list<float>}>  $bars
     * @return list<array{measure: int, ms: float, beats: list<float>}>
     */
    private static function within(array $bars, Run $run): array
    {
        return array_slice($bars, $run->first()->turn, $run->last()->turn - $run->first()->turn + 1);
    }
}
