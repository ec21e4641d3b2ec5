<?php

declare(strict_types=1);

namespace Tests\support;

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Handout\MarkedCopy;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Pedal\SuggestedPedal;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Score;

/**
 * Copies with marks in them, as they are handed out.
 */
final class Marked
{
    /**
     * @param  list<Mark>  $marks
     */
    public static function copy(Document $document, Score $score, array $marks): MarkedCopy
    {
        return self::planned($document, $score, new Plan(null, $marks));
    }

    public static function planned(Document $document, Score $score, Plan $plan): MarkedCopy
    {
        return new MarkedCopy(fn (): Document => $document, Crafts::registry()->performance($score, $plan), Crafts::registry()->writers());
    }

    /**
     * @param  list<Span>  $spans
     * @return list<Mark>
     */
    public static function pedals(Score $score, array $spans): array
    {
        return array_map(fn (Span $span, int $index): Mark => SuggestedPedal::mark("p$index", $score, $span, Origin::Teacher), $spans, array_keys($spans));
    }
}
