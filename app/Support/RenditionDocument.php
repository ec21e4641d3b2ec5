<?php

declare(strict_types=1);

namespace App\Support;

use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Rendition\PedalEvent;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Tempo\PlayedBars;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * A plan in sound, as players take it: schemas/rendition.schema.json.
 */
final class RenditionDocument
{
    /**
     * @return array<string, mixed>
     */
    public static function of(Performance $performance): array
    {
        $rendition = Renderer::play($performance);
        $reading = $performance->reading();

        return [
            'events' => array_map(fn (KeyEvent $event): array => [
                'note' => $event->note, 'midi' => $event->midi, 'start_ms' => round($event->startMs, 2), 'end_ms' => round($event->endMs, 2),
                'velocity' => $event->velocity, 'hand' => $reading->hands[$event->note]->value, 'layer' => $reading->layers[$event->note]->layer->value,
            ], $rendition->events),
            'pedal' => array_map(fn (PedalEvent $event): array => ['ms' => round($event->ms, 2), 'value' => $event->value, 'controller' => $event->controller], $rendition->pedal),
            'bars' => PlayedBars::of($performance->score(), $performance->tempo()),
            'steady' => PlayedBars::of($performance->score(), TempoMap::along($performance->course()->steady(), $performance->score())),
        ];
    }
}
