<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;

/**
 * Finds where phrases begin: evidence is gathered before every note of the melody line, and the sequence of phrases
 * with the most evidence at its joints, and of likely lengths, is taken. The weights are ours, fitted to 22 labelled pieces
 * so that pieces left out of the fitting come out too [start].
 */
final class PhraseReader
{
    private const LOCAL = 1.6;

    /** For a slur that ends or begins, and for each bar it is long, up to two. */
    private const SLUR = 0.25;

    private const SLUR_BAR = 0.4;

    /** Under a slur that goes on. */
    private const WITHIN_SLUR = -0.8;

    private const REST = 0.35;

    private const GENERAL_REST = 0.3;

    private const LONG_NOTE = 0.1;

    private const CADENCE = 0.35;

    /** After a dominant that has lasted, as numerator and denominator of bars. */
    private const HALF_CADENCE_BARS = [1, 2];

    /** Between a dominant and the chord it goes to. */
    private const LEADS_ON = -0.9;

    private const PARALLEL = 0.4;

    private const BARLINE = 0.3;

    private const UPBEAT = 0.45;

    /** On a weak place. */
    private const OFF_BEAT = -0.2;

    private const MARK = 0.2;

    private const TEXTURE = 0.5;

    private const REPEAT_SIGN = 1.0;

    private const ENDING = 0.4;

    /** Bars within which a length is a round one [start]. */
    private const ROUND = 0.3;

    /** How likely phrases are by their length in bars [start]: shorter than this, and what that costs. */
    private const VERY_SHORT = [0.9, -1.6];

    private const SHORT = [1.7, -0.7];

    /** By round length in bars; others. */
    private const LIKELY = [2 => 0.0, 4 => 0.2, 8 => 0.1];

    private const UNLIKELY = -0.15;

    /** For each bar beyond so many. */
    private const LONG = 6;

    private const EACH_BAR_LONGER = 0.12;

    /** Quarters by which a place may be off in a file with rounded durations. */
    private const SLACK = 0.01;

    /** Evidence without which no phrase is looked for [start]. */
    private const CANDIDATE = 0.5;

    /** What a phrase must bring at its beginning. */
    private const THRESHOLD = 0.9;

    /** Notes that are compared to tell that two phrases begin alike. */
    private const ALIKE = 5;

    /** @var list<Note> */
    private readonly array $line;

    /** @var array<string, int> by note id, how many slurs go on after it */
    private array $slursOver = [];

    /** @var array<string, float> by onset, how many bars the longest slur is that begins there */
    private array $slurBegins = [];

    /** @var array<string, float> by note id, how many bars the slur is that ends there */
    private array $slurEnds = [];

    /** @var array<string, true> onsets at which something is printed that marks a beginning */
    private array $marked = [];

    /** @var array<string, true> onsets before which nothing sounds */
    private readonly array $afterSilence;

    /** @var array<string, true> onsets of chords to which a dominant leads at once */
    private array $ledTo = [];

    /** @var array<int, float> by bar, what a repeat that begins or ends there speaks for */
    private array $jumps = [];

    /**
     * @param  array<string, LayeredNote>  $layers
     * @param  list<BarTexture>  $textures
     * @param  list<Harmony>  $harmonies
     */
    private function __construct(private readonly Score $score, array $layers, private readonly array $textures, private readonly array $harmonies)
    {
        $this->line = MelodyLine::of($score, $layers);
        $this->afterSilence = self::afterSilence($score);
        $this->readSlurs();
        $chords = Harmony::chords($harmonies);
        foreach ($chords as $index => $chord) {
            if (Cadences::leadsOn($score, $chords, $index)) {
                $this->ledTo[(string) $chord->to] = true;
            }
        }
        foreach ($score->marks as $mark) {
            if (in_array($mark->kind, ['dynamics', 'rehearsal', 'tempo', 'segno', 'coda'], true)) {
                $this->marked[(string) $mark->onset] = true;
            }
        }
        foreach ($score->playbackOrder as $index => $bar) {
            $next = $score->playbackOrder[$index + 1] ?? null;
            if ($next !== null && $next < $bar) {
                $this->jumps[$next] = self::REPEAT_SIGN;
                $this->jumps[$bar + 1] ??= self::REPEAT_SIGN;
            } elseif ($next !== null && $next > $bar + 1) {
                // Endings: what follows the skip goes on with the phrase as often as it begins another.
                $this->jumps[$next] = self::ENDING;
            }
        }
    }

    /**
     * @param  array<string, LayeredNote>  $layers
     * @param  list<BarTexture>  $textures
     * @param  list<Harmony>  $harmonies
     * @return list<Boundary> by place; the first stands at the first note
     */
    public static function read(Score $score, array $layers, array $textures, array $harmonies): array
    {
        return (new self($score, $layers, $textures, $harmonies))->boundaries();
    }

    /**
     * @return list<Boundary>
     */
    private function boundaries(): array
    {
        if ($this->line === []) {
            return [];
        }
        $evidence = $this->evidence();
        $boundaries = [];
        foreach ($this->choose($evidence) as $index) {
            [$strength, $reasons] = $evidence[$index];
            $boundaries[] = $index === 0
                ? new Boundary($this->line[0]->onset, 1.0, ['the piece begins'], true)
                : new Boundary(($this->line[$index] ?? $this->line[0])->onset, round(max(0.05, 1 - exp(-max(0.0, $strength) / 1.5)), 2), $reasons);
        }

        return $boundaries;
    }

    /**
     * @return list<array{float, list<string>}> strength and reasons before each note of the line
     */
    private function evidence(): array
    {
        $local = LocalBoundaries::of($this->line);
        $iois = [];
        foreach ($this->line as $index => $note) {
            $next = $this->line[$index + 1] ?? null;
            if ($next !== null) {
                $iois[] = $next->onset->minus($note->onset)->toFloat();
            }
        }
        sort($iois);
        $usual = $iois[intdiv(count($iois), 2)] ?? 1.0;
        $alike = $this->alike();
        $evidence = [];
        $before = null;
        foreach ($this->line as $index => $note) {
            [$strength, $reasons] = $before === null ? [0.0, []] : $this->joint($before, $note, $usual);
            $before = $note;
            $strength += self::LOCAL * $local[$index];
            if (isset($alike[$index])) {
                $strength += self::PARALLEL;
                $reasons[] = 'begins like bar '.$this->score->measures[$this->line[$alike[$index]]->measure]->number;
            }
            $evidence[] = [$strength, $reasons];
        }

        return $evidence;
    }

    /**
     * @return array{float, list<string>}
     */
    private function joint(Note $before, Note $note, float $usual): array
    {
        $strength = 0.0;
        $reasons = [];
        $measure = $this->score->measures[$note->measure];
        $beat = $measure->time->beat()->toFloat();
        if (($this->slursOver[$before->id] ?? 0) > 0) {
            $strength += self::WITHIN_SLUR;
        } else {
            foreach ([[$this->slurEnds[$before->id] ?? null, 'a slur has ended'], [$this->slurBegins[(string) $note->onset] ?? null, 'a slur begins']] as [$bars, $reason]) {
                if ($bars !== null) {
                    $strength += self::SLUR + self::SLUR_BAR * min(2.0, $bars) / 2;
                    $reasons[] = $reason;
                }
            }
        }
        $rest = $note->onset->minus($before->end())->toFloat();
        if ($rest > self::SLACK) {
            $strength += self::REST * min(2.0, 0.5 + $rest / $beat);
            $reasons[] = 'a rest before it';
            $strength += $this->isSilentBefore($note) ? self::GENERAL_REST : 0.0;
        }
        $ioi = $note->onset->minus($before->onset)->toFloat();
        if ($ioi >= 1.9 * $usual) {
            $strength += self::LONG_NOTE * min(2.0, $ioi / $usual / 2);
            $reasons[] = 'a long note before it';
        }
        if ($this->closesBefore($note)) {
            $strength += self::CADENCE;
            $reasons[] = 'the harmony has come to rest';
        } elseif ($this->opensBefore($note)) {
            $strength += self::CADENCE;
            $reasons[] = 'a half cadence before it';
        }
        if (isset($this->ledTo[(string) $note->onset])) {
            $strength += self::LEADS_ON;
        }
        $offset = $note->onset->minus($measure->start);
        $strength += $offset->isZero() ? self::BARLINE : 0.0;
        $first = $this->line[0]->onset->minus($this->score->measures[$this->line[0]->measure]->beatOrigin());
        if (! $first->isZero() && $note->onset->minus($measure->beatOrigin())->equals($first)) {
            $strength += self::UPBEAT;
            $reasons[] = 'an up-beat like that of the beginning';
        } elseif (Slice::rank($measure->time->weightAt($note->onset->minus($measure->beatOrigin()))) === 0) {
            $strength += self::OFF_BEAT;
        }
        if (isset($this->marked[(string) $note->onset])) {
            $strength += self::MARK;
            $reasons[] = 'a new mark stands here';
        }
        if ($before->measure !== $note->measure) {
            if (isset($this->jumps[$note->measure])) {
                $strength += $this->jumps[$note->measure];
                $reasons[] = 'a repeat begins or ends here';
            }
            if ($this->isNewTexture($before->measure, $note->measure)) {
                $strength += self::TEXTURE;
                $reasons[] = 'the texture changes';
            }
        }

        return [$strength, $reasons];
    }

    /**
     * Whether a texture that has lasted for two bars gives way to another.
     */
    private function isNewTexture(int $before, int $bar): bool
    {
        $old = $this->textures[$before];

        return $old !== $this->textures[$bar] && $old !== BarTexture::Silence && $old === ($this->textures[$before - 1] ?? $old);
    }

    /**
     * The beginnings that together have the most evidence, with a leaning to phrases of two, four or eight bars.
     *
     * @param  list<array{float, list<string>}>  $evidence
     * @return list<int> indexes into the line, from 0
     */
    private function choose(array $evidence): array
    {
        $places = array_map(fn (Note $note): float => $this->barPlace($note->onset), $this->line);
        $end = $this->barPlace($this->score->end());
        $candidates = array_values(array_filter(array_keys($evidence), fn (int $index): bool => $index === 0 || $evidence[$index][0] > self::CANDIDATE));
        $best = [];
        $from = [];
        foreach ($candidates as $order => $index) {
            $best[$order] = $order === 0 ? 0.0 : -INF;
            for ($earlier = $order - 1; $earlier >= 0 && $places[$index] - $places[$candidates[$earlier]] <= 16; $earlier--) {
                $value = $best[$earlier] + $evidence[$index][0] - self::THRESHOLD + self::likelyLength($places[$index] - $places[$candidates[$earlier]]);
                if ($value > $best[$order]) {
                    $best[$order] = $value;
                    $from[$order] = $earlier;
                }
            }
        }
        $last = 0;
        $most = -INF;
        foreach ($best as $order => $value) {
            $rest = $end - $places[$candidates[$order]];
            $value += self::likelyLength($rest) - ($rest < 1.5 ? self::THRESHOLD : 0.0);
            if ($value > $most) {
                [$most, $last] = [$value, $order];
            }
        }
        $chosen = [];
        for ($order = $last; $order > 0 && isset($candidates[$order]); $order = $from[$order] ?? 0) {
            array_unshift($chosen, $candidates[$order]);
        }

        return [0, ...$chosen];
    }

    private static function likelyLength(float $bars): float
    {
        $round = abs($bars - round($bars)) < self::ROUND ? (int) round($bars) : 0;
        $value = match (true) {
            $bars < self::VERY_SHORT[0] => self::VERY_SHORT[1],
            $bars < self::SHORT[0] => self::SHORT[1],
            default => self::LIKELY[$round] ?? self::UNLIKELY,
        };

        return $value - self::EACH_BAR_LONGER * max(0.0, $bars - self::LONG);
    }

    /**
     * Bars from the beginning, with fractions.
     */
    private function barPlace(Fraction $at): float
    {
        $measure = $this->score->measureAt($at);
        $length = $measure->time->length()->toFloat();

        return $measure->index + ($length > 0 ? $at->minus($measure->start)->toFloat() / $length : 0.0);
    }

    /**
     * Notes of the line from which some notes go on as they did at an earlier place of the same kind in the bar.
     *
     * @return array<int, int> index to the earlier index
     */
    private function alike(): array
    {
        $seen = $alike = $repeats = [];
        for ($index = 0; $index + self::ALIKE < count($this->line); $index++) {
            $key = (string) $this->line[$index]->onset->minus($this->score->measures[$this->line[$index]->measure]->start);
            for ($step = 1; $step <= self::ALIKE; $step++) {
                $key .= ' '.$this->line[$index + $step]->onset->minus($this->line[$index]->onset).':'.($this->line[$index + $step]->midi - $this->line[$index]->midi);
            }
            // A key that is only struck again and again begins nothing.
            if (count(array_unique(array_map(fn (Note $note): int => $note->midi, array_slice($this->line, $index, self::ALIKE + 1)))) === 1) {
                continue;
            }
            if (isset($seen[$key])) {
                $repeats[$index] = $seen[$key];
                // Inside a longer repetition only its beginning counts.
                if (($repeats[$index - 1] ?? null) !== $seen[$key] - 1) {
                    $alike[$index] = $seen[$key];
                }
            } else {
                $seen[$key] = $index;
            }
        }

        return $alike;
    }

    private function isSilentBefore(Note $note): bool
    {
        return isset($this->afterSilence[(string) $note->onset]);
    }

    /**
     * @return array<string, true> onsets before which nothing sounds
     */
    private static function afterSilence(Score $score): array
    {
        $after = [];
        $until = Fraction::zero();
        foreach ($score->notes as $note) {
            if ($until->isLessThan($note->onset)) {
                $after[(string) $note->onset] = true;
            }
            $until = Fraction::max($until, $note->end());
        }

        return $after;
    }

    /**
     * Whether the harmony before a note is a first degree reached from its dominant, or a dominant that stays.
     */
    private function closesBefore(Note $note): bool
    {
        $last = $this->harmonyBefore($note);
        if (! isset($this->harmonies[$last - 1])) {
            return false;
        }
        $now = $this->harmonies[$last];
        $before = $this->harmonies[$last - 1];
        $close = $before->root === $now->root + 1 && $now->inversion === 0 && $now->quality->isConsonant()
            && ($before->quality === Quality::Major || $before->quality === Quality::DominantSeventh) && preg_match('/^[iI]$/', $now->numeral) === 1;

        return $close && $note->onset->minus($now->from)->toFloat() <= $this->score->measures[$note->measure]->time->length()->toFloat() + self::SLACK;
    }

    /**
     * The index of the harmony that sounds before a note.
     */
    private function harmonyBefore(Note $note): int
    {
        return Search::last(count($this->harmonies), fn (int $index): bool => $this->harmonies[$index]->from->isLessThan($note->onset));
    }

    /**
     * Whether the harmony before a note is a dominant on its root that has lasted and began within a bar.
     */
    private function opensBefore(Note $note): bool
    {
        $harmony = $this->harmonies[$this->harmonyBefore($note)] ?? null;
        if ($harmony === null || $harmony->inversion !== 0 || ! in_array($harmony->numeral, ['V', 'V7'], true)) {
            return false;
        }
        $bar = $this->score->measures[$note->measure]->time->length();

        return ! $harmony->to->minus($harmony->from)->isLessThan($bar->times(Fraction::of(...self::HALF_CADENCE_BARS)))
            && $note->onset->minus($harmony->from)->toFloat() <= $bar->toFloat() + self::SLACK;
    }

    private function readSlurs(): void
    {
        $byId = $lines = [];
        foreach ($this->score->notes as $note) {
            $byId[$note->id] = $note;
        }
        foreach ($this->line as $index => $note) {
            $lines["$note->staff/$note->voice"][] = $index;
        }
        foreach ($this->score->slurs as $slur) {
            $from = $byId[$slur->from];
            $to = $byId[$slur->to];
            $bars = $this->barPlace($to->onset) - $this->barPlace($from->onset);
            $this->slurBegins[(string) $from->onset] = max($bars, $this->slurBegins[(string) $from->onset] ?? 0.0);
            $line = $lines["$from->staff/$from->voice"] ?? [];
            $first = $line === [] ? 0 : Search::last(count($line), fn (int $place): bool => ! $from->onset->isLessThan($this->line[$line[$place]]->onset));
            for ($place = $first; $place < count($line); $place++) {
                $note = $this->line[$line[$place]];
                if ($to->onset->isLessThan($note->onset)) {
                    break;
                }
                if ($note->onset->equals($to->onset)) {
                    $this->slurEnds[$note->id] = $bars;
                } elseif (! $note->onset->isLessThan($from->onset)) {
                    $this->slursOver[$note->id] = ($this->slursOver[$note->id] ?? 0) + 1;
                }
            }
        }
    }
}
