<?php

declare(strict_types=1);

use Opis\JsonSchema\Validator;
use Tarnwind\Core\Craft\Registry;
use Tarnwind\Core\Craft\Schemas;
use Tarnwind\Core\Craft\Tables;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Plan\InvalidPlan;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Place;
use Tests\support\MusicXml;
use Tests\Toy\Breath\BreathCraft;
use Tests\Toy\Breath\CommaMark;

/**
 * The crafts with one more in their list.
 */
function withBreath(): Registry
{
    return new Registry([...Crafts::ALL, BreathCraft::class]);
}

it('reads, keeps and checks the marks of a craft that was only added to the list', function (): void {
    $plan = new Plan(null, [new CommaMark('c', new Place('tw1-3', Fraction::of(1, 2)))]);
    expect(withBreath()->plans->read($plan->toJson()))->toEqual($plan)
        ->and(fn () => Crafts::registry()->plans->read($plan->toJson()))->toThrow(InvalidPlan::class, 'mark 1')
        ->and(fn () => withBreath()->plans->read(str_replace('"offset":"1/2"', '"offset":"-1"', $plan->toJson())))->toThrow(InvalidPlan::class, 'mark 1');
});

it('answers as its schema has it, and mends by its action', function (): void {
    $score = MusicXml::score(MusicXml::demo('lantern-on-the-water'));
    $ask = fn (Plan $plan): array => withBreath()->answer('breath', withBreath()->performance($score, $plan));
    $schema = Schemas::encode(Schemas::of([...Crafts::ALL, BreathCraft::class])['breath']);
    $answer = $ask(new Plan(60.0));
    expect((new Validator)->validate(json_decode((string) json_encode($answer)), $schema)->isValid())->toBeTrue()
        ->and(array_column($answer['findings'], 'kind'))->toBe(['out-of-breath'])->and($answer['findings'][0]['remedy']['action'])->toBe('breathe');
    $seconds = fn (array $answer): float => max(array_column($answer['findings'], 'value'));
    $mended = new Plan(60.0, [new CommaMark('c', Place::at($score, Fraction::parse($answer['findings'][0]['remedy']['at'])))]);
    expect($seconds($ask($mended)))->toBeLessThan($seconds($answer));
});

it('tells the interface what it bears on, and leaves every other craft as it is', function (): void {
    $tables = Tables::of(withBreath());
    $usual = Tables::of(Crafts::registry());
    expect($tables['marks']['breath/comma'])->toBe(['words'])->and(array_diff_key($tables['marks'], ['breath/comma' => 1]))->toBe($usual['marks'])
        ->and(array_diff_key($tables['answers'], ['breath' => 1]))->toBe($usual['answers'])->and($tables['crafts'])->toBe([...$usual['crafts'], 'breath']);
});

it('publishes schemas that are put together from those of the crafts', function (): void {
    foreach (Schemas::of(Crafts::ALL) as $name => $schema) {
        expect((string) file_get_contents(__DIR__."/../../../schemas/$name.schema.json"))->toBe(Schemas::encode($schema), "$name: run bin/schemas");
    }
});
