<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Hand\FingerMark;
use Tarnwind\Core\Pedal\PedalMark;
use Tarnwind\Core\Pedal\PedalSettings;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\HeardDifferences;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Plan\PlanDifferences;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Touch\ArticulationMark;
use Tarnwind\Core\Words\BarNote;
use Tests\support\MusicXml;

beforeEach(function (): void {
    $this->score = MusicXml::score(MusicXml::piano([['C5:4 E5:4 D5:4 F5:4', 'C3:16'], ['E5:8 G5:8', 'C3:16'], ['B4:16', 'G2:16']]));
    $this->note = fn (int $bar, string $pitch): string => array_values(array_filter($this->score->notes, fn ($one): bool => $one->measure === $bar && (string) $one->pitch === $pitch))[0]->id;
    $this->pedal = fn (string $id, int $from, int $to, Origin $origin = Origin::Teacher, ?Depth $depth = null): PedalMark => new PedalMark(
        $id, false, new Place($this->score->measures[$from]->id, Fraction::zero()), new Place($this->score->measures[$to]->id, Fraction::zero()), $depth ?? Depth::full(), $origin,
    );
});

it('says by bar which marks are gone, new or changed, and which settings', function (): void {
    $before = new Plan(72.0, [
        new FingerMark('f1', ($this->note)(0, 'E5'), '2'), new FingerMark('f2', ($this->note)(0, 'F5'), '5'),
        ($this->pedal)('p1', 0, 1), ($this->pedal)('p2', 1, 2), new BarNote('w', $this->score->measures[2]->id, 'Listen.'),
    ], ['pedal' => new PedalSettings(School::Singing)]);
    $after = new Plan(66.0, [
        new FingerMark('f1', ($this->note)(0, 'E5'), '3'),
        ($this->pedal)('p1', 0, 1), ($this->pedal)('p2', 1, 2, Origin::Teacher, Depth::half()), new BarNote('w', $this->score->measures[2]->id, 'Listen.'),
        new ArticulationMark('a', [($this->note)(1, 'G5')], Articulation::Staccato),
    ], ['pedal' => new PedalSettings(School::Clean)]);
    $differences = PlanDifferences::between($before, $after, $this->score);

    expect($differences->bars)->toBe([
        0 => ['gone' => [$before->marks[1]->inWords()], 'new' => [], 'changed' => [$before->marks[0]->inWords()]],
        1 => ['gone' => [], 'new' => [$after->marks[4]->inWords()], 'changed' => [$before->marks[3]->inWords()]],
    ])->and($differences->settings)->toBe([
        ['craft' => '', 'name' => 'tempo', 'before' => 72.0, 'after' => 66.0],
        ['craft' => 'pedal', 'name' => 'school', 'before' => 'singing', 'after' => 'clean'],
    ]);
    // The other way round what was new is gone.
    $back = PlanDifferences::between($after, $before, $this->score);
    expect($back->bars[0]['new'])->toBe($differences->bars[0]['gone'])->and($back->bars[1]['gone'])->toBe($differences->bars[1]['new']);
});

it('takes no notice of names, of order, and of who put a mark there', function (): void {
    $before = new Plan(null, [($this->pedal)('p1', 0, 1, Origin::Suggested), ($this->pedal)('p2', 1, 2, Origin::Suggested)]);
    $after = new Plan(null, [($this->pedal)('own-2', 1, 2), ($this->pedal)('own-1', 0, 1)]);
    expect(PlanDifferences::between($before, $after, $this->score)->isEmpty())->toBeTrue()
        ->and(PlanDifferences::between($before, new Plan(null, [...$after->marks, ($this->pedal)('p3', 0, 1)]), $this->score)->bars)->toBe([0 => ['gone' => [], 'new' => ['a pedal mark'], 'changed' => []]]);
});

it('says in numbers what is heard otherwise', function (): void {
    $perform = fn (Plan $plan) => Crafts::registry()->performance($this->score, $plan);
    $plain = new Plan(60.0);
    $same = HeardDifferences::between($perform($plain), $perform(new Plan(60.0)));
    expect($same->bars)->toBe([])->and($same->seconds[0])->toBe($same->seconds[1])->and([$same->louder, $same->softer, $same->longer, $same->shorter])->toBe([0, 0, 0, 0]);

    // Twelve quarters take twelve seconds at 60 and ten at 72, and nothing else differs; a staccato note is let go earlier; the foot goes down once more.
    $other = HeardDifferences::between($perform($plain), $perform(new Plan(72.0)));
    expect(round($other->seconds[0], 6))->toBe(12.0)->and(round($other->seconds[1], 6))->toBe(10.0)->and($other->bars)->toBe([]);
    $short = HeardDifferences::between($perform($plain), $perform(new Plan(60.0, [new ArticulationMark('a', [($this->note)(1, 'G5')], Articulation::Staccato), ($this->pedal)('p', 2, 2)])));
    expect([$short->shorter, $short->longer])->toBe([1, 0])->and($short->bars[1]['held'])->toBeLessThan(-0.5)->and($short->bars[1]['pedal'])->toBeFalse()->and($short->pedals[0])->toBe(0);
    $footed = HeardDifferences::between($perform($plain), $perform(new Plan(60.0, [($this->pedal)('p', 1, 2)])));
    expect($footed->pedals)->toBe([0, 1])->and(array_keys(array_filter($footed->bars, fn (array $bar): bool => $bar['pedal'])))->toBe([1, 2]);
});
