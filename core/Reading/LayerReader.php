<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * Tells for every note whether it is melody, bass, an inner line or filling.
 *
 * The top line is the melody where it is a line (skyline: Uitdenbogerd & Zobel, "Manipulation of music for melody
 * matching", ACM Multimedia 1998 [pub]); a figure or repeated chords on top are not, and then a line that sings
 * elsewhere is. The bass is what lies lowest within its harmony. All weights are ours [start].
 */
final class LayerReader
{
    /** A voice must sing at least so much to be called a melody. */
    private const SINGS = 0.45;

    private const TOP = 0.9;

    private const STEPS = 0.8;

    private const SLURRED = 0.25;

    private const LOWER_STAFF = 0.35;

    /** What is on top accompanies for certain if it sings no more than this. */
    private const ACCOMPANIES = -1.0;

    private const FIGURE = 1.8;

    private const REPEATED = 1.6;

    /** A single note a bar deep below is a bass, not a song. */
    private const DEEP = 48;

    /** Shares of a voice in a bar [start]: of chords, of steps, of repeated notes. */
    private const FEW_CHORDS = 0.3;

    private const MANY_CHORDS = 0.5;

    private const MANY_STEPS = 0.5;

    private const MANY_REPEATS = 0.6;

    /** What chords in the lower staff, and detached ones on weak beats, take from singing [start]. */
    private const LOW_CHORDS = 0.5;

    private const WEAK_CHORDS = 0.6;

    /** How sure a layer is where it is not told by singing itself [start]. */
    private const SURE_OF_MELODY = 0.7;

    private const SURE_OF_INNER = 0.7;

    private const SURE_OF_FILLING = 0.8;

    private const SURE_OF_BASS = 0.9;

    private const SURE_OF_BASS_IN_LINE = 0.8;

    private const SURE_OF_THE_REST = 0.5;

    /** Share of the notes of a low line that must be bass for all of them to be [start]. */
    private const MOSTLY_BASS = 0.6;

    /** And of the lower of two lines [start]. */
    private const PARTLY_BASS = 0.33;

    /** Share of the bars that must have the same figure for a piece to be made of it [start]. */
    private const ONE_FIGURE = 0.5;

    /** @var array<string, LayeredNote> by note id */
    private array $layers = [];

    /** Whether nothing but the piano is in the score. */
    private readonly bool $isAlone;

    /** @var array<string, float> by voice, the share of its most frequent figure */
    private array $usual = [];

    /** @var array<int, array<string, Stream>> */
    private readonly array $streams;

    /** The lowest note that is held where the bass is being looked for. */
    private ?Note $held = null;

    /** @var array<string, true> ids of notes at which a slur begins or ends */
    private array $slurred = [];

    /**
     * @param  list<Harmony>  $harmonies
     */
    private function __construct(private readonly Score $score, private readonly array $harmonies)
    {
        $this->streams = Stream::of($score->notes);
        $this->isAlone = count($score->parts) === count($score->readParts);
        foreach ($score->slurs as $slur) {
            $this->slurred[$slur->from] = $this->slurred[$slur->to] = true;
        }
    }

    /**
     * @param  list<Harmony>  $harmonies
     * @return array<string, LayeredNote> by note id, for every note
     */
    public static function read(Score $score, array $harmonies): array
    {
        return (new self($score, $harmonies))->all();
    }

    /**
     * @return array<string, LayeredNote>
     */
    private function all(): array
    {
        $this->findBass();
        $scores = [];
        foreach ($this->streams as $bar => $streams) {
            foreach ($streams as $voice => $stream) {
                $scores[$bar][$voice] = $this->song($stream);
            }
            $scores[$bar] = $this->underAccompaniment($streams, $scores[$bar]);
        }
        foreach ($this->streams as $bar => $streams) {
            $this->layBar($bar, $streams, $scores);
        }
        $this->keepLowLines();
        $this->layGraceNotes();

        return $this->layers;
    }

    /**
     * One line of the lowest staff is bass from note to note where most of it is, in its bar and those beside it, or where it
     * is the lower of two lines of a piece for the piano alone.
     */
    private function keepLowLines(): void
    {
        $staff = $this->score->staves();
        $isBass = fn (Note $note): bool => $this->layers[$note->id]->layer === Layer::Bass;
        foreach ($this->streams as $bar => $streams) {
            foreach ($streams as $voice => $stream) {
                if ($staff === 1 || $stream->staff !== $staff || $stream->chordShare() > 0.0 || $stream->isBrokenChord()) {
                    continue;
                }
                $notes = $stream->tops();
                $near = $notes;
                foreach ([$bar - 1, $bar + 1] as $beside) {
                    $near = [...$near, ...($this->streams[$beside][$voice] ?? null)?->tops() ?? []];
                }
                $here = count(array_filter($notes, $isBass)) / max(1, count($notes));
                $isLower = $this->isAlone && count($streams) === 2 && $here >= self::PARTLY_BASS;
                if (! $isLower && min($here, count(array_filter($near, $isBass)) / max(1, count($near))) < self::MOSTLY_BASS) {
                    continue;
                }
                foreach ($notes as $note) {
                    if (in_array($this->layers[$note->id]->layer, [Layer::Inner, Layer::Filling], true)) {
                        $this->layers[$note->id] = new LayeredNote(Layer::Bass, self::SURE_OF_BASS_IN_LINE);
                    }
                }
            }
        }
    }

    /**
     * @param  array<string, Stream>  $streams
     * @param  array<int, array<string, float>>  $scores
     */
    private function layBar(int $bar, array $streams, array $scores): void
    {
        $smooth = [];
        foreach ($scores[$bar] as $voice => $value) {
            $near = array_filter([$scores[$bar - 1][$voice] ?? null, $scores[$bar + 1][$voice] ?? null], fn (?float $v): bool => $v !== null);
            $smooth[$voice] = $near === [] ? $value : 0.6 * $value + 0.4 * array_sum($near) / count($near);
        }
        arsort($smooth);
        $best = array_key_first($smooth);
        $values = array_values($smooth);
        $confidence = max(0.3, min(1.0, 0.5 + ($values[0] ?? 0.0) - ($values[1] ?? 0.0)));
        $melody = $best !== null && $smooth[$best] >= self::SINGS ? $streams[$best] : null;
        if ($melody === null && ($alone = $this->upperOfTwo($streams)) !== null) {
            [$melody, $confidence] = [$alone, self::SURE_OF_THE_REST];
        }
        foreach ($melody === null ? [] : $melody->tops() as $note) {
            $this->layers[$note->id] = new LayeredNote(Layer::Melody, round($confidence, 2));
        }
        foreach ($streams as $stream) {
            $isInner = $stream !== $melody && $melody !== null && $this->isInnerLine($stream);
            foreach ($stream->strokes as $stroke) {
                foreach ($stroke as $note) {
                    $this->layers[$note->id] ??= new LayeredNote($isInner ? Layer::Inner : Layer::Filling, $isInner ? self::SURE_OF_INNER : self::SURE_OF_FILLING);
                }
            }
        }
        if ($melody !== null) {
            $this->doubleMelody($melody, $streams);
        }
    }

    /**
     * The upper of two lines of a piece for the piano alone, which nothing else sings over: its tune, even where it breaks
     * chords, but for a piece made of one figure.
     *
     * @param  array<string, Stream>  $streams
     */
    private function upperOfTwo(array $streams): ?Stream
    {
        if (! $this->isAlone || count($streams) !== 2) {
            return null;
        }
        foreach ($streams as $voice => $stream) {
            if ($stream->staff === 1 && $stream->chordShare() === 0.0 && $this->isOnTop($stream)) {
                return $this->usualFigure($voice) >= self::ONE_FIGURE ? null : $stream;
            }
        }

        return null;
    }

    /**
     * Share of the bars of a voice that have its most frequent figure.
     */
    private function usualFigure(string $voice): float
    {
        if (! isset($this->usual[$voice])) {
            $bars = array_filter($this->streams, fn (array $streams): bool => isset($streams[$voice]));
            $figures = array_count_values(array_map(fn (array $streams): string => $streams[$voice]->contour(), $bars));
            $this->usual[$voice] = max([0, ...array_values($figures)]) / max(1, count($bars));
        }

        return $this->usual[$voice];
    }

    /**
     * Where what lies on top only accompanies, a line under it is not held back for lying low.
     *
     * @param  array<string, Stream>  $streams
     * @param  array<string, float>  $scores
     * @return array<string, float>
     */
    private function underAccompaniment(array $streams, array $scores): array
    {
        foreach ($streams as $voice => $stream) {
            if ($this->isOnTop($stream) && $scores[$voice] > self::ACCOMPANIES) {
                return $scores;
            }
        }
        foreach ($streams as $voice => $stream) {
            if ($stream->staff > 1 && count($stream->strokes) > 2 && $stream->chordShare() < self::FEW_CHORDS && $stream->stepShare() >= self::MANY_STEPS) {
                $scores[$voice] += self::LOWER_STAFF;
            }
        }

        return $scores;
    }

    /**
     * How much a voice sings in its bar.
     */
    private function song(Stream $stream): float
    {
        $tops = $stream->tops();
        $value = self::STEPS * $stream->stepShare() - self::REPEATED * ($stream->chordShare() > 0.5 ? $stream->repeatShare() : 0.0);
        $value += $this->isOnTop($stream) ? self::TOP : 0.0;
        $value -= $stream->staff > 1 ? self::LOWER_STAFF : 0.0;
        $value -= $this->isFigure($stream) ? self::FIGURE : 0.0;
        foreach ($tops as $note) {
            if (isset($this->slurred[$note->id])) {
                $value += self::SLURRED;
                break;
            }
        }
        $isBass = array_filter($tops, fn (Note $note): bool => isset($this->layers[$note->id])) !== [];
        if ($isBass && (count($tops) < 3 || $stream->meanPitch() < self::DEEP)) {
            $value -= 1.0;
        }
        if ($stream->chordShare(2) > self::MANY_CHORDS && $stream->staff > 1) {
            $value -= self::LOW_CHORDS;
        }
        // Detached chords on the weak beats accompany, whatever lies on top of them.
        if ($stream->chordShare() === 1.0 && count($tops) <= 3 && $stream->stepShare() === 0.0 && $stream->repeatShare() > 0) {
            $value -= self::WEAK_CHORDS;
        }

        return $value;
    }

    /**
     * A broken chord whose pattern comes again in the bar, in a bar beside it, or under something that moves more slowly.
     */
    private function isFigure(Stream $stream): bool
    {
        if (! $stream->isBrokenChord()) {
            return $stream->chordShare() > self::MANY_CHORDS && $stream->repeatShare() >= self::MANY_REPEATS;
        }
        foreach ([$stream->measure - 1, $stream->measure + 1] as $bar) {
            $near = $this->streams[$bar][$stream->voice] ?? null;
            if ($near !== null && $near->contour() === $stream->contour()) {
                return true;
            }
        }
        $tops = $stream->tops();
        $turns = 0;
        for ($index = 2; $index < count($tops); $index++) {
            $turns += ($tops[$index]->midi <=> $tops[$index - 1]->midi) !== ($tops[$index - 1]->midi <=> $tops[$index - 2]->midi) ? 1 : 0;
        }

        return $turns >= 2;
    }

    private function isOnTop(Stream $stream): bool
    {
        foreach ($this->streams[$stream->measure] as $other) {
            if ($other !== $stream && $other->meanPitch() > $stream->meanPitch() && count($other->strokes) > 0) {
                return false;
            }
        }

        return true;
    }

    /**
     * A single line that moves, for the most part by step; a repeated or held note is filling.
     */
    private function isInnerLine(Stream $stream): bool
    {
        $strokes = [];
        foreach ([$stream->measure - 1, $stream->measure, $stream->measure + 1] as $bar) {
            $strokes = [...$strokes, ...($this->streams[$bar][$stream->voice]->strokes ?? [])];
        }
        $wide = new Stream($stream->measure, $stream->staff, $stream->voice, $strokes);

        return $stream->chordShare() < self::FEW_CHORDS && count($strokes) >= 3 && $wide->stepShare() >= self::MANY_STEPS && ! $this->isFigure($stream);
    }

    /**
     * What doubles the melody in octaves, stroke by stroke, is melody too.
     *
     * @param  array<string, Stream>  $streams
     */
    private function doubleMelody(Stream $melody, array $streams): void
    {
        $tops = [];
        foreach ($melody->tops() as $note) {
            $tops[(string) $note->onset] = $note;
        }
        $doubles = [];
        foreach ($streams as $stream) {
            foreach ($stream->strokes as $stroke) {
                foreach ($stroke as $note) {
                    $top = $tops[(string) $note->onset] ?? null;
                    if ($top !== null && $note !== $top && ($top->midi - $note->midi) % 12 === 0 && $note->duration->equals($top->duration)) {
                        $doubles["$note->staff/".($top->midi - $note->midi)][] = $note;
                    }
                }
            }
        }
        foreach ($doubles as $notes) {
            foreach (count($notes) >= max(2, 0.8 * count($tops)) ? $notes : [] as $note) {
                if ($this->layers[$note->id]->layer !== Layer::Bass) {
                    $this->layers[$note->id] = new LayeredNote(Layer::Melody, self::SURE_OF_MELODY);
                }
            }
        }
    }

    /**
     * In the lowest staff, the lowest notes of each harmony, bar by bar; all of a single low line that moves by step.
     */
    private function findBass(): void
    {
        $harmony = 0;
        $staff = $this->score->staves();
        foreach ($this->streams as $bar => $streams) {
            $low = array_filter($streams, fn (Stream $stream): bool => $stream->staff === $staff && $staff > 1);
            /** @var array<int, list<list<Note>>> $spans strokes by harmony */
            $spans = [];
            foreach ($low as $stream) {
                foreach ($stream->strokes as $stroke) {
                    while (isset($this->harmonies[$harmony + 1]) && ! $stroke[0]->onset->isLessThan($this->harmonies[$harmony]->to)) {
                        $harmony++;
                    }
                    while ($harmony > 0 && $stroke[0]->onset->isLessThan($this->harmonies[$harmony]->from)) {
                        $harmony--;
                    }
                    $spans[$harmony][] = $stroke;
                }
            }
            foreach ($spans as $index => $strokes) {
                usort($strokes, fn (array $a, array $b): int => [$a[0]->onset->toFloat(), $a[0]->midi] <=> [$b[0]->onset->toFloat(), $b[0]->midi]);
                $spans[$index] = $strokes;
            }
            ksort($spans);
            $line = $this->isLine($low);
            foreach ($spans as $strokes) {
                $this->bassOf($this->notAboveHeld($strokes), $line, $this->score->measures[$bar]->start);
            }
        }
    }

    /**
     * Strokes under which no lower note is held.
     *
     * @param  list<list<Note>>  $strokes
     * @return list<list<Note>>
     */
    private function notAboveHeld(array $strokes): array
    {
        return array_values(array_filter($strokes, function (array $stroke): bool {
            $held = $this->held;
            if ($held === null || ! $stroke[0]->onset->isLessThan($held->end()) || $stroke[0]->midi <= $held->midi) {
                $this->held = $stroke[0];

                return true;
            }

            return $held->onset->equals($stroke[0]->onset);
        }));
    }

    /**
     * @param  list<list<Note>>  $strokes  of one harmony within a bar
     * @param  bool  $line  whether the lower staff has a single line that moves by step
     */
    private function bassOf(array $strokes, bool $line, Fraction $start): void
    {
        if ($strokes === []) {
            return;
        }
        $lowest = min(array_map(fn (array $stroke): int => $stroke[0]->midi, $strokes));
        foreach ($strokes as $stroke) {
            $onBeat = $stroke[0]->onset->minus($start)->isZero();
            $isBass = $line || $stroke[0]->midi <= $lowest || ($onBeat && $stroke[0]->midi <= $lowest + 7 && count($stroke) === 1);
            if (! $isBass) {
                continue;
            }
            $this->layers[$stroke[0]->id] = new LayeredNote(Layer::Bass, $line ? self::SURE_OF_BASS_IN_LINE : self::SURE_OF_BASS);
            $octave = $stroke[1] ?? null;
            if ($octave !== null && count($stroke) === 2 && $octave->midi - $stroke[0]->midi === 12) {
                $this->layers[$octave->id] = new LayeredNote(Layer::Bass, self::SURE_OF_BASS_IN_LINE);
            }
        }
    }

    /**
     * @param  array<string, Stream>  $low
     */
    private function isLine(array $low): bool
    {
        foreach ($low as $stream) {
            if (count($low) === 1 && $stream->chordShare(3) === 0.0 && ! $stream->isBrokenChord() && $stream->chordShare() < 0.5 && count($stream->strokes) >= 2 && $stream->skipShare() < 0.4 && $stream->repeatShare() < 0.5) {
                return true;
            }
        }

        return false;
    }

    /**
     * A grace note belongs to the note it leads to.
     */
    private function layGraceNotes(): void
    {
        $waiting = [];
        foreach ($this->score->notes as $note) {
            $voice = "$note->staff/$note->voice";
            if (isset($waiting[$voice]) && ! $waiting[$voice][0]->onset->equals($note->onset)) {
                unset($waiting[$voice]);
            }
            if ($note->grace) {
                $waiting[$voice][] = $note;

                continue;
            }
            // The highest note of a chord comes last and has the last word.
            foreach ($waiting[$voice] ?? [] as $grace) {
                $this->layers[$grace->id] = $this->layers[$note->id];
            }
        }
        foreach ($this->score->notes as $note) {
            $this->layers[$note->id] ??= new LayeredNote(Layer::Filling, self::SURE_OF_THE_REST);
        }
    }
}
