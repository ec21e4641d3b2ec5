<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Handout\MarkedCopy;
use Tarnwind\Core\Notation\MusicXml\Document;

final class ExportCommand extends Command
{
    use ReadsPlan;
    use ReadsScore;

    protected $signature = 'tarnwind:export {file : MusicXML or compressed MusicXML} {out : the file to write} {--part= : id of the part to read}
        {--plan= : a plan as JSON} {--school= : whose suggestion is written without a plan} {--to=musicxml : musicxml, mxl, midi or json}';

    protected $description = 'Write a score with its pedalling.';

    public function handle(): int
    {
        return $this->attempt(function (): void {
            $document = $this->document();
            $score = $this->score($document);
            $copy = new MarkedCopy(fn (): Document => $document, Crafts::registry()->performance($score, $this->plan($score)), Crafts::registry()->writers());
            $bytes = match ($this->option('to')) {
                'musicxml' => $copy->toMusicXml(),
                'mxl' => $copy->toMxl(),
                'midi' => $copy->toMidi(),
                'json' => $copy->performance->plan->toJson()."\n",
                default => throw new InvalidOption('A score can be written to musicxml, mxl, midi or json.'),
            };
            if (@file_put_contents((string) $this->argument('out'), $bytes) === false) {
                throw new InvalidOption('The file "'.$this->argument('out').'" cannot be written.');
            }
        });
    }
}
