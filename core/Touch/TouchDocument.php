<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Pedal\Span;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Rendition\TempoMap;
use Tarnwind\Core\Score\Score;

/**
 * How notes are struck and left, as schemas/touch.schema.json has it.
 */
final class TouchDocument
{
    /**
     * @param  list<Span>  $spans  of the pedal
     * @param  array<string, Articulation>  $own  the teacher's, by note id
     * @return array<string, mixed>
     */
    public static function of(Score $score, Reading $reading, TempoMap $tempo, array $spans, Profile $profile, array $own): array
    {
        $lengths = KeyLengths::of($score, $tempo, $profile, $own);
        $heard = new Heard($score, $tempo, $lengths, $spans);

        return [
            'lengths' => array_values(array_map(fn (KeyLength $length): array => [
                'note' => $length->note->id, 'name' => $length->note->pitch->spokenName().$length->note->pitch->octave, 'midi' => $length->note->midi,
                'hand' => $reading->hands[$length->note->id]->value, 'at' => round($length->note->onset->toFloat(), 4), 'left' => round($length->left(), 4),
                'heard' => round($heard->until($length), 4), 'ms' => (int) round(1000 * ($tempo->seconds($length->left()) - $tempo->seconds($length->note->onset))),
                'articulation' => $length->articulation?->value, 'own' => $length->own, 'reason' => $length->reason,
            ], $lengths)),
            'findings' => array_map(fn (Finding $finding): array => [
                'kind' => $finding->kind->value, 'severity' => $finding->severity->value, 'at' => (string) $finding->note->onset, 'measure' => $finding->note->measure,
                'note' => $finding->note->id, 'reason' => $finding->reason,
            ], $heard->findings()),
        ];
    }
}
