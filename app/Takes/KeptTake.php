<?php

declare(strict_types=1);

namespace App\Takes;

use App\Models\StudentCopy;
use App\Models\Take;
use App\Practice\CopyPractice;
use Illuminate\Support\Facades\DB;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\Take as Played;

/**
 * Keeps what was played: judged at once, and logged where it was a step of practice.
 */
final class KeptTake
{
    /**
     * @param  StudentCopy  $copy  with its piece, student, teacher and practice
     * @param  array{uuid: string, name: ?string, device: ?string, step: ?string}  $details
     * @return array{Take, ?bool} and whether it opened the gate of its step; null where it was for none
     */
    public static function of(StudentCopy $copy, Played $played, array $details, string $by): array
    {
        return DB::transaction(function () use ($copy, $played, $details, $by): array {
            /** @var Take $take */
            $take = $copy->takes()->firstOrNew(['uuid' => $details['uuid']]);
            $take->fill([...$details, 'by' => $by, 'midi' => Take::encoded($played, $copy->piece->title), 'plan' => $copy->plan]);
            $take->setRelation('copy', $copy);
            $review = new TakeReview($take);
            $take->fill(['summary' => $review->summary($review->document())])->save();

            return [$take, $details['step'] === null ? null : self::logged($copy, $take, $review, $played)];
        });
    }

    private static function logged(StudentCopy $copy, Take $take, TakeReview $review, Played $played): ?bool
    {
        $practice = new CopyPractice($copy);
        $found = $practice->find((string) $take->step);
        if ($found === null) {
            return null;
        }
        $step = $found[1] ?? $found[0]->again();
        $opens = $review->opens($step);
        $seconds = max([0.0, ...array_map(fn (PlayedNote $note): float => $note->release, $played->notes)]) / 1000;
        $copy->practiceEntries()->updateOrCreate(['uuid' => $take->uuid], [
            'step' => $step->id, 'day' => $copy->student->teacher->today()->toDateString(), 'minutes' => max(1, (int) ceil($seconds / 60)), 'tempo' => $review->tempo($step), 'passed' => $opens, 'by' => $take->by,
        ]);

        return $opens;
    }
}
