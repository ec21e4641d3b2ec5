<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Rendition\Renderer;

final class RenderCommand extends Command
{
    use ReadsPlan;
    use ReadsScore;

    protected $signature = 'tarnwind:render {file : MusicXML or compressed MusicXML} {--part= : id of the part to read}
        {--plan= : a plan as JSON} {--school= : whose suggestion is played without a plan} {--json : JSON, as always}';

    protected $description = 'Print when each key and the pedal move, in playing order.';

    public function handle(): int
    {
        return $this->attempt(function (): void {
            $score = $this->score($this->document());
            $performance = Crafts::registry()->performance($score, $this->plan($score));
            $this->print(Renderer::play($performance)->toArray($performance->reading()->layers));
        });
    }
}
