<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Reading\LayeredNote;

/**
 * A plan in sound: when each key and the pedal move, in playing order, and how loud.
 */
final readonly class Rendition
{
    /**
     * @param  list<KeyEvent>  $events  by start
     * @param  list<PedalEvent>  $pedal  by time
     * @param  list<array{float, float}>  $tempo  played quarter and quarters a minute from there
     */
    public function __construct(
        public array $events,
        public array $pedal,
        public array $tempo,
    ) {
    }

    /**
     * @param  array<string, LayeredNote>  $layers  by note id
     * @return array{events: list<array<string, mixed>>, pedal: list<array<string, mixed>>} for other programs
     */
    public function toArray(array $layers): array
    {
        return [
            'events' => array_map(fn (KeyEvent $event): array => [
                'note' => $event->note, 'midi' => $event->midi, 'start_ms' => round($event->startMs, 3), 'end_ms' => round($event->endMs, 3),
                'velocity' => $event->velocity, 'level_db' => round(Levels::sum($event->ledger), 3), 'layer' => $layers[$event->note]->layer->value, 'ledger' => array_map(fn (LedgerEntry $entry): array => $entry->toArray(), $event->ledger),
            ], $this->events),
            'pedal' => array_map(fn (PedalEvent $event): array => [
                'ms' => round($event->ms, 3), 'controller' => $event->controller, 'value' => $event->value,
            ], $this->pedal),
        ];
    }
}
