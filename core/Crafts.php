<?php

declare(strict_types=1);

namespace Tarnwind\Core;

use Tarnwind\Core\Balance\BalanceCraft;
use Tarnwind\Core\Count\CountCraft;
use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Craft\Registry;
use Tarnwind\Core\Hand\HandCraft;
use Tarnwind\Core\Hear\HearCraft;
use Tarnwind\Core\Pedal\PedalCraft;
use Tarnwind\Core\Practice\PracticeCraft;
use Tarnwind\Core\Read\ReadCraft;
use Tarnwind\Core\Shape\ShapeCraft;
use Tarnwind\Core\Time\TimeCraft;
use Tarnwind\Core\Touch\TouchCraft;
use Tarnwind\Core\Words\WordsCraft;

/**
 * The crafts there are. A new one is a folder, and one line here.
 */
final class Crafts
{
    /** In working order. */
    public const ALL = [
        ReadCraft::class,
        CountCraft::class,
        HandCraft::class,
        TouchCraft::class,
        ShapeCraft::class,
        BalanceCraft::class,
        PedalCraft::class,
        TimeCraft::class,
        WordsCraft::class,
        PracticeCraft::class,
        HearCraft::class,
    ];

    private const PLAN_SCHEMA = __DIR__.'/../schemas/plan.schema.json';

    private static ?Registry $registry = null;

    /**
     * Works with further crafts beside these, such as a studio's own.
     *
     * @param  list<class-string<Craft>>  $further
     */
    public static function with(array $further): void
    {
        self::$registry = $further === [] ? null : new Registry([...self::ALL, ...$further]);
    }

    public static function registry(): Registry
    {
        return self::$registry ??= new Registry(self::ALL, self::PLAN_SCHEMA);
    }
}
