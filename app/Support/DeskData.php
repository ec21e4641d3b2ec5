<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\StudentCopy;
use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Reading\KeyArea;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Onset;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Tempo\PrintedTempo;

/**
 * What the desk needs to open a copy.
 */
final class DeskData
{
    /**
     * @return array<string, mixed>
     */
    public static function of(StudentCopy $copy): array
    {
        $performance = $copy->performance();
        [$score, $reading, $plan] = [$performance->score(), $performance->reading(), $performance->plan];
        $student = $copy->student;

        return [
            'copy' => ['id' => $copy->id, 'title' => $copy->piece->title, 'revision' => $copy->revision, 'unreadable' => $copy->unreadablePlan() !== null],
            'student' => ['name' => $student->name, 'instrument' => $student->instrumentLabel(), 'half_pedal' => $student->half_pedal, 'catches_ms' => 1000 * $student->foot()->catches, 'reach' => [
                'right' => [$student->hands()->right->comfortable, $student->hands()->right->largest],
                'left' => [$student->hands()->left->comfortable, $student->hands()->left->largest],
                'measured' => $student->right_comfortable !== null && $student->left_comfortable !== null,
            ]],
            'score' => [
                'engraving' => $copy->piece->stored()->fingerprint(),
                'tempo' => PrintedTempo::first($score),
                'playback' => $score->playbackOrder,
                'measures' => array_map(fn (Measure $measure): array => [
                    'id' => $measure->id, 'number' => $measure->number, 'start' => (string) $measure->start, 'length' => (string) $measure->length,
                    'beat' => (string) $measure->time->beat(), 'origin' => (string) $measure->start->minus($measure->beatOrigin()), 'time' => (string) $measure->time,
                ], $score->measures),
                'moments' => array_map(fn (Onset $onset): array => [
                    'at' => (string) $onset->at, 'place' => Place::at($score, $onset->at)->toArray(), 'measure' => $score->measureAt($onset->at)->index,
                    'notes' => array_map(fn (Note $note): string => $note->id, $onset->notes),
                ], Onset::all($score)),
                'harmonies' => array_map(fn (Harmony $harmony): array => [
                    'from' => (string) $harmony->from, 'to' => (string) $harmony->to, 'name' => $harmony->printedName(), 'numeral' => $harmony->numeral, 'fixed' => $harmony->fixed,
                ], $reading->harmonies),
                'keys' => array_map(fn (KeyArea $area): array => [
                    'from' => (string) $area->from, 'to' => (string) $area->to, 'name' => $area->key->inWords(),
                ], $reading->keys),
            ],
            'teacher' => ['palettes' => $student->teacher->allPalettes()],
            'plan' => $plan->toArray(),
        ];
    }
}
