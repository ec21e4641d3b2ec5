<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Performance\Performance;

/**
 * What there is to practise in a piece for one student: its chunks, and the steps of each, of its lines, and of the whole.
 */
final readonly class PracticePlan
{
    /** Times a passage is played in a step, with a pause as long after each [start]. */
    private const TIMES = 8;

    /** Minutes of a step [start]. */
    private const SHORTEST = 3;

    private const LONGEST = 10;

    private const LISTENING = 10;

    /**
     * @param  list<Chunk>  $chunks
     * @param  list<Chain>  $chains  of the chunks that are not known from others, of lines, of the whole
     */
    private function __construct(
        public PracticeSettings $settings,
        public array $chunks,
        public array $chains,
    ) {
    }

    public static function of(Performance $performance): self
    {
        $settings = $performance->plan->settings(PracticeSettings::class);
        $chunks = Chunks::of($performance);
        $maker = new StepMaker($performance, $settings);
        $chains = [$maker->listening(self::LISTENING)];
        $hardness = array_map(fn (Chunk $chunk): float => $chunk->hardness, $chunks);
        sort($hardness);
        $middle = $hardness[intdiv(count($hardness), 2)] ?? 0.0;
        $lines = [];
        foreach ($chunks as $place => $chunk) {
            $chain = $chunk->isKnown() ? null : $maker->chunk($chunk, $settings->order === Order::Hardest ? $chunk->hardness : -$place, $place === 0 || $chunk->hardness > $middle);
            $chains = [...$chains, ...($chain === null ? [] : [$chain])];
            $lines[$chunk->line][] = [$chunk, $chain?->key];
        }
        $all = [];
        foreach ($lines as $line) {
            $keys = array_values(array_filter(array_column($line, 1)));
            if (count($line) > 1 && $keys !== [] && count($lines) > 1) {
                $chains[] = $joined = $maker->line(array_column($line, 0), $keys);
                $keys = [$joined->key];
            }
            $all = [...$all, ...$keys];
        }
        if (count($chunks) > 1) {
            $chains[] = $maker->whole($chunks, $all);
        }

        return new self($settings, $chunks, array_values(array_filter($chains, fn (Chain $chain): bool => $chain->steps !== [])));
    }

    /**
     * @return list<Step> all, chain by chain
     */
    public function steps(): array
    {
        return array_merge(...array_map(fn (Chain $chain): array => $chain->steps, $this->chains));
    }

    public function minutes(): int
    {
        return array_sum(array_map(fn (Step $step): int => $step->minutes, $this->steps()));
    }

    /**
     * Minutes to play something that lasts so many seconds the usual number of times.
     */
    public static function minutesFor(float $seconds): int
    {
        return max(self::SHORTEST, min(self::LONGEST, (int) ceil(self::TIMES * 2 * $seconds / 60)));
    }
}
