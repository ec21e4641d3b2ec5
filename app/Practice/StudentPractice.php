<?php

declare(strict_types=1);

namespace App\Practice;

use App\Models\CopyStatus;
use App\Models\PracticeEntry;
use App\Models\Student;
use Illuminate\Support\Carbon;
use Tarnwind\Core\Calendar\Day;
use Tarnwind\Core\Practice\Chain;
use Tarnwind\Core\Practice\Item;
use Tarnwind\Core\Practice\Outlook;
use Tarnwind\Core\Practice\PracticeDay;
use Tarnwind\Core\Practice\Schedule;
use Tarnwind\Core\Practice\Scheduler;
use Tarnwind\Core\Practice\Step;

/**
 * What a student practises from today on, over all her pieces that are being learnt.
 */
final class StudentPractice
{
    /** Days that are shown. */
    public const DAYS = 7;

    /** Pieces in these states are practised. */
    private const PRACTISED = [CopyStatus::Learning, CopyStatus::Polishing];

    /** @var array<int, CopyPractice> by copy */
    public readonly array $pieces;

    public readonly Schedule $schedule;

    private readonly int $today;

    public function __construct(private readonly Student $student)
    {
        $this->today = Day::of($student->teacher->today()->toDateString());
        $pieces = [];
        foreach ($student->copies()->with(['piece', 'practiceEntries'])->whereIn('status', self::PRACTISED)->orderBy('id')->get() as $copy) {
            $copy->setRelation('student', $student);
            $pieces[$copy->id] = new CopyPractice($copy);
        }
        $this->pieces = $pieces;
        $this->schedule = Scheduler::plan(array_values(array_map(fn (CopyPractice $piece) => $piece->project, $pieces)), $student->week(), $this->today);
    }

    /**
     * The next days, with what is practised on each.
     *
     * @param  ?int  $copy  of which alone; null for all pieces
     * @return list<array<string, mixed>>
     */
    public function days(?int $copy = null, int $count = self::DAYS): array
    {
        return array_map(fn (PracticeDay $day): array => [
            'date' => Day::date($day->day), 'minutes' => $day->minutes, 'planned' => $day->planned(),
            'items' => array_map(
                fn (Item $item): array => $this->pieces[(int) $item->project]->item($item),
                array_values(array_filter($day->items, fn (Item $item): bool => $copy === null || (int) $item->project === $copy)),
            ),
        ], array_slice($this->schedule->days, 0, $count));
    }

    /**
     * Each piece with how it goes and what becomes of it by its day.
     *
     * @return list<array<string, mixed>>
     */
    public function outlook(): array
    {
        return array_values(array_map(function (CopyPractice $piece): array {
            $copy = $piece->copy;
            $outlook = $this->schedule->outlook[$piece->project->key];

            return [
                'copy' => $copy->id, 'title' => $copy->piece->title, ...$copy->progress(), 'says' => $this->says($piece, $outlook),
                'left_out' => array_map(fn (Step $step): string => "{$step->kind->label()}, {$piece->bars($step->bars)}", $outlook->leftOut),
                'chunks' => $piece->progress(), 'standing' => $piece->standing(),
                'log' => array_reverse(array_values($copy->practiceEntries->map(fn (PracticeEntry $entry): array => [...$entry->listed(), 'words' => $piece->named($entry->step)])->all())),
            ];
        }, $this->pieces));
    }

    /**
     * @return list<int> her minutes from Monday
     */
    public function minutes(): array
    {
        return $this->student->week()->minutes;
    }

    private function says(CopyPractice $piece, Outlook $outlook): string
    {
        $goal = $piece->project->goal;
        $by = $goal === null ? 'in eight weeks' : 'before '.self::date($goal);
        if ($goal !== null && $goal <= $this->today) {
            return 'Its day has come; give it another, or let it rest.';
        }
        if ($outlook->missing === 0) {
            return $outlook->finished === null ? 'All its steps are done; it is played again from time to time.' : 'At these minutes every step is done on '.self::date($outlook->finished).'.';
        }
        $names = fn (array $chains): string => implode(', ', array_map(fn (Chain $chain): string => $piece->bars($chain->bars), $chains));
        $days = max(1, ($goal ?? $this->today + Scheduler::DAYS) - $this->today);
        $more = (int) ceil($outlook->missing / $days);

        return "Not all is done $by: $outlook->missing minutes are missing, $more a day."
            .($outlook->unreached === [] ? '' : ' Not reached at all: '.$names($outlook->unreached).'.');
    }

    private static function date(int $day): string
    {
        return Carbon::parse(Day::date($day))->format('j F');
    }
}
