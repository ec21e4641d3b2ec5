<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;

final class ScoreCommand extends Command
{
    use ReadsScore;

    protected $signature = 'tarnwind:score {file : MusicXML or compressed MusicXML} {--part= : id of the part to read} {--json : JSON, as always}';

    protected $description = 'Print what is read from a score file.';

    public function handle(): int
    {
        return $this->attempt(fn () => $this->print($this->score($this->document())->toArray()));
    }
}
