<?php

declare(strict_types=1);

namespace Tarnwind\Core\Handout;

use Tarnwind\Core\Craft\CopyLayer;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Measure;

/**
 * What is drawn over the engraved lines of a copy, and where its moments are, as schemas/copy.schema.json has it.
 */
final class CopyLayers
{
    /**
     * @param  list<class-string<CopyLayer>>  $layers
     * @return array<string, mixed>
     */
    public static function of(Performance $performance, array $layers): array
    {
        $moments = [];
        foreach ($performance->written->notes as $note) {
            if (! $note->grace) {
                $moments[$note->measure][(string) $note->onset] ??= ['at' => $note->onset->toFloat(), 'notes' => []];
                $moments[$note->measure][(string) $note->onset]['notes'][] = $note->id;
            }
        }

        return [
            'measures' => array_map(fn (Measure $measure): array => [
                'id' => $measure->id, 'number' => $measure->number, 'from' => $measure->start->toFloat(), 'to' => $measure->end()->toFloat(),
                'moments' => array_values($moments[$measure->index] ?? []),
            ], $performance->written->measures),
            'layers' => (object) array_combine(array_map(fn (string $layer): string => $layer::name(), $layers), array_map(fn (string $layer): array => $layer::of($performance), $layers)),
        ];
    }
}
