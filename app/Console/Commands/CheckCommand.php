<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Fraction;

final class CheckCommand extends Command
{
    use ReadsPlan;
    use ReadsScore;

    protected $signature = 'tarnwind:check {file : MusicXML or compressed MusicXML} {--part= : id of the part to read} {--plan= : a plan as JSON}
        {--school= : whose pedal is checked where no plan is given; none for a fresh plan} {--craft= : findings of this craft only} {--json : JSON, as always}';

    protected $description = 'Print what there is to say of a plan, from every craft.';

    public function handle(): int
    {
        return $this->attempt(function (): void {
            $crafts = array_column(Crafts::registry()->crafts, 'craft');
            $only = $this->option('craft');
            if ($only !== null && ! in_array($only, $crafts, true)) {
                throw new InvalidOption('There is no such craft; there are '.implode(', ', $crafts).'.');
            }
            $score = $this->score($this->document());
            $plan = $this->option('school') === null ? $this->planOrFresh($score) : $this->plan($score);
            $performance = Crafts::registry()->performance($score, $plan);
            $findings = [];
            foreach (array_intersect($only === null ? $crafts : [$only], array_keys(Crafts::registry()->answers())) as $craft) {
                $findings = [...$findings, ...$this->findings($craft, $performance)];
            }
            usort($findings, fn (array $a, array $b): int => $a[0]->compareTo($b[0]));
            $this->print(['findings' => array_column($findings, 1)]);
        });
    }

    /**
     * @return list<array{Fraction, array<string, mixed>}> when, and what from then to the end of what it is about
     */
    private function findings(string $craft, Performance $performance): array
    {
        $notes = array_column($performance->written->notes, null, 'id');
        $found = [];
        /** @var list<array{at: string, notes: list<string>}> $findings */
        $findings = Crafts::registry()->answer($craft, $performance)['findings'] ?? [];
        foreach ($findings as $finding) {
            $from = $to = Fraction::parse($finding['at']);
            foreach ($finding['notes'] as $id) {
                $to = isset($notes[$id]) ? Fraction::max($to, $notes[$id]->end()) : $to;
            }
            $found[] = [$from, ['craft' => $craft, ...array_diff_key($finding, ['at' => 0]), 'from' => (string) $from, 'to' => (string) $to]];
        }

        return $found;
    }
}
