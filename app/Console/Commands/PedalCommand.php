<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Pedal\PedalCraft;

final class PedalCommand extends Command
{
    use ReadsSchool;
    use ReadsScore;

    protected $signature = 'tarnwind:pedal {file : MusicXML or compressed MusicXML} {--part= : id of the part to read}
        {--school=singing : singing, clean, haze, dampers-off or as-printed} {--tempo= : quarters a minute} {--json : JSON, as always}';

    protected $description = 'Print a pedalling of a score, with reasons and findings.';

    public function handle(): int
    {
        return $this->attempt(function (): void {
            $school = $this->school();
            $score = $this->score($this->document());
            $performance = Crafts::registry()->performance($score, $this->suggested($score, $school, $this->tempo()));
            $this->print([
                'school' => $school->value, 'quarters_per_minute' => $performance->tempo()->quartersPerMinute(),
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
