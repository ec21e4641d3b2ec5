<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Tarnwind\Core\Crafts;

final class AnswerCommand extends Command
{
    use ReadsGivenPlan;
    use ReadsScore;

    protected $signature = 'tarnwind:answer {craft : read, count, hand, touch, pedal, …} {file : MusicXML or compressed MusicXML}
        {--part= : id of the part to read} {--plan= : a plan as JSON; a fresh one if none is given} {--json : JSON, as always}';

    protected $description = 'Print what a craft says of a plan, as its desk has it.';

    public function handle(): int
    {
        return $this->attempt(function (): void {
            $craft = (string) $this->argument('craft');
            $names = array_intersect(array_column(Crafts::registry()->crafts, 'craft'), array_keys(Crafts::registry()->answers()));
            if (! in_array($craft, $names, true)) {
                throw new InvalidOption('There is no such craft that answers; there are '.implode(', ', $names).'.');
            }
            $score = $this->score($this->document());
            $this->print(Crafts::registry()->answer($craft, Crafts::registry()->performance($score, $this->planOrFresh($score))));
        });
    }
}
