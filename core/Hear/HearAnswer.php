<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Hear\Simulation\FaultKind;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Sound\Loudness;

/**
 * What there is to listen for, as schemas/hear.schema.json has it.
 */
final class HearAnswer implements Answer
{
    public static function restsOn(): array
    {
        return [...Levels::RESTS_ON, Aspect::Hands, Aspect::Lengths, Aspect::Foot];
    }

    public static function excerpt(): ?Excerpt
    {
        return null;
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        $rendition = Renderer::play($performance);
        $lanes = new Lanes($performance);
        $notes = array_column($performance->score()->notes, null, 'id');
        $layers = $performance->reading()->layers;
        $main = array_values(array_filter($rendition->events, fn (KeyEvent $event): bool => $lanes->at($event->startMs) !== null));

        return [
            'foot' => $lanes->foot(FootCurve::planned($rendition->pedal, 0.0)->steps),
            'levels' => array_map(fn (KeyEvent $event): array => [
                'note' => $event->note, 'at' => $notes[$event->note]->onset->toFloat(), 'layer' => $layers[$event->note]->layer->value, 'level' => round(Loudness::decibels($event->velocity), 1),
            ], $main),
            'kinds' => array_map(fn (MeasureKind $kind): array => ['kind' => $kind->value, 'label' => $kind->label(), 'subject' => $kind->subject()->value, 'unit' => $kind->unit()->value], MeasureKind::cases()),
            'faults' => array_map(fn (FaultKind $kind): array => ['kind' => $kind->value, 'label' => $kind->label()], FaultKind::cases()),
        ];
    }
}
