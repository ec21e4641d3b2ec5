<?php

declare(strict_types=1);

use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Tempo\Course;
use Tarnwind\Core\Tempo\Swing;
use Tarnwind\Core\Tempo\TempoMap;
use Tests\support\MusicXml;

it('lets quavers off the beat come after two thirds of it, and nothing else', function (string $line, string $time, array $expected): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, $time).MusicXml::line($line)));
    $swing = Swing::of($score);
    $played = array_map(fn ($note): float => round($swing->played($note->onset->toFloat()), 3), $score->notes);
    expect($played)->toBe($expected);
})->with([
    'quavers' => ['C4:2 D4:2 E4:2 F4:2', '2/4', [0.0, 0.667, 1.0, 1.667]],
    'a rest on the beat' => ['-:2 D4:2 E4:4', '2/4', [0.667, 1.0]],
    'semiquavers stay even' => ['C4:1 D4:1 E4:1 F4:1 G4:2 A4:2', '2/4', [0.0, 0.25, 0.5, 0.75, 1.0, 1.667]],
    'a dotted figure stays' => ['C4:3 D4:1 E4:4', '2/4', [0.0, 0.75, 1.0]],
    'compound metre stays' => ['C4:2 D4:2 E4:2 F4:2 G4:2 A4:2', '6/8', [0.0, 0.5, 1.0, 1.5, 2.0, 2.5]],
]);

it('is one and the same for milliseconds and for quarters, and never turns time back', function (): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes(4, '2/4').MusicXml::line('C4:2 D4:2 E4:2 F4:2')));
    $tempo = TempoMap::along(Course::printed($score, 60.0)->with(swing: Swing::of($score)), $score);
    $events = Renderer::render($score, new Tarnwind\Core\Performance\Pedals, $tempo)->events;
    expect(array_map(fn (KeyEvent $event): int => (int) round($event->startMs), $events))->toBe([0, 667, 1000, 1667])
        ->and(array_map(fn (KeyEvent $event): float => round($event->from, 3), $events))->toBe([0.0, 0.667, 1.0, 1.667]);
    $before = -1.0;
    for ($quarter = 0.0; $quarter <= 2.0; $quarter += 0.05) {
        expect($tempo->seconds($quarter))->toBeGreaterThan($before);
        $before = $tempo->seconds($quarter);
    }
    expect($tempo->seconds(2.0))->toEqualWithDelta(2.0, 1e-9);
});
