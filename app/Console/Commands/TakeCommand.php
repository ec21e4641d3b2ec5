<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\Limits;
use Tarnwind\Core\Hear\Review;
use Tarnwind\Core\Hear\Skill;
use Tarnwind\Core\Hear\TakeDocument;
use Tarnwind\Core\Hear\Verdict;
use Tarnwind\Core\Practice\Gates;
use Tarnwind\Core\Practice\PracticePlan;
use Tarnwind\Core\Take\MidiReader;

final class TakeCommand extends Command
{
    use ReadsPlan;
    use ReadsScore;

    protected $signature = 'tarnwind:take {file : MusicXML or compressed MusicXML} {--take= : what was played, as a MIDI file} {--part= : id of the part to read}
        {--plan= : a plan as JSON} {--school= : whose suggestion was to be played without a plan} {--level=intermediate : growing, intermediate or advanced}
        {--review=notes : what comes first, notes or sound} {--json : JSON, as always}';

    protected $description = 'Print which played note is which of the score, what was measured against the plan, and what to do next.';

    public function handle(): int
    {
        return $this->attempt(function (): void {
            $take = MidiReader::read($this->contents((string) $this->option('take')));
            $score = $this->score($this->document());
            $performance = Crafts::registry()->performance($score, $this->plan($score));
            $review = Review::of(Comparison::of($performance, $take, limits: new Limits($this->oneOf('level', Skill::class))));
            $this->print(TakeDocument::of($review, Verdict::of($review, $this->oneOf('review', Gates::class), PracticePlan::of($performance))));
        });
    }
}
