<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Pedal\PedalCraft;
use Tarnwind\Core\Pedal\PedalSettings;

final class PedalCommand extends Command
{
    use ReadsSchool;
    use ReadsScore;

    protected $signature = 'tarnwind:pedal {file : MusicXML or compressed MusicXML} {--part= : id of the part to read}
        {--school= : singing, clean, haze, dampers-off or as-printed; without it as the piece suggests} {--tempo= : quarters a minute} {--json : JSON, as always}';

    protected $description = 'Print a pedalling of a score, with reasons and findings.';

    public function handle(): int
    {
        return $this->attempt(function (): void {
            $score = $this->score($this->document());
            $performance = Crafts::registry()->performance($score, $this->suggested($score, $this->school(), $this->tempo()));
            $this->print([
                'school' => $performance->plan->settings(PedalSettings::class)->school->value, 'quarters_per_minute' => $performance->tempo()->quartersPerMinute(),
                ...Crafts::registry()->answer(PedalCraft::NAME, $performance),
            ]);
        });
    }

    private function tempo(): ?float
    {
        $tempo = $this->option('tempo');
        if ($tempo === null) {
            return null;
        }
        if (! is_numeric($tempo) || $tempo < 10 || $tempo > 400) {
            throw new InvalidOption('The tempo is given in quarters a minute, from 10 to 400.');
        }

        return (float) $tempo;
    }
}
