<?php

declare(strict_types=1);

use Tests\support\Layers;

arch('the core knows no framework')->expect('Tarnwind\Core')->not->toUse(['Illuminate', 'Inertia', 'App', 'Symfony', 'request', 'response', 'config', 'app']);

arch('the core prints and reads no files by itself, but for those that ship with it')->expect('Tarnwind\Core')
    ->not->toUse(['echo', 'print', 'fopen', 'exec', 'curl_init'])->ignoring('Tarnwind\Core\Notation\MusicXml\Container');

arch('everything is strict')->expect(['Tarnwind\Core', 'App'])->toUseStrictTypes();

arch('classes of the core stand alone')->expect('Tarnwind\Core')->classes()->toBeFinal();

arch('rules of the job stay out of the application')->expect('App')
    ->not->toUse(['Tarnwind\Core\Sound\Roughness', 'Tarnwind\Core\Pedal\Planner', 'Tarnwind\Core\Pedal\Resonance', 'Tarnwind\Core\Reading\HarmonyReader']);

arch('nothing is dumped')->expect(['dd', 'dump', 'var_dump', 'ray'])->not->toBeUsed();

it('has layers: every folder knows only those before it', function (): void {
    $wrong = [];
    foreach (Layers::arrows() as $from => $uses) {
        $place = array_search($from, Layers::ORDER, true);
        expect($place)->not->toBeFalse("$from stands in no layer; put it into Layers::ORDER");
        foreach (array_keys($uses) as $to) {
            if (array_search($to, Layers::ORDER, true) > $place) {
                $wrong[] = "$from knows $to: ".implode(', ', $uses[$to]);
            }
        }
    }
    expect($wrong)->toBe([]);
});

it('names no craft where all of them are meant', function (string $file): void {
    $crafts = array_map(fn (string $class): string => explode('\\', $class)[2], Tarnwind\Core\Crafts::ALL);
    preg_match_all('/Tarnwind\\\\Core\\\\('.implode('|', $crafts).')\\\\/', (string) file_get_contents(__DIR__."/../../$file"), $found);
    expect($found[0])->toBe([]);
})->with([
    'core/Plan/Plan.php', 'core/Plan/PlanReader.php', 'core/Handout/MarkedCopy.php', 'core/Performance/Performance.php', 'core/Craft/Frame.php', 'core/Craft/Registry.php',
    'app/Models/Piece.php', 'app/Models/StudentCopy.php', 'app/Support/Performances.php', 'app/Support/DeskData.php', 'app/Http/Controllers/AnswerController.php',
    'app/Http/Controllers/SuggestionController.php', 'app/Http/Controllers/StudentCopyController.php', 'app/Http/Requests/PlanRequest.php', 'routes/web.php',
]);

it('names no craft in the interface where all of them are meant', function (string $file): void {
    expect(preg_match('#crafts/\w+#', (string) file_get_contents(__DIR__."/../../resources/js/$file")))->toBe(0);
})->with(['pages/Desk.vue', 'desk/useDesk.ts', 'desk/useAnswers.ts', 'desk/bearing.ts', 'desk/ShortcutSheet.vue', 'desk/SystemView.vue', 'desk/keys.ts', 'desk/deskKeys.ts']);
