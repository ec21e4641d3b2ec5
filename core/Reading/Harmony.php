<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Pitch;

/**
 * One harmony of the piece, from one moment to another.
 */
final readonly class Harmony
{
    /**
     * @param  Fraction  $from  quarters from the beginning
     * @param  int  $root  place of the root's name on the line of fifths
     * @param  ?int  $bass  place of the sounding bass on the line of fifths
     * @param  int  $inversion  0 to 3; 0 too where the bass is no chord note
     * @param  list<string>  $outside  ids of notes that do not belong to the chord
     * @param  list<int>  $names  places on the line of fifths of all that sounds in it
     * @param  string  $numeral  in the key of the moment
     * @param  ?string  $remark  what is uncommon about it, in words
     * @param  bool  $fixed  whether the teacher named it
     * @param  ?AddedNote  $added  what it has besides the notes of its quality
     */
    public function __construct(
        public Fraction $from,
        public Fraction $to,
        public int $root,
        public Quality $quality,
        public ?int $bass,
        public int $inversion,
        public array $outside,
        public array $names = [],
        public string $numeral = '',
        public ?string $remark = null,
        public bool $fixed = false,
        public ?AddedNote $added = null,
    ) {
    }

    private function until(Fraction $to): self
    {
        return $this->with($to, $this->numeral, $this->remark, $this->added);
    }

    public function called(string $numeral, ?string $remark): self
    {
        return $this->with($this->to, $numeral, $remark, $this->added);
    }

    public function withAdded(?AddedNote $added): self
    {
        return $this->with($this->to, $this->numeral, $this->remark, $added);
    }

    private function with(Fraction $to, string $numeral, ?string $remark, ?AddedNote $added): self
    {
        return new self($this->from, $to, $this->root, $this->quality, $this->bass, $this->inversion, $this->outside, $this->names, $numeral, $remark, $this->fixed, $added);
    }

    /**
     * Neighbours that are the same, with the same bass, as one; what the teacher named stays as it is.
     *
     * @param  list<self>  $harmonies  without numerals
     * @return list<self>
     */
    public static function joined(array $harmonies): array
    {
        $joined = [];
        foreach ($harmonies as $harmony) {
            $last = array_pop($joined);
            $isSame = $last !== null && ! $last->fixed && ! $harmony->fixed && $last->root === $harmony->root && $last->quality === $harmony->quality && $last->bass === $harmony->bass;
            if ($last !== null && ! $isSame) {
                $joined[] = $last;
            }
            $joined[] = ! $isSame ? $harmony : new self(
                $last->from, $harmony->to, $last->root, $last->quality, $last->bass, $last->inversion,
                array_values(array_unique([...$last->outside, ...$harmony->outside])), array_values(array_unique([...$last->names, ...$harmony->names])),
            );
        }

        return $joined;
    }

    /**
     * One harmony a chord: inversions of a chord that follow each other are joined.
     *
     * @param  list<self>  $harmonies
     * @return list<self>
     */
    public static function chords(array $harmonies): array
    {
        $chords = [];
        foreach ($harmonies as $harmony) {
            $last = array_pop($chords);
            if ($last !== null && $last->root === $harmony->root && $last->quality === $harmony->quality) {
                $chords[] = $last->until($harmony->to);

                continue;
            }
            if ($last !== null) {
                $chords[] = $last;
            }
            $chords[] = $harmony;
        }

        return $chords;
    }

    public function rootName(): string
    {
        return Pitch::nameAtFifths($this->root);
    }

    public function bassName(): string
    {
        return Pitch::nameAtFifths($this->bass ?? $this->root);
    }

    /**
     * The usual chord name, with the bass where it is another: "Em7/G".
     */
    public function name(): string
    {
        $name = $this->rootName().$this->suffix();

        return $this->bass === null || $this->bass === $this->root ? $name : "$name/{$this->bassName()}";
    }

    /**
     * The chord name as it is printed: "F♯7/A♯".
     */
    public function printedName(): string
    {
        $name = Pitch::spoken($this->rootName()).$this->suffix();

        return $this->bass === null || $this->bass === $this->root ? $name : "$name/".Pitch::spoken($this->bassName());
    }

    /**
     * The chord in words: "E minor over G".
     */
    public function inWords(): string
    {
        $isOpen = $this->added === AddedNote::SuspendedFourth && $this->quality->isConsonant();
        $name = Pitch::spoken($this->rootName()).($isOpen ? '' : ' '.$this->quality->inWords());
        $over = $this->bass === null || $this->bass === $this->root ? '' : ' over '.Pitch::spoken($this->bassName());

        return $name.$over.($this->added === null ? '' : ', '.$this->added->inWords());
    }

    private function suffix(): string
    {
        return $this->added === null ? $this->quality->suffix() : $this->added->suffixOf($this->quality->suffix());
    }

    /**
     * @return non-empty-list<int> pitch classes, 0 for C, the root first
     */
    public function pitchClasses(): array
    {
        $root = Pitch::classAtFifths($this->root);

        return array_map(fn (int $interval): int => ($root + $interval) % 12, $this->quality->intervals());
    }

    public function holds(int $midi): bool
    {
        return in_array($midi % 12, $this->pitchClasses(), true);
    }
}
