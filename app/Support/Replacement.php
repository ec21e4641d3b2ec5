<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Piece;
use App\Models\StudentCopy;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;

/**
 * A corrected file in the place of a piece's earlier one: what differs, and what becomes of the plans made on it.
 */
final readonly class Replacement
{
    private Matching $matching;

    private Score $before;

    public function __construct(private Piece $piece, private StoredScore $corrected)
    {
        $this->before = $piece->score();
        $this->matching = Matching::of($this->before, $corrected->score());
    }

    /**
     * @return array{changed: list<string>, added: list<string>, removed: list<string>, copies: list<array{student: string, kept: int, lost: list<string>}>} bars by printed number
     */
    public function preview(): array
    {
        return [
            'changed' => $this->matching->changed, 'added' => $this->matching->added, 'removed' => $this->matching->removed,
            'copies' => array_values($this->copies()->map(function (StudentCopy $copy): array {
                [$plan, $lost] = $copy->planDocument()->carried($this->matching);

                return ['student' => $copy->student->name, 'kept' => count($plan->marks), 'lost' => array_map($this->inWords(...), $lost)];
            })->all()),
        ];
    }

    /**
     * Replaces the file and carries every plan over, all or nothing.
     */
    public function apply(): void
    {
        DB::transaction(function (): void {
            // A write first takes the turn, whatever the mode of the transaction: plans that are read now stay until they are carried.
            Piece::query()->whereKey($this->piece->id)->update(['updated_at' => now()]);
            foreach ($this->copies() as $copy) {
                [$plan] = $copy->planDocument()->carried($this->matching);
                $copy->replacePlan($plan, $copy->revision);
                foreach ($copy->takes as $take) {
                    [$then] = $take->planDocument()->carried($this->matching);
                    $take->update(['plan' => $then->toJson()]);
                }
                foreach ($copy->versions as $version) {
                    [$kept] = $version->planDocument()->carried($this->matching);
                    $version->update(['plan' => $kept->toJson()]);
                }
            }
            $this->piece->replaceWith($this->corrected);
        });
    }

    /**
     * @return Collection<int, StudentCopy>
     */
    private function copies(): Collection
    {
        return $this->piece->copies()->with('student')->get();
    }

    private function inWords(Mark $mark): string
    {
        $bars = array_column($this->before->measures, null, 'id');
        $bar = $bars[$mark->anchors()->measures[0] ?? ''] ?? null;

        return $mark->inWords().($bar instanceof Measure ? " in bar $bar->number" : '');
    }
}
