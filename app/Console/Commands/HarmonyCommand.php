<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Tarnwind\Core\Reading\Reading;

final class HarmonyCommand extends Command
{
    use ReadsScore;

    protected $signature = 'tarnwind:harmony {file : MusicXML or compressed MusicXML} {--part= : id of the part to read} {--json : JSON, as always}';

    protected $description = 'Print the keys and harmonies of a score.';

    public function handle(): int
    {
        return $this->attempt(fn () => $this->print(Reading::of($this->score($this->document()))->toArray()));
    }
}
