<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\PacedTempo;
use Tarnwind\Core\Time\Action;
use Tarnwind\Core\Time\Ceiling;
use Tarnwind\Core\Time\FindingKind;
use Tarnwind\Core\Time\TakenTime;

/**
 * A tempo that this student's measured rates do not carry: of the whole piece, or where she is pushed on or gives back time.
 */
final readonly class Rates
{
    private const ROUNDING = 0.5;

    /**
     * @param  list<Ceiling>  $ceilings  by bar
     * @param  PacedTempo  $printed  the tempo as it is printed, from the plan's beginning
     */
    public function __construct(private Score $score, private TakenTime $time, private array $ceilings, private PacedTempo $printed)
    {
    }

    /**
     * @return list<Finding>
     */
    public function findings(): array
    {
        $quickest = [];
        foreach ($this->time->beats as $beat) {
            $tempo = $beat->ms() > 0 ? $beat->to->minus($beat->at)->toFloat() * 60_000 / $beat->ms() : 0.0;
            $quickest[$beat->measure->index] = max($quickest[$beat->measure->index] ?? 0.0, $tempo);
        }
        $findings = [];
        $least = 1.0;
        $hardest = null;
        foreach ($this->ceilings as $ceiling) {
            $tempo = $this->printed->at($this->score->measures[$ceiling->measure]->start->toFloat());
            if ($ceiling->tempo < $tempo - self::ROUNDING) {
                [$least, $hardest] = $ceiling->tempo / $tempo < $least ? [$ceiling->tempo / $tempo, $ceiling] : [$least, $hardest];
            } elseif ($quickest[$ceiling->measure] > $ceiling->tempo + self::ROUNDING) {
                $findings[] = $this->finding($ceiling, $quickest[$ceiling->measure], sprintf(
                    'Here it goes up to ♩ = %d; this student\'s measured rate of %.1f notes a second carries ♩ = %d. At the tempo of the piece the bar would go.',
                    round($quickest[$ceiling->measure]), $ceiling->rate, floor($ceiling->tempo),
                ));
            }
        }
        if ($hardest !== null) {
            $first = floor($least * $this->time->course->first);
            $findings[] = $this->finding($hardest, $this->time->course->first, sprintf(
                'The hardest bar decides: at ♩ = %d bar %s is beyond this student\'s measured rate of %.1f notes a second. It carries ♩ = %d.',
                round($this->time->course->first), $this->score->measures[$hardest->measure]->number, $hardest->rate, $first,
            ), new Remedy(Action::Tempo, sprintf('♩ = %d for the whole piece', $first), [], (string) $first, $this->score->measures[0]->start));
        }

        return $findings;
    }

    private function finding(Ceiling $ceiling, float $value, string $reason, ?Remedy $remedy = null): Finding
    {
        $measure = $this->score->measures[$ceiling->measure];

        return new Finding(FindingKind::BeyondRate, Severity::Warning, $measure->start, $measure->index, [], $value, $ceiling->tempo, Unit::PerMinute, $reason, $remedy);
    }
}
