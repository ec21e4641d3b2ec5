<?php

declare(strict_types=1);

use Tarnwind\Core\Balance\Balancing;
use Tarnwind\Core\Balance\LayerMark;
use Tarnwind\Core\Balance\School as BalancingSchool;
use Tarnwind\Core\Craft\Registration;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Findings\IntendedMark;
use Tarnwind\Core\Hand\FingeringSchool;
use Tarnwind\Core\Hand\HandSettings;
use Tarnwind\Core\Pedal\PedalNotation;
use Tarnwind\Core\Pedal\PedalSettings;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Plan\InvalidPlan;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Plan\Upgrade;
use Tarnwind\Core\Shape\Choices;
use Tarnwind\Core\Shape\RepeatedNotes;
use Tarnwind\Core\Shape\School as ShapingSchool;
use Tarnwind\Core\Shape\Shaping;
use Tarnwind\Core\Time\Timing;
use Tarnwind\Core\Touch\CommaMark;
use Tarnwind\Core\Touch\Ornamenting;
use Tarnwind\Core\Touch\Profile;
use Tarnwind\Core\Touch\Style;
use Tarnwind\Core\Words\ExpressionMark;

function stored(string $name): string
{
    return (string) file_get_contents(__DIR__."/stored/$name.plan-1.json");
}

it('reads plans that were stored in the first format, with nothing lost', function (string $name): void {
    $old = json_decode(stored($name), true);
    foreach ([Crafts::registry()->plans->read(stored($name)), Crafts::registry()->plans->kept(stored($name))] as $plan) {
        $new = json_decode($plan->toJson(), true);
        expect($new['format'])->toBe('tarnwind-plan/3')->and($new['tempo'])->toEqual($old['tempo'])
            ->and($new['settings'])->toEqual(['pedal' => ['school' => $old['school']], 'hand' => ['school' => $old['fingering']], 'touch' => array_filter(['style' => $old['touch'], 'lengths' => $old['lengths'] ?? null])])
            ->and($new['marks'])->toEqual(array_map(fn (array $mark): array => [...$mark, 'craft' => $mark['craft'] === 'reading' ? 'read' : $mark['craft']], $old['marks']));
        // And what it has become is a plan of the present format.
        expect(Crafts::registry()->plans->read($plan->toJson()))->toEqual($plan);
    }
})->with(['lantern-on-the-water', 'slow-weather', 'every-kind']);

it('shows in the example what a plan is: every kind of mark, every setting', function (): void {
    $example = (string) file_get_contents(__DIR__.'/../../../docs/examples/lantern-on-the-water.plan.json');
    $plan = Crafts::registry()->plans->read($example);
    // Kinds of marks that the earlier format has not.
    $isNewer = fn ($mark): bool => in_array($mark::class, [CommaMark::class, IntendedMark::class, LayerMark::class, ExpressionMark::class], true) || preg_match('/^Tarnwind\\\\Core\\\\(Shape|Time|Practice)\\\\/', $mark::class) === 1 || str_starts_with($mark->id(), 'n-');
    $older = array_values(array_filter($plan->marks, fn ($mark): bool => ! $isNewer($mark)));
    expect($older)->toEqual(Crafts::registry()->plans->read(stored('every-kind'))->marks)->and(json_decode($plan->toJson(), true))->toEqual(json_decode($example, true))
        ->and(array_values(array_unique(array_map(fn ($mark): string => $mark::class, $plan->marks))))->toEqualCanonicalizing(array_values(array_unique(Crafts::registry()->marks())))
        ->and($plan->settings(PedalSettings::class))->toEqual(new PedalSettings(School::Singing, 0.6, notation: PedalNotation::Signs))->and($plan->settings(HandSettings::class)->school)->toBe(FingeringSchool::Strength)
        ->and($plan->settings(Style::class))->toEqual(new Style(Profile::Lyrical, ['staccato' => 0.4], new Ornamenting(speed: 11.0, spread: 70.0, lead: 20.0)))
        ->and($plan->settings(Shaping::class))->toEqual(new Shaping(ShapingSchool::Singing, new Choices(RepeatedNotes::Grow)))
        ->and($plan->settings(Timing::class)->school->value)->toBe('breathing')
        ->and($plan->settings(Balancing::class))->toEqual(new Balancing(BalancingSchool::Singing, ['filling' => -6.5]));
});

it('leaves the document it was given alone', function (): void {
    $document = json_decode(stored('every-kind'));
    $before = json_encode($document);
    Upgrade::toLatest($document);
    expect(json_encode($document))->toBe($before);
});

it('has a default for what a plan does not say', function (): void {
    $plan = Crafts::registry()->plans->read('{"format":"tarnwind-plan/3","tempo":null,"settings":{},"marks":[]}');
    expect($plan)->toEqual(new Plan)->and($plan->settings(PedalSettings::class))->toEqual(new PedalSettings)->and($plan->settings(Style::class)->profile)->toBe(Profile::Written)
        ->and($plan->toJson())->toBe('{"format":"tarnwind-plan/3","tempo":null,"settings":{},"marks":[]}');
});

it('tells in dB what the second format has in velocities around mp', function (): void {
    $place = ['measure' => 'm1', 'offset' => '0'];
    $plan = Crafts::registry()->plans->read((string) json_encode(['format' => 'tarnwind-plan/2', 'tempo' => 60, 'settings' => ['balance' => ['school' => 'singing', 'levels' => ['filling' => -14]]], 'marks' => [
        ['id' => 'a', 'craft' => 'shape', 'kind' => 'arch', 'at' => $place, 'rise' => 16, 'fall' => 0, 'level' => -64],
        ['id' => 'n', 'craft' => 'shape', 'kind' => 'nudge', 'notes' => ['x'], 'change' => 8],
        ['id' => 'l', 'craft' => 'balance', 'kind' => 'layer', 'from' => $place, 'to' => ['measure' => 'm2', 'offset' => '0'], 'layer' => 'bass', 'change' => -8],
    ]]));
    [$arch, $nudge, $layer] = $plan->marks;
    expect([$arch->rise, $arch->fall, $arch->level])->toEqual([3.9, 0.0, -24.0])->and($nudge->change)->toBe(2.0)->and($layer->change)->toBe(-2.3)
        ->and($plan->settings(Balancing::class)->levels)->toEqual(['filling' => -4.3])->and($plan->tempo)->toEqual(60);
});

it('refuses a format it does not know', function (string $json): void {
    Crafts::registry()->plans->kept($json);
})->with(['{"format":"tarnwind-plan/4","tempo":null,"settings":{},"marks":[]}', '{}', 'null', '[1]'])->throws(InvalidPlan::class);

it('says which mark is wrong', function (): void {
    $plan = json_decode(stored('every-kind'));
    $plan->marks[8]->hand = 'third';
    expect(fn () => Crafts::registry()->plans->read((string) json_encode($plan)))->toThrow(InvalidPlan::class, 'mark 9')
        ->and(fn () => Crafts::registry()->plans->kept((string) json_encode($plan)))->toThrow(InvalidPlan::class, 'mark 9');
});

it('gives two plans one fingerprint where they say the same of some aspects, and only there', function (): void {
    $plan = Crafts::registry()->plans->read(stored('every-kind'));
    foreach (Tarnwind\Core\Plan\Aspect::cases() as $aspect) {
        foreach (array_values($plan->marks) as $index => $mark) {
            $less = $plan->withMarks(array_values(array_filter($plan->marks, fn (int $place): bool => $place !== $index, ARRAY_FILTER_USE_KEY)));
            expect($less->fingerprint($aspect) === $plan->fingerprint($aspect))->toBe(! in_array($aspect, $mark::bearsOn(), true), $mark->inWords()." and $aspect->value");
        }
    }
});

it('has a schema, a class and a name in words for every kind of mark', function (): void {
    $schema = json_decode((string) file_get_contents(__DIR__.'/../../../schemas/plan.schema.json'), true);
    foreach (Crafts::registry()->crafts as $craft) {
        assert($craft instanceof Registration);
        foreach (array_keys($craft->marks) as $kind) {
            expect($schema['definitions'])->toHaveKey("$craft->craft-$kind");
        }
    }
    foreach (Crafts::registry()->plans->read(stored('every-kind'))->marks as $mark) {
        expect($mark->inWords())->not->toBe('')->and($mark->anchors()->notes === [] && $mark->anchors()->measures === [])->toBeFalse($mark->inWords());
    }
});
