<?php

declare(strict_types=1);

use Random\Engine\Mt19937;
use Random\Randomizer;
use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\Mended;
use Tarnwind\Core\Hear\Mending;
use Tarnwind\Core\Hear\Review;
use Tarnwind\Core\Hear\TakeDocument;
use Tarnwind\Core\Hear\Verdict;
use Tarnwind\Core\Take\FootMove;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\Take;
use Tests\support\MusicXml;
use Tests\support\Played;

/**
 * A take that somebody may send: what was planned, bent out of shape, or keys and pedals at random.
 */
function misplayed(Take $exact, Randomizer $random): Take
{
    $any = fn (float $most): float => $most * $random->getInt(0, 1000) / 1000;
    $notes = match ($random->getInt(0, 4)) {
        0 => array_map(fn (int $place): PlayedNote => new PlayedNote($random->getInt(0, 127), $from = $any(20000), $from + $any(3000), $random->getInt(1, 127)), range(0, $random->getInt(0, 60))),
        // All at one moment, or backwards, or a thousand times as quickly.
        1 => array_map(fn (PlayedNote $note): PlayedNote => new PlayedNote($note->midi, 5.0, 5.0, $note->velocity), $exact->notes),
        2 => array_map(fn (PlayedNote $note): PlayedNote => new PlayedNote($note->midi, 90000 - $note->onset, 90000 - $note->onset + 100, $note->velocity), $exact->notes),
        3 => array_map(fn (PlayedNote $note): PlayedNote => new PlayedNote($note->midi, $note->onset / 1000, $note->release / 1000, $note->velocity), $exact->notes),
        default => array_map(fn (PlayedNote $note): PlayedNote => new PlayedNote(max(0, min(127, $note->midi + $random->getInt(-1, 1))), $note->onset + $any(4000), $note->release + $any(5000) + 4000, $random->getInt(1, 127)), array_slice($exact->notes, $random->getInt(0, 40))),
    };
    usort($notes, fn (PlayedNote $a, PlayedNote $b): int => $a->onset <=> $b->onset ?: $a->midi <=> $b->midi);
    $foot = array_map(fn (): FootMove => new FootMove($any(30000), [64, 64, 66, 67][$random->getInt(0, 3)], $random->getInt(0, 127)), range(0, $random->getInt(0, 80)));
    usort($foot, fn (FootMove $a, FootMove $b): int => $a->ms <=> $b->ms);

    return new Take($notes, $random->getInt(0, 3) === 0 ? [] : $foot);
}

it('says something of every take, whatever was played', function (string $name): void {
    $performance = Played::suggested(MusicXml::score(MusicXml::demo($name)));
    $exact = Played::exactly($performance);
    $schema = (string) file_get_contents(base_path('schemas/take.schema.json'));
    $random = new Randomizer(new Mt19937(9));
    for ($round = 0; $round < 60; $round++) {
        $comparison = Comparison::of($performance, misplayed($exact, $random));
        $review = Review::of($comparison);
        $document = TakeDocument::of($review, Verdict::of($review, before: $review));
        $json = json_encode($document, JSON_THROW_ON_ERROR);
        if ($round % 10 === 0) {
            expect((new Opis\JsonSchema\Validator)->validate(json_decode($json), $schema)->error()?->message())->toBeNull();
        }
        foreach (Mending::cases() as $mending) {
            expect(count(Mended::of($comparison, $mending)->ids))->toBeLessThanOrEqual(count($comparison->take->notes));
        }
    }
})->with(['slow-weather', 'skipping-stones', 'lantern-on-the-water']);
