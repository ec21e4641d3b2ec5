<?php

declare(strict_types=1);

namespace Tarnwind\Core\Handout;

use Tarnwind\Core\Hand\Fingering;
use Tarnwind\Core\Hand\Joints;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Pedal\Suggestion;
use Tarnwind\Core\Pedal\Timeline;
use Tarnwind\Core\Pedal\TimelineBuilder;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\Decay;
use Tarnwind\Core\Student\Hands;

/**
 * A score read and set in time: what every craft begins with.
 */
final readonly class Preparation
{
    /**
     * @param  Timeline  $texture  of the same score and reading
     */
    public function __construct(
        public Score $score,
        public Reading $reading,
        public Timeline $texture,
    ) {
    }

    /**
     * A score as it stands, without a plan.
     *
     * @param  ?float  $quartersPerMinute  null for the score's own tempo
     */
    public static function of(Score $score, ?float $quartersPerMinute = null): self
    {
        return self::planned($score, Reading::of($score), new Plan(School::Singing, $quartersPerMinute, []), new Hands);
    }

    /**
     * A score as a plan has it played by a student's hands.
     */
    public static function planned(Score $score, Reading $reading, Plan $plan, Hands $hands): self
    {
        $played = $plan->played($score);
        $tempo = $plan->tempoMap($played);
        $fingering = Fingering::of($played, $reading, $tempo, $hands, $plan->fingersByNote(), $plan->fingering);
        $joints = new Joints($fingering, $reading, $tempo, $hands);

        return new self($played, $reading, TimelineBuilder::build($played, $reading->harmonies, $reading->hands, $tempo, $joints, $plan->keyLengths($played, $tempo)));
    }

    /**
     * @param  bool  $halfPedal  whether the instrument's pedal knows more than on and off
     * @return list<Span>
     */
    public function suggest(School $school, Decay $decay, bool $halfPedal = true): array
    {
        return Suggestion::spans($this->score, $this->texture, $school, $decay, $halfPedal);
    }
}
