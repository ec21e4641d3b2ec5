<?php

declare(strict_types=1);

namespace Tarnwind\Core\Preparation;

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
    private function __construct(
        public Score $score,
        public Reading $reading,
        public Texture $texture,
    ) {
    }

    /**
     * @param  ?float  $quartersPerMinute  null for the score's own tempo
     */
    public static function of(Score $score, ?float $quartersPerMinute = null, ?Reading $reading = null): self
    {
        $reading ??= Reading::of($score);

        return new self($score, $reading, TextureBuilder::build($score, $reading->harmonies, TempoMap::of($score, $quartersPerMinute)));
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
