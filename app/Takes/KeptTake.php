<?php

declare(strict_types=1);

namespace App\Takes;

use App\Models\StudentCopy;
use App\Models\Take;
use App\Practice\CopyPractice;
use Illuminate\Support\Facades\DB;
use Tarnwind\Core\Practice\Step;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\Take as Played;

/**
 * Keeps what was played: judged at once, and logged where it was a step of practice.
 */
final readonly class KeptTake
{
    /**
     * @param  ?bool  $opens  whether it opened the gate of its step; null where it was for none
     */
    private function __construct(
        public Take $take,
        public ?bool $opens,
        public TakeReview $review,
    ) {
    }

    /**
     * @param  StudentCopy  $copy  with its piece, student, teacher and practice
     * @param  array{uuid: string, name: ?string, device: ?string, step: ?string}  $details
     */
    public static function of(StudentCopy $copy, Played $played, array $details, string $by): self
    {
        /** @var Take $take */
        $take = $copy->takes()->firstOrNew(['uuid' => $details['uuid']]);
        $take->fill([...$details, 'by' => $by, 'midi' => Take::encoded($played, $copy->piece->title), 'plan' => $copy->plan]);
        $review = new TakeReview($copy, $take);
        $take->fill(['summary' => $review->summary($review->document())]);
        $step = $details['step'] === null ? null : self::step($copy, $details['step']);
        $opens = $step === null ? null : $review->opens($step);
        // All that takes time is done by now: others may write too.
        DB::transaction(function () use ($take, $copy, $step, $opens, $review, $played): void {
            $take->save();
            if ($step !== null) {
                $copy->practiceEntries()->updateOrCreate(['uuid' => $take->uuid], [
                    'step' => $step->id, 'day' => $copy->student->teacher->today()->toDateString(), 'minutes' => self::minutes($played), 'tempo' => $review->tempo($step), 'passed' => $opens, 'by' => $take->by,
                ]);
            }
        });

        return new self($take, $opens, $review);
    }

    /**
     * The step it was played for; playing again what was learnt is one too. Null for one that is no longer planned.
     */
    private static function step(StudentCopy $copy, string $id): ?Step
    {
        $found = (new CopyPractice($copy))->find($id);

        return $found === null ? null : $found[1] ?? $found[0]->again();
    }

    private static function minutes(Played $played): int
    {
        $seconds = max([0.0, ...array_map(fn (PlayedNote $note): float => $note->release, $played->notes)]) / 1000;

        return max(1, (int) ceil($seconds / 60));
    }
}
