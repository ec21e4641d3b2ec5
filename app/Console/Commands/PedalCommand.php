<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Tarnwind\Core\Pedal\Examiner;
use Tarnwind\Core\Preparation\Preparation;
use Tarnwind\Core\Sound\Instrument;

final class PedalCommand extends Command
{
    use ReadsScore;
    use ReadsSchool;

    protected $signature = 'tarnwind:pedal {file : MusicXML or compressed MusicXML} {--part= : id of the part to read}
        {--school=singing : singing, clean, haze, dampers-off or as-printed} {--tempo= : quarters a minute} {--json : JSON, as always}';

    protected $description = 'Print a pedalling of a score, with reasons and findings.';

    public function handle(): int
    {
        return $this->attempt(function (): void {
            $school = $this->school();
            $preparation = Preparation::of($this->score($this->document()), $this->tempoOption());
            $decay = Instrument::ConcertGrand->decay();
            $spans = $preparation->suggest($school, $decay);
            $this->print([
                'school' => $school->value,
                'quarters_per_minute' => $preparation->texture->tempo->quartersPerMinute(),
                ...Examiner::examine($preparation->texture, $spans, $decay)->toArray(),
            ]);
        });
    }
}
