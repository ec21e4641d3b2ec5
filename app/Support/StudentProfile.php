<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Student;
use App\Models\StudentCopy;
use Tarnwind\Core\Count\Counting;
use Tarnwind\Core\Hand\WideChords;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Note;

/**
 * What a student's hands mean for each of her pieces, now and if they reached further.
 */
final class StudentProfile
{
    /** White-key spans that are compared, in semitones: an octave to an eleventh. */
    private const SPANS = [12, 14, 16, 17];

    /**
     * @return list<array<string, mixed>> by piece: chords beyond each span and hand, beyond her own, and what limits the tempo
     */
    public static function of(Student $student): array
    {
        return array_values(array_map(function (StudentCopy $copy) use ($student): array {
            $performance = $copy->performance();
            [$score, $reading] = [$performance->written, $performance->reading()];
            $missing = array_values(array_filter($score->notes, fn (Note $note): bool => $student->piano()->octavesTo($note->midi) !== 0));
            $chords = WideChords::of($score, $reading);
            $tempo = $performance->tempo();
            $limit = Counting::of($score, $tempo, null, $student->rates())->limit();

            return [
                'copy' => $copy->id, 'title' => $copy->piece->title, 'progress' => $copy->progress(), 'tempo' => (int) round($tempo->quartersPerMinute()),
                'limit' => $limit?->tempo === null ? null : ['tempo' => (int) round($limit->tempo), 'measure' => $limit->measure, 'bar' => $score->measures[$limit->measure]->number],
                'missing' => count($missing), 'first_missing' => $missing[0]->measure ?? null,
                'hands' => array_map(fn (Hand $hand): array => [
                    'hand' => $hand->value, 'widest' => $chords->widest($hand),
                    'uncomfortable' => count($chords->beyond($hand, $student->hands()->reach($hand)->comfortable)),
                    'beyond' => count($chords->beyond($hand, $student->hands()->reach($hand)->largest)),
                    'first' => $chords->beyond($hand, $student->hands()->reach($hand)->comfortable)[0] ?? null,
                    'spans' => array_map(fn (int $span): array => ['span' => $span, 'beyond' => count($chords->beyond($hand, $span))], self::SPANS),
                ], Hand::cases()),
            ];
        }, $student->copies()->with('piece')->get()->all()));
    }
}
