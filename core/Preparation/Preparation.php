<?php

declare(strict_types=1);

namespace Tarnwind\Core\Preparation;

use Tarnwind\Core\Hand\Fingering;
use Tarnwind\Core\Hand\Hands;
use Tarnwind\Core\Hand\Joints;
use Tarnwind\Core\Hand\School as Fingers;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Pedal\Span;
use Tarnwind\Core\Pedal\Suggestion;
use Tarnwind\Core\Pedal\Texture;
use Tarnwind\Core\Pedal\TextureBuilder;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Rendition\TempoMap;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\Decay;

/**
 * A score read and set in time: what every craft begins with.
 */
final readonly class Preparation
{
    /**
     * @param  Texture  $texture  of the same score and reading
     */
    public function __construct(
        public Score $score,
        public Reading $reading,
        public Texture $texture,
    ) {
    }

    /**
     * @param  ?float  $quartersPerMinute  null for the score's own tempo
     * @param  ?Reading  $reading  null to read the score
     * @param  array<string, string>  $fingers  the teacher's by note id, as "3" or "5-1"
     */
    public static function of(
        Score $score, ?float $quartersPerMinute = null, ?Reading $reading = null, Hands $hands = new Hands, array $fingers = [], Fingers $school = Fingers::Ease,
    ): self {
        $reading ??= Reading::of($score);
        $tempo = TempoMap::of($score, $quartersPerMinute);
        $joints = new Joints(Fingering::of($score, $reading, $tempo, $hands, $fingers, $school), $reading, $tempo, $hands);

        return new self($score, $reading, TextureBuilder::build($score, $reading->harmonies, $tempo, $joints));
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
