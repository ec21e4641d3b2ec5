<?php

declare(strict_types=1);

use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Practice\Chain;
use Tarnwind\Core\Practice\Chunk;
use Tarnwind\Core\Practice\ChunkMark;
use Tarnwind\Core\Practice\Gates;
use Tarnwind\Core\Practice\Ladder;
use Tarnwind\Core\Practice\Order;
use Tarnwind\Core\Practice\PracticeAnswer;
use Tarnwind\Core\Practice\PracticePlan;
use Tarnwind\Core\Practice\PracticeSettings;
use Tarnwind\Core\Practice\Start;
use Tarnwind\Core\Practice\Step;
use Tarnwind\Core\Practice\StepKind;
use Tarnwind\Core\Practice\StepMark;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Student\Rates;
use Tarnwind\Core\Student\Student;
use Tests\support\Corpus;
use Tests\support\Labels;
use Tests\support\MusicXml;

/**
 * @param  list<Tarnwind\Core\Plan\Mark>  $marks
 */
function practice(Score $score, PracticeSettings $settings = new PracticeSettings, array $marks = [], ?Rates $rates = null): PracticePlan
{
    $registry = Crafts::registry();
    $plan = $registry->freshPlan($score)->withSettings('practice', $settings)->withMarks($marks);

    return PracticePlan::of($registry->performance($score, $plan, new Student(rates: $rates ?? new Rates)));
}

/**
 * @return list<string> as "3-4", by printed number
 */
function chunksOf(PracticePlan $plan, Score $score): array
{
    $number = fn (int $bar): string => $score->measures[$bar]->number;

    return array_map(fn (Chunk $chunk): string => "{$number($chunk->bars->first)}-{$number($chunk->bars->last)}", $plan->chunks);
}

/**
 * @return list<string> kinds of the steps of a chain
 */
function kinds(Chain $chain): array
{
    return array_map(fn (Step $step): string => $step->kind->value, $chain->steps);
}

it('cuts every piece into chunks of one to five bars that cover it, and asks for no bar twice', function (string $file): void {
    [$score] = Labels::reading($file);
    $plan = practice($score);
    $next = 0;
    foreach ($plan->chunks as $chunk) {
        expect($chunk->bars->first)->toBe($next)->and($chunk->bars->count())->toBeLessThanOrEqual(5);
        count($plan->chunks) === 1 || expect($chunk->bars->count())->toBeGreaterThanOrEqual(min(2, count($score->measures)));
        $next = $chunk->bars->last + 1;
    }
    expect($next)->toBe(count($score->measures));
    $ids = array_map(fn (Step $step): string => $step->id, $plan->steps());
    expect(array_unique($ids))->toHaveCount(count($ids));
    $keys = array_map(fn (Chain $chain): string => $chain->key, $plan->chains);
    expect(array_diff(array_merge(...array_map(fn (Chain $chain): array => $chain->needs, $plan->chains)), $keys))->toBe([]);
})->with(array_map(basename(...), array_values(Corpus::files('xml'))));

it('practises bars that are the same once, and of nearly the same their differences', function (): void {
    $a = ['C5:4 D5:4 E5:4 F5:4', 'C3:8 G2:8'];
    $b = ['G5:4 F5:4 E5:4 D5:4', 'C3:8 E3:8'];
    $c = ['A5:4 C5:4 A5:4 B5:4', 'F3:8 G3:8'];
    $d = ['B5:8 G5:8', 'G3:8 D3:8'];
    $end = ['C5:16', 'C3:16'];
    $open = ['B4:16', 'G3:16'];
    $near = ['G5:4 F5:4 E5:4 B4:4', 'C3:8 E3:8'];
    $score = MusicXml::score(MusicXml::piano([$a, $b, $c, $open, $a, $b, $c, $open, $d, $c, $d, $end, $a, $near, $c, $open]));
    $plan = practice($score, new PracticeSettings, [new ChunkMark('c1', 'tw1-1', 'tw1-4'), new ChunkMark('c2', 'tw1-5', 'tw1-8'), new ChunkMark('c3', 'tw1-13', 'tw1-16')]);
    $chunks = array_combine(chunksOf($plan, $score), $plan->chunks);
    expect($chunks['5-8']->isKnown())->toBeTrue()->and($chunks['5-8']->twin?->bars->toArray())->toBe(['first' => 0, 'last' => 3])
        ->and($chunks['13-16']->twin?->isExact())->toBeFalse()->and(array_column($chunks['13-16']->twin?->differences ?? [], 'measure'))->toBe([13]);
    $chains = array_column($plan->chains, null, 'key');
    expect($chains)->not->toHaveKey('tw1-5..tw1-8')->and(kinds($chains['tw1-13..tw1-16']))->toBe(['differences', 'together'])
        ->and($chains['tw1-13..tw1-16']->steps[0]->why)->toContain('like bars 1–4, but: bar 14');
});

it('climbs from a safe tempo to the goal in even steps', function (): void {
    // 100 for a hard passage: 60, then each about 15 % quicker, as 60 · (100/60)^(k/4).
    expect(Ladder::to(100.0, null, 1.0))->toBe([60.0, 68.0, 77.0, 88.0, 100.0])
        ->and(Ladder::to(100.0, null, 0.0))->toBe([80.0, 89.0, 100.0])
        // A measured ceiling of 80 makes 48 safe.
        ->and(Ladder::to(100.0, 80.0, 1.0)[0])->toBe(48.0)->and(Ladder::to(100.0, 80.0, 1.0))->toHaveCount(6)
        ->and(Ladder::to(100.0, 300.0, 1.0)[0])->toBe(60.0);
});

it('begins together or apart, with notes or with sound, with the hardest or the first', function (): void {
    $score = MusicXml::score(MusicXml::demo('skipping-stones'));
    $first = fn (PracticeSettings $settings): Chain => array_values(array_filter(practice($score, $settings)->chains, fn (Chain $chain): bool => str_starts_with($chain->key, 'tw1-9..')))[0];
    expect(kinds($first(new PracticeSettings))[0])->toBe('together')
        ->and(array_slice(kinds($first(new PracticeSettings(Start::Apart))), 0, 2))->toBe(['right-hand', 'left-hand'])
        ->and($first(new PracticeSettings)->steps[0]->gate)->toContain('every note and rhythm right')
        ->and($first(new PracticeSettings(gates: Gates::Sound))->steps[0]->gate)->toContain('slips do not count');
    $sorted = function (Order $order) use ($score): array {
        $chains = array_values(array_filter(practice($score, new PracticeSettings(order: $order))->chains, fn (Chain $chain): bool => $chain->needs === [] && $chain->key !== 'listen'));
        usort($chains, fn (Chain $a, Chain $b): int => $b->hardness <=> $a->hardness);

        return array_map(fn (Chain $chain): int => $chain->bars->first, $chains);
    };
    $inOrder = $sorted(Order::First);
    $bars = $inOrder;
    sort($bars);
    expect($inOrder)->toBe($bars)->and($sorted(Order::Hardest))->not->toBe($bars);
});

it('asks for variants that the music gives reason for', function (): void {
    $plan = fn (string $right, string $left): PracticePlan => practice(MusicXml::score(MusicXml::piano(array_fill(0, 4, [$right, $left]))));
    $found = fn (PracticePlan $plan): array => array_values(array_unique(array_merge(...array_map(kinds(...), $plan->chains))));
    expect($found($plan('C5:16', 'C3:2 E3:2 G3:2 E3:2 C3:2 E3:2 G3:2 E3:2')))->toContain('melody-and-bass')
        ->and($found($plan('C5:1 D5:1 E5:1 F5:1 G5:1 A5:1 B5:1 C6:1 D6:1 C6:1 B5:1 A5:1 G5:1 F5:1 E5:1 D5:1', 'C3:16')))->toContain('groups-of-four')
        ->and($found($plan('C5+E5+G5:4 D5+F5+A5:4 E5+G5+B5:4 C5+E5+G5:4', 'C3:4 D3:4 E3:4 C3:4')))->toContain('outer')
        ->and($found($plan('C5:3 D5:1 E5:3 F5:1 C5:3 D5:1 E5:3 F5:1', 'C3:16')))->toContain('tapped')
        ->and(array_intersect($found($plan('C5:8 D5:8', 'C3:16')), ['groups-of-four', 'outer', 'tapped', 'silent-inner']))->toBe([]);
});

it('takes the teacher\'s chunks and steps, and carries them to a corrected file', function (): void {
    $score = MusicXml::score(MusicXml::demo('lantern-on-the-water'));
    $marks = [
        new ChunkMark('c1', 'tw1-5', 'tw1-7'),
        new StepMark('s1', 'tw1-5', 'tw1-7', StepKind::PedalAlone, true, 6, 'Only the foot, with the song sung.'),
        new StepMark('s2', 'tw1-5', 'tw1-7', StepKind::Link, false),
    ];
    $plan = practice($score, new PracticeSettings, $marks);
    expect(array_slice(chunksOf($plan, $score), 1, 3))->toBe([$score->measures[3]->number.'-'.$score->measures[3]->number, $score->measures[4]->number.'-'.$score->measures[6]->number, $score->measures[7]->number.'-'.$score->measures[8]->number]);
    $chain = array_column($plan->chains, null, 'key')['tw1-5..tw1-7'];
    expect(kinds($chain))->toContain('pedal-alone')->not->toContain('link');
    $step = array_values(array_filter($chain->steps, fn (Step $step): bool => $step->kind === StepKind::PedalAlone))[0];
    expect([$step->minutes, $step->does, $step->own, $step->isOptional()])->toBe([6, 'Only the foot, with the song sung.', true, false]);
    foreach ($marks as $mark) {
        expect($mark->carried(Matching::of($score, $score))?->toArray())->toBe($mark->toArray());
    }
});

it('lets measured rates make the ladder lower and the chunk harder', function (): void {
    $score = MusicXml::score(MusicXml::piano([['C5:1 D5:1 E5:1 F5:1 G5:1 A5:1 B5:1 C6:1 D6:1 C6:1 B5:1 A5:1 G5:1 F5:1 E5:1 D5:1', 'C3:16'], ['C5:16', 'C3:16']]));
    [$free, $slow] = [practice($score), practice($score, rates: new Rates(run: 6.0))];
    // Six sixteenths a second are 90 quarters a minute.
    expect($slow->chunks[0]->ceiling)->toBe(90.0)->and($slow->chunks[0]->hardness)->toBeGreaterThan($free->chunks[0]->hardness)
        ->and($slow->chunks[0]->reasons[0])->toBe('measured rates carry it up to '.round(9000 / $slow->chunks[0]->goal).' % of its tempo');
});

it('is answered as its schema has it', function (string $file): void {
    [$score] = Labels::reading($file);
    $answer = PracticeAnswer::of(Crafts::registry()->performance($score, Crafts::registry()->freshPlan($score)), new Asked);
    $error = (new Opis\JsonSchema\Validator)->validate(json_decode((string) json_encode($answer)), (string) file_get_contents(__DIR__.'/../../../schemas/practice.schema.json'))->error();
    expect($error)->toBeNull()->and($answer['minutes'])->toBe(array_sum(array_map(fn (array $chain): int => array_sum(array_column($chain['steps'], 'minutes')), $answer['chains'])))
        ->and(array_column($answer['chunks'], 'first'))->each->toBeIn(array_map(fn (Measure $measure): string => $measure->id, $score->measures));
})->with(['BWV_0773.xml', 'FaurReveSample.xml', 'Dichterliebe01.xml']);
