<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Craft\Registration;

/**
 * Time: a tempo that breathes and gives back, fermatas, slowings, silences.
 */
final class TimeCraft implements Craft
{
    public const NAME = 'time';

    public static function name(): string
    {
        return self::NAME;
    }

    public function register(Registration $registry): void
    {
        $registry
            ->settings(Timing::class)
            ->mark('pace', PaceMark::class)->mark('tempo', TempoMark::class)->mark('free', FreeMark::class)->mark('rubato', RubatoMark::class)
            ->mark('fermata', FermataMark::class)->mark('silence', SilenceMark::class)->mark('lean', LeanMark::class)->mark('ending', EndingMark::class)
            ->mark('ornament', OrnamentMark::class)
            ->contributes(new PlannedTime, new SilentKeys)
            ->suggests(new SuggestedTime)
            ->answer('time', TimeAnswer::class)
            ->finds(FindingKind::class, Action::class)
            ->writes(new TempoWriter, new FermataWriter)
            ->draws(TimingSigns::class);
    }
}
