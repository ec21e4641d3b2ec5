<?php

declare(strict_types=1);

use Tarnwind\Core\Crafts;
use Tests\support\Labels;

/**
 * What is said of a piece with a fresh plan, and no more is known of the student than that: "hand shared-key 13".
 *
 * @return list<string>
 */
function saidOf(string $file): array
{
    [$score, $reading] = Labels::reading($file);
    $read = fn () => $reading;
    $performance = Crafts::registry()->performance($score, Crafts::registry()->freshPlan($score, $read), read: $read);
    $said = [];
    foreach (['hand', 'touch', 'shape', 'balance', 'pedal', 'time'] as $craft) {
        foreach (Crafts::registry()->answer($craft, $performance)['findings'] as $finding) {
            $said[] = "$craft {$finding['kind']} {$score->measures[$finding['measure']]->number}";
        }
    }

    return $said;
}

// A remark that is new here is judged as a teacher would before it is added.
it('says of fresh plans what was judged to be worth saying', function (): void {
    $judged = json_decode((string) file_get_contents(__DIR__.'/judged-remarks.json'), true, 8, JSON_THROW_ON_ERROR)['pieces'];
    $verdicts = $unknown = [];
    foreach ($judged as $file => $remarks) {
        foreach (saidOf($file) as $remark) {
            isset($remarks[$remark]) ? $verdicts[] = $remarks[$remark] : $unknown[] = "$file: $remark";
        }
    }
    $share = fn (string $verdict): float => count(array_keys($verdicts, $verdict, true)) / count($verdicts);
    expect($unknown)->toBe([])->and(count($verdicts))->toBeGreaterThanOrEqual(20)
        ->and($share('worth'))->toBeGreaterThanOrEqual(0.8)->and($share('false'))->toBeLessThanOrEqual(0.05);
});
