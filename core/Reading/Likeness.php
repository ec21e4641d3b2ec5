<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

/**
 * Bars that are like earlier ones.
 */
final readonly class Likeness
{
    /**
     * @param  int  $from  index of the first bar
     * @param  int  $length  bars
     * @param  int  $like  index of the first bar they are like
     * @param  ?Hand  $hand  null for both
     * @param  int  $steps  scale steps by which they are moved; 0 unless transposed
     * @param  list<array{measure: int, text: string}>  $differences  what a near repeat has otherwise
     * @param  string  $manner  how a theme returns
     * @param  bool  $answers  whether it comes home where the earlier bars have not
     */
    public function __construct(
        public LikenessKind $kind,
        public int $from,
        public int $length,
        public int $like,
        public ?Hand $hand,
        public int $steps = 0,
        public array $differences = [],
        public string $manner = '',
        public bool $answers = false,
    ) {
    }

    public function answering(): self
    {
        return new self($this->kind, $this->from, $this->length, $this->like, $this->hand, $this->steps, $this->differences, $this->manner, true);
    }

    /**
     * @param  list<string>  $numbers  of bars, by index
     */
    public function inWords(array $numbers): string
    {
        $here = InWords::bars($numbers, $this->from, $this->length);
        $there = InWords::bars($numbers, $this->like, $this->length);
        $hand = $this->hand === null ? '' : " in the {$this->hand->value} hand";

        $words = match ($this->kind) {
            LikenessKind::Exact => "$here = $there$hand",
            LikenessKind::Near => "$here ≈ $there$hand, with ".count($this->differences).(count($this->differences) === 1 ? ' difference' : ' differences'),
            LikenessKind::Transposed => "$here as $there, ".InWords::interval($this->steps).$hand,
            LikenessKind::Theme => "$here: the tune of $there, $this->manner",
        };

        return $this->answers ? "$words; an answer: it ends on the full cadence" : $words;
    }
}
