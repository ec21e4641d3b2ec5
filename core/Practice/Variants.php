<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Count\EvenPassage;
use Tarnwind\Core\Count\Hazard;
use Tarnwind\Core\Count\HazardKind;
use Tarnwind\Core\Count\Hazards;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Note;

/**
 * Which of the variants that teachers make of a passage help with a chunk, and why. Limits are ours [start].
 */
final class Variants
{
    /** Broken chords in so much of the bars are played as blocks first. */
    private const BROKEN = 0.5;

    /** A chord of so many notes is thick; so much of the strokes make a passage of chords. */
    private const THICK = 4;

    private const CHORDS = 0.5;

    /** So much filling hides melody and bass. */
    private const FILLING = 0.25;

    private const INNER = 3;

    /** Changes of the pedal in a bar. */
    private const BUSY_FOOT = 1.5;

    /** Notes of a run, and notes a second, that are worth practising in rhythms. */
    private const RUN = 8;

    private const QUICK = 4.0;

    /** From this hardness on hands are practised apart by either school. */
    private const HARD = 1.0;

    /** Variants of a chunk at most. */
    private const MOST = 3;

    /** @var list<Hazard> */
    private readonly array $hazards;

    /** @var list<EvenPassage> */
    private readonly array $runs;

    public function __construct(private readonly Performance $performance)
    {
        $score = $performance->score();
        $this->hazards = $performance->part(BarDemands::class)->counting->hazards;
        $lines = Hazards::lines(array_values(array_filter($score->notes, fn (Note $note): bool => ! $note->grace)));
        $this->runs = array_values(array_filter(
            EvenPassage::find($performance->tempo(), $lines), fn (EvenPassage $passage): bool => ! $passage->oneKey && count($passage->notes) >= self::RUN && $passage->rate >= self::QUICK,
        ));
    }

    /**
     * @param  bool  $isTypical  whether it stands for others of its texture: what helps with that is not asked of every chunk
     * @return array<string, string> why, by the kind of step, the most helpful first
     */
    public function of(Chunk $chunk, Start $start, bool $isTypical): array
    {
        $notes = $chunk->bars->of($this->performance->score()->notes, fn (Note $note): int => $note->measure);
        $hands = array_filter(['right-hand' => Hand::Right, 'left-hand' => Hand::Left], fn (Hand $hand): bool => $this->share($notes, fn (Note $note): bool => $this->performance->reading()->hands[$note->id] === $hand) > 0);
        $apart = match (true) {
            count($hands) < 2 => [],
            $start === Start::Apart => array_map(fn (): string => 'hands apart first', $hands),
            $chunk->hardness >= self::HARD => $this->hard($chunk, $hands),
            default => [],
        };
        $found = array_filter([
            StepKind::Tapped->value => $this->tapped($chunk),
            StepKind::Blocks->value => $isTypical ? $this->blocks($chunk) : null,
            StepKind::GroupsOfFour->value => $this->run($chunk),
            StepKind::Outer->value => $isTypical ? $this->outer($notes) : null,
            StepKind::MelodyAndBass->value => $isTypical ? $this->melodyAndBass($notes) : null,
            StepKind::SilentInner->value => $this->inner($notes),
            StepKind::PedalAlone->value => $this->foot($chunk),
        ]);
        $fewer = $apart === [] ? self::MOST : self::MOST - 1;

        return $apart + array_slice($found, 0, $fewer);
    }

    /**
     * The hands that make a chunk hard; both where none is named.
     *
     * @param  array<string, Hand>  $hands
     * @return array<string, string> why, by kind of step
     */
    private function hard(Chunk $chunk, array $hands): array
    {
        $why = [];
        foreach ($hands as $kind => $hand) {
            $of = array_values(array_filter($chunk->reasons, fn (string $reason): bool => str_contains($reason, "$hand->value hand")));
            $why += $of === [] ? [] : [$kind => $of[0]];
        }

        return $why === [] ? array_map(fn (): string => $chunk->reasons[0] ?? 'harder than most of the piece', $hands) : $why;
    }

    private function tapped(Chunk $chunk): ?string
    {
        $counted = [HazardKind::CrossRhythm, HazardKind::DottedFigure, HazardKind::LateRest, HazardKind::SilentFirstBeat];
        $hazards = $chunk->bars->of(array_values(array_filter($this->hazards, fn (Hazard $hazard): bool => in_array($hazard->kind, $counted, true))), fn (Hazard $hazard): int => $hazard->measure);

        return $hazards === [] ? null : lcfirst(rtrim($hazards[0]->reason, '.')).(count($hazards) > 1 ? ', and '.(count($hazards) - 1).' more places to count' : '');
    }

    private function blocks(Chunk $chunk): ?string
    {
        $textures = array_slice($this->performance->reading()->textures, $chunk->bars->first, $chunk->bars->count());
        $broken = count(array_filter($textures, fn (BarTexture $texture): bool => $texture === BarTexture::BrokenChords));

        return $broken >= self::BROKEN * count($textures) ? 'broken chords in '.($broken === count($textures) ? 'every bar' : "$broken of ".count($textures).' bars') : null;
    }

    private function run(Chunk $chunk): ?string
    {
        foreach ($this->runs as $run) {
            if ($chunk->bars->has($run->notes[0]->measure)) {
                return sprintf('a run of %d notes at %.1f a second', count($run->notes), $run->rate);
            }
        }

        return null;
    }

    /**
     * @param  list<Note>  $notes
     */
    private function outer(array $notes): ?string
    {
        $strokes = array_count_values(array_map(fn (Note $note): string => (string) $note->onset, array_filter($notes, fn (Note $note): bool => ! $note->grace)));
        $thick = count(array_filter($strokes, fn (int $count): bool => $count >= self::THICK));

        return $thick > 0 && $thick >= self::CHORDS * count($strokes) ? 'chords of '.self::THICK." and more notes at $thick of ".count($strokes).' strokes' : null;
    }

    /**
     * @param  list<Note>  $notes
     */
    private function melodyAndBass(array $notes): ?string
    {
        $share = fn (Layer $layer): float => $this->share($notes, fn (Note $note): bool => $this->performance->reading()->layers[$note->id]->layer === $layer);

        return $share(Layer::Melody) > 0 && $share(Layer::Bass) > 0 && $share(Layer::Filling) >= self::FILLING ? sprintf('%d %% of the notes are filling', (int) round(100 * $share(Layer::Filling))) : null;
    }

    /**
     * @param  list<Note>  $notes
     */
    private function inner(array $notes): ?string
    {
        $inner = count(array_filter($notes, fn (Note $note): bool => $this->performance->reading()->layers[$note->id]->layer === Layer::Inner));

        return $inner >= self::INNER ? "an inner line of $inner notes" : null;
    }

    private function foot(Chunk $chunk): ?string
    {
        $changes = 0;
        foreach ($this->performance->spans() as $span) {
            $changes += (int) (! $span->down->isLessThan($chunk->from) && $span->down->isLessThan($chunk->to));
        }

        return $changes >= self::BUSY_FOOT * $chunk->bars->count() ? "$changes changes of the pedal in {$chunk->bars->count()} bars" : null;
    }

    /**
     * @param  list<Note>  $notes
     * @param  callable(Note): bool  $is
     */
    private function share(array $notes, callable $is): float
    {
        return $notes === [] ? 0.0 : count(array_filter($notes, $is)) / count($notes);
    }
}
