<?php

declare(strict_types=1);

use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Tempo\PlayedBars;
use Tarnwind\Core\Tempo\TempoMap;
use Tests\support\Labels;

it('has a bar for every one that is played, beginning where its first notes do', function (string $file): void {
    [$score] = Labels::reading($file);
    $tempo = TempoMap::of($score);
    $bars = PlayedBars::of($score, $tempo);
    expect(array_column($bars, 'measure'))->toBe($score->playbackOrder);
    $onBar = array_fill_keys(array_map(fn (Note $note): string => $note->id, array_filter($score->notes, fn (Note $note): bool => ! $note->grace && preg_grep('/arpeggiate|trill|mordent|turn|tremolo/', $note->articulations) === [] && $note->onset->equals($score->measures[$note->measure]->start))), true);
    $starts = [];
    foreach (Renderer::render($score, new Tarnwind\Core\Performance\Pedals, $tempo)->events as $event) {
        if (isset($onBar[$event->note])) {
            $starts[(string) round($event->startMs)] = true;
        }
    }
    $found = array_filter($bars, fn (array $bar): bool => isset($starts[(string) round($bar['ms'])]));
    expect(array_diff(array_keys($starts), array_map(fn (array $bar): string => (string) round($bar['ms']), $bars)))->toBe([])->and($found)->not->toBe([]);
    foreach ($bars as $bar) {
        expect($bar['beats'])->each->toBeGreaterThanOrEqual($bar['ms'] - 0.01);
    }
})->with(['lantern-on-the-water.musicxml', 'skipping-stones.musicxml', 'BWV_0775.xml', 'MozaVeilSample.xml', 'DebuMandSample.xml']);
