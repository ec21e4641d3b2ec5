<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Sound\Decay;
use Tarnwind\Core\Tempo\Hold;
use Tarnwind\Core\Time\Action;
use Tarnwind\Core\Time\FindingKind;
use Tarnwind\Core\Time\TakenTime;

/**
 * Fermatas shorter than half as long again, or longer than what they hold sounds; silences that the pedal fills.
 */
final readonly class Standing
{
    /** dB of its own stroke, below which a string is not heard any more [start]. */
    private const SILENT = 40.0;

    /** Seconds after which is looked no further. */
    private const FAR = 30.0;

    /** ms of silence from which it is heard whether it is one [start]. */
    private const HEARD = 100.0;

    private const ROUNDING = 0.05;

    public function __construct(private Performance $performance, private TakenTime $time, private Decay $decay)
    {
    }

    /**
     * @return list<Finding>
     */
    public function findings(): array
    {
        return [...$this->holds(), ...$this->filled()];
    }

    /**
     * @return list<Finding>
     */
    private function holds(): array
    {
        $findings = [];
        foreach ($this->time->course->holds as $hold) {
            if ($hold->seconds === null) {
                continue;
            }
            $at = $hold->from;
            $written = $hold->written($this->time->paced->at($at->toFloat()));
            $fitting = new Remedy(Action::Hold, sprintf('Hold for %.1f s', $hold->computed($written, $this->decay)), [], (string) round($hold->computed($written, $this->decay), 2), $at);
            $sounds = $hold->midi === null ? self::FAR : max(Hold::MOST * $written, Hold::ring($hold->midi, $this->decay, self::FAR, by: self::SILENT));
            [$least, $measure] = [Hold::LEAST * $written, $this->performance->written->measureAt($at)->index];
            if ($hold->seconds < $least - self::ROUNDING) {
                $findings[] = new Finding(
                    FindingKind::HoldShort, Severity::Warning, $at, $measure, [], $hold->seconds, $least, Unit::Seconds,
                    sprintf('Held for %.1f s where %.1f s are written: a fermata wants at least half as long again, %.1f s.', $hold->seconds, $written, $least), $fitting,
                );
            } elseif ($hold->seconds > $sounds + self::ROUNDING) {
                $findings[] = new Finding(
                    FindingKind::HoldLong, Severity::Hint, $at, $measure, [], $hold->seconds, $sounds, Unit::Seconds,
                    sprintf('Held for %.1f s, and after %.1f s nothing of it is heard any more.', $hold->seconds, $sounds), $fitting,
                );
            }
        }

        return $findings;
    }

    /**
     * @return list<Finding>
     */
    private function filled(): array
    {
        $findings = [];
        foreach ($this->time->course->silences as $silence) {
            if ($silence->seconds * 1000 < self::HEARD || ! $silence->isAsked) {
                continue;
            }
            foreach ($this->performance->spans() as $span) {
                if ($span->down->isLessThan($silence->at) && $silence->at->isLessThan($span->up)) {
                    $findings[] = new Finding(
                        FindingKind::SilenceFilled, Severity::Warning, $silence->at, $this->performance->written->measureAt($silence->at)->index, [], $silence->seconds * 1000, 0.0, Unit::Milliseconds,
                        sprintf('%s: the pedal is down all through it, and nothing is silent. Let the foot come up before it.', ucfirst($silence->reason)),
                    );
                }
            }
        }

        return $findings;
    }
}
