<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * What a score means: keys, harmonies, form, and what each note is for.
 */
final readonly class Reading
{
    /**
     * @param  list<KeyArea>  $keys
     * @param  list<Harmony>  $harmonies  that follow each other from the beginning to the end
     * @param  list<NonChordNote>  $nonChordNotes
     * @param  list<Cadence>  $cadences
     * @param  list<Boundary>  $boundaries  where phrases begin
     * @param  list<Section>  $sections
     * @param  list<Likeness>  $likenesses
     * @param  list<Pattern>  $patterns
     * @param  array<string, LayeredNote>  $layers  by note id
     * @param  array<string, Hand>  $hands  by note id
     * @param  list<BarTexture>  $textures  by bar
     * @param  list<InnerLine>  $innerLines
     * @param  ?Fraction  $finalChord  where it comes to rest; null where it breaks off
     * @param  list<Boundary>  $phrases  as read, without the teacher's boundaries and without sections
     */
    private function __construct(
        public array $keys,
        public array $harmonies,
        public array $nonChordNotes,
        public array $cadences,
        public array $boundaries,
        public array $sections,
        public array $likenesses,
        public array $patterns,
        public array $layers,
        public array $hands,
        public array $textures,
        public array $innerLines,
        public ?Fraction $finalChord,
        private array $phrases,
    ) {
    }

    public static function of(Score $score): self
    {
        $keys = KeyReader::read($score);
        $harmonies = Numerals::name($keys, HarmonyReader::read($score, $keys));
        $layers = LayerReader::read($score, $harmonies);
        $hands = HandReader::read($score);
        $textures = TextureReader::read($score, $layers);

        return self::compose(
            $score, $keys, $harmonies, PhraseReader::read($score, $layers, $textures, $harmonies), self::likenesses($score, $hands, $layers),
            Patterns::find($score, $hands), $layers, $hands, $textures, InnerLines::find($score, $layers), new Corrections,
        );
    }

    /**
     * What a note is for; null for one that was not read.
     */
    public function layerOf(Note $note): ?Layer
    {
        return ($this->layers[$note->id] ?? null)?->layer;
    }

    /**
     * This reading with what the teacher reads otherwise, and what rests on it read again.
     */
    public function corrected(Score $score, Corrections $corrections): self
    {
        if ($corrections->isEmpty()) {
            return $this;
        }
        [$harmonies, $layers, $textures, $innerLines, $phrases] = [$this->harmonies, $this->layers, $this->textures, $this->innerLines, $this->phrases];
        [$hands, $likenesses, $patterns] = [$this->hands, $this->likenesses, $this->patterns];
        if ($corrections->harmonies !== []) {
            $harmonies = Numerals::name($this->keys, $this->around($score, $corrections->harmonies));
        }
        if ($corrections->layers !== []) {
            $layers = array_replace($layers, self::layered($corrections));
            $textures = TextureReader::read($score, $layers);
            $innerLines = InnerLines::find($score, $layers);
        }
        if ($corrections->harmonies !== [] || $corrections->layers !== []) {
            $phrases = PhraseReader::read($score, $layers, $textures, $harmonies);
        }
        if ($corrections->hands !== []) {
            $hands = array_replace($hands, $corrections->hands);
            $patterns = Patterns::find($score, $hands);
        }
        if ($corrections->hands !== [] || $corrections->layers !== []) {
            $likenesses = self::likenesses($score, $hands, $layers);
        }

        return self::compose($score, $this->keys, $harmonies, $phrases, $likenesses, $patterns, $layers, $hands, $textures, $innerLines, $corrections);
    }

    /**
     * The same piece with other notes, or some of them.
     *
     * @param  array<string, Hand>  $hands  by note id
     * @param  array<string, LayeredNote>  $layers  by note id
     */
    public function withNotes(array $hands, array $layers): self
    {
        return new self(
            $this->keys, $this->harmonies, $this->nonChordNotes, $this->cadences, $this->boundaries, $this->sections, $this->likenesses, $this->patterns,
            $layers, $hands, $this->textures, $this->innerLines, $this->finalChord, $this->phrases,
        );
    }

    /**
     * This reading with the hands and layers of the teacher, and nothing that rests on them read again.
     */
    public function handedOut(Corrections $corrections): self
    {
        return $this->withNotes(array_replace($this->hands, $corrections->hands), array_replace($this->layers, self::layered($corrections)));
    }

    /**
     * @param  array<string, Hand>  $hands
     * @param  array<string, LayeredNote>  $layers
     * @return list<Likeness> by bar
     */
    private static function likenesses(Score $score, array $hands, array $layers): array
    {
        $repeats = Likenesses::find($score, $hands);
        $all = [...$repeats, ...Themes::find($score, $layers, $hands, $repeats)];
        usort($all, fn (Likeness $a, Likeness $b): int => $a->from <=> $b->from);

        return $all;
    }

    /**
     * @return array<string, LayeredNote> by note id
     */
    private static function layered(Corrections $corrections): array
    {
        return array_map(fn (Layer $layer): LayeredNote => new LayeredNote($layer, 1.0), $corrections->layers);
    }

    /**
     * What rests on everything else: sections, cadences and the names of non-chord notes.
     *
     * @param  list<KeyArea>  $keys
     * @param  list<Harmony>  $harmonies
     * @param  list<Boundary>  $phrases
     * @param  list<Likeness>  $likenesses
     * @param  list<Pattern>  $patterns
     * @param  array<string, LayeredNote>  $layers
     * @param  array<string, Hand>  $hands
     * @param  list<BarTexture>  $textures
     * @param  list<InnerLine>  $innerLines
     */
    private static function compose(
        Score $score, array $keys, array $harmonies, array $phrases, array $likenesses, array $patterns, array $layers, array $hands, array $textures,
        array $innerLines, Corrections $corrections,
    ): self {
        [$boundaries, $sections] = SectionReader::read($score, $corrections->applyTo($phrases), $keys, $textures, $likenesses);

        $cadences = Cadences::find($score, $keys, $harmonies, $boundaries);
        $nonChordNotes = NonChordNotes::name($score, $harmonies);

        return new self(
            $keys, AddedNotes::find($score, $harmonies, $nonChordNotes), $nonChordNotes, $cadences, $boundaries, $sections,
            Answering::mark($score, $likenesses, $boundaries, $cadences), $patterns, $layers, $hands, $textures, $innerLines, FinalChord::find($score, $harmonies), $phrases,
        );
    }

    /**
     * The harmonies with those that touch a fixed one read again around it.
     *
     * @param  list<FixedHarmony>  $fixed
     * @return list<Harmony>
     */
    private function around(Score $score, array $fixed): array
    {
        $harmonies = $this->harmonies;
        foreach ($fixed as $one) {
            $touched = array_keys(array_filter($harmonies, fn (Harmony $harmony): bool => $harmony->from->isLessThan($one->to) && $one->from->isLessThan($harmony->to)));
            if ($touched === []) {
                continue;
            }
            [$first, $last] = [$touched[0], $touched[count($touched) - 1]];
            $from = $harmonies[$first]->from;
            $to = $harmonies[$last]->to;
            $inside = array_values(array_filter($fixed, fn (FixedHarmony $other): bool => ! $other->from->isLessThan($from) && ! $to->isLessThan($other->to)));
            array_splice($harmonies, $first, $last - $first + 1, HarmonyReader::within($score, $this->keys, $inside, $from, $to));
        }

        return $harmonies;
    }

    /**
     * @return array{keys: list<array<string, string>>, segments: list<array<string, mixed>>} for other programs
     */
    public function toArray(): array
    {
        return [
            'keys' => $this->keysArray(),
            'segments' => array_map(fn (Harmony $harmony): array => [
                'from' => (string) $harmony->from, 'to' => (string) $harmony->to, 'root' => $harmony->rootName(), 'quality' => $harmony->quality->value,
                'inversion' => $harmony->inversion, 'numeral' => $harmony->numeral, 'bass' => $harmony->bassName(), 'name' => $harmony->name(),
                'outside' => $harmony->outside,
            ], $this->harmonies),
        ];
    }

    /**
     * @return list<array<string, string>>
     */
    private function keysArray(): array
    {
        return array_map(fn (KeyArea $area): array => [
            'from' => (string) $area->from, 'to' => (string) $area->to, 'tonic' => $area->key->tonicName(), 'mode' => $area->key->mode(),
        ], $this->keys);
    }
}
