<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Score\Sign;

/**
 * Where the print asks in words that everything be joined: from "legato" until words that ask for something else [trade].
 */
final readonly class PrintedLegato
{
    private const JOINED = '/(?<!non )(?<!non-)(?<!quasi )\blegat(o|issimo)\b/iu';

    private const OTHERWISE = '/\b(non[ -]legato|stacc(ato|\.)|portato|marc(ato|\.)|legg(iero|ermente|\.)|secco|sec|détaché|martell?ato)/iu';

    /**
     * @param  list<Sign>  $words  those that begin or end it, by place
     */
    private function __construct(private array $words)
    {
    }

    public static function of(Score $score): self
    {
        $words = array_values(array_filter($score->signsOf('words'), fn (Sign $sign): bool => preg_match(self::JOINED, (string) $sign->value) === 1 || preg_match(self::OTHERWISE, (string) $sign->value) === 1));
        usort($words, fn (Sign $a, Sign $b): int => $a->onset->compareTo($b->onset));

        return new self($words);
    }

    public function asks(Note $note): bool
    {
        if ($this->words === [] || $note->onset->isLessThan($this->words[0]->onset)) {
            return false;
        }
        $last = Search::last(count($this->words), fn (int $index): bool => ! $note->onset->isLessThan($this->words[$index]->onset));

        return preg_match(self::JOINED, (string) $this->words[$last]->value) === 1;
    }
}
