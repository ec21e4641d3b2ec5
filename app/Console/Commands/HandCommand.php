<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Hand\HandCraft;

final class HandCommand extends Command
{
    use ReadsGivenPlan;
    use ReadsScore;

    protected $signature = 'tarnwind:hand {file : MusicXML or compressed MusicXML} {--part= : id of the part to read}
        {--plan= : a plan as JSON; a fresh one if none is given} {--json : JSON, as always}';

    protected $description = 'Print fingers, joints and findings of the hands.';

    public function handle(): int
    {
        return $this->attempt(function (): void {
            $score = $this->score($this->document());
            $this->print(Crafts::registry()->answer(HandCraft::NAME, Crafts::registry()->performance($score, $this->planOrFresh($score))));
        });
    }
}
