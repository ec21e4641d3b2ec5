<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Settings;

/**
 * How a piece is practised.
 */
final readonly class PracticeSettings implements Settings
{
    public function __construct(
        public Start $start = Start::Together,
        public Gates $gates = Gates::Notes,
        public Order $order = Order::Hardest,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->choice('start', Start::class, Start::Together), $fields->choice('gates', Gates::class, Gates::Notes), $fields->choice('order', Order::class, Order::Hardest));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Practice];
    }

    public function toArray(): array
    {
        return ['start' => $this->start->value, 'gates' => $this->gates->value, 'order' => $this->order->value];
    }
}
