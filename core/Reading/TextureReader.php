<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * Names the texture of every bar from its layers and from how its voices move; thresholds are ours [start].
 */
final class TextureReader
{
    /** Shares of the strokes of a bar [start]: full chords for block chords, and so few for broken ones. */
    private const FULL_CHORDS = 0.6;

    private const FEW_FULL_CHORDS = 0.4;

    /** A voice that is a line has few chords; one that moves strikes so often and repeats itself so little [start]. */
    private const LINE_CHORDS = 0.2;

    private const MOVING_STROKES = 3;

    private const MOVING_REPEATS = 0.5;

    /** A figure skips so much over so many strokes; counterpoint steps at least so much [start]. */
    private const FIGURE_SKIPS = 0.75;

    private const FIGURE_STROKES = 4;

    private const COUNTERPOINT_STEPS = 0.4;

    /**
     * @param  array<string, LayeredNote>  $layers
     * @return list<BarTexture> by bar
     */
    public static function read(Score $score, array $layers): array
    {
        $streams = Stream::of($score->notes);
        $notes = [];
        foreach ($score->notes as $note) {
            if (! $note->grace) {
                $notes[$note->measure][] = $note;
            }
        }
        $textures = [];
        foreach ($score->measures as $measure) {
            $textures[] = self::of($streams[$measure->index] ?? [], $notes[$measure->index] ?? [], $layers);
        }

        return $textures;
    }

    /**
     * @param  array<string, Stream>  $streams
     * @param  list<Note>  $notes
     * @param  array<string, LayeredNote>  $layers
     */
    private static function of(array $streams, array $notes, array $layers): BarTexture
    {
        if ($notes === []) {
            return BarTexture::Silence;
        }
        $onsets = [];
        foreach ($notes as $note) {
            $onsets[(string) $note->onset][] = $note;
        }
        if (count($onsets) === count($notes) && count(array_unique(array_column($notes, 'staff'))) === 1 && ! self::overlaps($notes)) {
            $stream = $streams[array_key_first($streams)] ?? null;

            return $stream !== null && count($streams) === 1 && $stream->isBrokenChord() && ! self::has($notes, $layers, Layer::Melody) ? BarTexture::BrokenChords : BarTexture::SingleLine;
        }
        $doubled = self::doubled($onsets);
        if ($doubled !== null) {
            return $doubled;
        }

        return self::ofSeveral($streams, $onsets, $notes, $layers);
    }

    /**
     * @param  array<string, Stream>  $streams
     * @param  array<string, non-empty-list<Note>>  $onsets
     * @param  list<Note>  $notes
     * @param  array<string, LayeredNote>  $layers
     */
    private static function ofSeveral(array $streams, array $onsets, array $notes, array $layers): BarTexture
    {
        $low = array_filter($streams, fn (Stream $stream): bool => $stream->staff > 1);
        foreach ($low as $stream) {
            if (self::isBassAndChords($stream)) {
                return BarTexture::BassChordChord;
            }
        }
        $full = count(array_filter($onsets, fn (array $struck): bool => count($struck) >= 3)) / count($onsets);
        if ($full >= self::FULL_CHORDS) {
            return BarTexture::BlockChords;
        }
        if (self::isCounterpoint($streams)) {
            return BarTexture::Counterpoint;
        }
        $broken = array_filter($streams, fn (Stream $stream): bool => $stream->isBrokenChord());
        if (! self::has($notes, $layers, Layer::Melody)) {
            return $broken !== [] || $full < self::FEW_FULL_CHORDS ? BarTexture::BrokenChords : BarTexture::BlockChords;
        }
        $chordal = count(array_filter($onsets, fn (array $struck): bool => count($struck) >= 2)) / count($onsets);

        return $broken === [] && ($full >= 0.45 || ($chordal >= 0.7 && count($notes) >= 2.4 * count($onsets))) ? BarTexture::BlockChords : BarTexture::MelodyAndAccompaniment;
    }

    /**
     * @param  list<Note>  $notes
     */
    private static function overlaps(array $notes): bool
    {
        foreach ($notes as $index => $note) {
            $next = $notes[$index + 1] ?? null;
            if ($next !== null && $next->onset->isLessThan($note->end())) {
                return true;
            }
        }

        return false;
    }

    /**
     * Octaves in one hand, or both hands in unison, where nothing else sounds.
     *
     * @param  array<string, non-empty-list<Note>>  $onsets
     */
    private static function doubled(array $onsets): ?BarTexture
    {
        $same = $hands = 0;
        foreach ($onsets as $struck) {
            $classes = array_unique(array_map(fn (Note $note): int => $note->midi % 12, $struck));
            $same += count($struck) > 1 && count($classes) === 1 ? 1 : 0;
            $hands += count(array_unique(array_map(fn (Note $note): int => $note->staff, $struck))) > 1 ? 1 : 0;
        }
        if ($same < 0.8 * count($onsets) || count($onsets) < 2) {
            return null;
        }

        return $hands >= 0.8 * count($onsets) ? BarTexture::Unison : BarTexture::Octaves;
    }

    /**
     * A single low note on the beat, then chords above it.
     */
    private static function isBassAndChords(Stream $stream): bool
    {
        $first = $stream->strokes[0];
        $rest = array_slice($stream->strokes, 1);
        $low = count($first) === 1 || (count($first) === 2 && $first[1]->midi - $first[0]->midi === 12);
        if (! $low || $rest === []) {
            return false;
        }
        $chords = array_filter($rest, fn (array $stroke): bool => count($stroke) >= 2 && $stroke[0]->midi > $first[0]->midi && $stroke[count($stroke) - 1]->midi - $stroke[0]->midi < 12);

        return count($chords) >= max(1, 0.5 * count($rest));
    }

    /**
     * Two or more single lines, each moving on its own.
     *
     * @param  array<string, Stream>  $streams
     */
    private static function isCounterpoint(array $streams): bool
    {
        $lines = array_filter($streams, fn (Stream $stream): bool => $stream->chordShare() < self::LINE_CHORDS);
        $moving = array_filter($lines, fn (Stream $stream): bool => count($stream->strokes) >= self::MOVING_STROKES && $stream->repeatShare() < self::MOVING_REPEATS);
        if (count($lines) < count($streams) || count($moving) < 2) {
            return count($lines) === count($streams) && count($lines) === 2 && count($moving) === 1 && self::stepwise($moving) && ! self::rests($lines);
        }

        return self::stepwise($moving);
    }

    /**
     * @param  array<string, Stream>  $streams
     */
    private static function stepwise(array $streams): bool
    {
        $steps = array_sum(array_map(fn (Stream $stream): float => $stream->stepShare(), $streams)) / count($streams);
        $figures = array_filter($streams, fn (Stream $stream): bool => $stream->skipShare() > self::FIGURE_SKIPS && count($stream->strokes) >= self::FIGURE_STROKES);

        return $steps >= self::COUNTERPOINT_STEPS && $figures === [];
    }

    /**
     * @param  array<string, Stream>  $streams
     */
    private static function rests(array $streams): bool
    {
        return array_filter($streams, fn (Stream $stream): bool => count($stream->strokes) < 2) !== [];
    }

    /**
     * @param  list<Note>  $notes
     * @param  array<string, LayeredNote>  $layers
     */
    private static function has(array $notes, array $layers, Layer $layer): bool
    {
        foreach ($notes as $note) {
            if (($layers[$note->id] ?? null)?->layer === $layer) {
                return true;
            }
        }

        return false;
    }
}
