<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Take\Aligner;
use Tarnwind\Core\Take\MidiReader;
use Tarnwind\Core\Take\PlayedNote;

final class TakeCommand extends Command
{
    use ReadsPlan;
    use ReadsScore;

    protected $signature = 'tarnwind:take {file : MusicXML or compressed MusicXML} {--take= : what was played, as a MIDI file} {--part= : id of the part to read}
        {--plan= : a plan as JSON} {--school= : whose suggestion was to be played without a plan} {--json : JSON, as always}';

    protected $description = 'Print which played note is which of the score, which are wrong, extra or were played again, and which are missing.';

    public function handle(): int
    {
        return $this->attempt(function (): void {
            $take = MidiReader::read($this->contents((string) $this->option('take')));
            $score = $this->score($this->document());
            $events = Renderer::play(Crafts::registry()->performance($score, $this->plan($score)))->events;
            $alignment = Aligner::align($events, $take);
            $played = fn (PlayedNote $note): array => ['midi' => $note->midi, 'onset_ms' => round($note->onset, 3), 'release_ms' => round($note->release, 3), 'velocity' => $note->velocity];
            $of = fn (array $pairs): array => array_map(fn (int $note, int $place): array => ['note' => $events[$place]->note, ...$played($take->notes[$note])], array_keys($pairs), $pairs);
            $this->print([
                'matched' => $of($alignment->matched), 'wrong' => $of($alignment->wrong),
                'extra' => array_map(fn (int $note): array => $played($take->notes[$note]), $alignment->extra),
                'again' => array_map(fn (int $note): array => $played($take->notes[$note]), $alignment->again),
                'missing' => array_map(fn (int $place): string => $events[$place]->note, $alignment->missing),
                'tells' => ['pedal' => $take->pedal()->value, 'velocity' => $take->hasVelocity()],
            ]);
        });
    }
}
