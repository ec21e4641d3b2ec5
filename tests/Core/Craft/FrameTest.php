<?php

declare(strict_types=1);

use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Frame;
use Tarnwind\Core\Craft\Page;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FingerMark;
use Tarnwind\Core\Hand\HandAnswer;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Read\HandMark;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Slur;
use Tarnwind\Core\Touch\ArticulationMark;
use Tarnwind\Core\Touch\SlurMark;
use Tarnwind\Core\Touch\TouchAnswer;
use Tests\support\Corpus;
use Tests\support\MusicXml;

/**
 * A piece and what is laid by of it.
 *
 * @return array{Score, Reading, Frame, list<Page>}
 */
function laidBy(string $xml): array
{
    $score = ScoreReader::read(Document::open($xml));
    $reading = Reading::of($score);

    return [$score, $reading, Frame::of($score, $reading), Frame::pages($score, $reading)];
}

/**
 * The excerpt that an edit of a bar is answered from, with the bars that are answered.
 *
 * @param  list<Page>  $pages
 * @return array{Score, Reading, Bars}
 */
function excerptAround(Frame $frame, array $pages, int $bar, Plan $plan): array
{
    $excerpt = TouchAnswer::excerpt();
    $answered = $frame->answered(new Bars($bar, $bar), $excerpt);
    $needed = $frame->needed($answered, $excerpt, $plan);
    $corrections = fn (Score $score) => Crafts::registry()->corrections($score, $plan);

    return [...$frame->excerpt($needed, array_map(fn (int $number): Page => $pages[$number], $needed->pages()), $corrections), $answered];
}

/**
 * Notes from beginning to end.
 *
 * @return list<Note>
 */
function spread(Score $score, int $count): array
{
    return array_map(fn (int $step): Note => $score->notes[intdiv(count($score->notes) * (2 * $step + 1), 2 * $count)], range(0, $count - 1));
}

dataset('long pieces', fn (): array => array_filter(
    array_map(fn (string $path): array => [$path], Corpus::files('xml')),
    fn (array $file): bool => in_array(basename($file[0]), ['BWV_0773.xml', 'BWV_0775.xml', 'Dichterliebe01.xml', 'Echigo-Jishi.xml', 'MozaVeilSample.xml', 'Telemann.xml'], true),
));

it('lays every note by once, with its hand and layer', function (): void {
    [$score, $reading, , $pages] = laidBy((string) file_get_contents(Corpus::path('BWV_0775.xml')));
    expect(array_merge(...array_map(fn (Page $page): array => $page->notes, $pages)))->toBe($score->notes)
        ->and(array_merge(...array_map(fn (Page $page): array => $page->hands, $pages)))->toEqualCanonicalizing($reading->hands)
        ->and(array_sum(array_map(fn (Page $page): int => count($page->layers), $pages)))->toBe(count($reading->layers));
    foreach ($pages as $number => $page) {
        $bars = array_map(fn (Note $note): int => intdiv($note->measure, Bars::PAGE), $page->notes);
        expect(array_unique($bars))->toBe([$number]);
    }
});

it('answers an edit of the touch as the whole piece would', function (string $path): void {
    [$score, $reading, $frame, $pages] = laidBy((string) file_get_contents($path));
    foreach (spread($score, 8) as $note) {
        $plan = Crafts::registry()->freshPlan($score)->withMarks([new ArticulationMark('edit', [$note->id], Articulation::Staccato)]);
        [$some, $read, $bars] = excerptAround($frame, $pages, $note->measure, $plan);
        $answer = fn (Score $score, Reading $reading): array => Crafts::registry()->answer('touch', Crafts::registry()->performance($score, $plan, read: fn (): Reading => $reading), new Asked($bars));
        expect($answer($some, $read))->toBe($answer($score, $reading));
    }
})->with('long pieces');

it('answers an edit of fingers as the whole piece would, but for a few notes that feel where the excerpt ends', function (): void {
    $notes = $other = 0;
    foreach (['BWV_0773.xml', 'BWV_0775.xml', 'Dichterliebe01.xml', 'Echigo-Jishi.xml', 'Telemann.xml'] as $name) {
        [$score, $reading, $frame, $pages] = laidBy((string) file_get_contents(Corpus::path($name)));
        foreach (spread($score, 8) as $note) {
            $plan = Crafts::registry()->freshPlan($score)->withMarks([new FingerMark('edit', $note->id, '4')]);
            $assignment = fn (Score $score, Reading $reading): Assignment => Crafts::registry()->performance($score, $plan, read: fn (): Reading => $reading)->part(Assignment::class);
            [$some, $read, $bars] = excerptAround($frame, $pages, $note->measure, $plan);
            $stretch = HandAnswer::around($assignment($some, $read), $bars);
            $whole = HandAnswer::around($assignment($score, $reading), $bars);
            $differences = array_diff_assoc(array_column($stretch['fingers'], 'finger', 'note'), array_column($whole['fingers'], 'finger', 'note'));
            $notes += count($stretch['fingers']);
            $other += count($differences);
            expect(array_column($stretch['fingers'], 'finger', 'note')[$note->id])->toBe('4');
            if ($differences === []) {
                expect($stretch)->toBe($whole);
            }
        }
    }
    expect($other / $notes)->toBeLessThan(0.01);
});

it('looks at slurs as wholes', function (): void {
    [$score, , $frame, $pages] = laidBy(MusicXml::part(...array_map(
        fn (int $bar): string => ($bar === 0 ? MusicXml::attributes() : '').MusicXml::note('C5', 8, '', $bar === 10 ? '<slur type="start" number="1"/>' : ($bar === 27 ? '<slur type="stop" number="1"/>' : '')).MusicXml::note('D5', 8),
        range(0, 49),
    )));
    expect($score->slurs)->toHaveCount(1);
    $plan = Crafts::registry()->freshPlan($score);
    $answered = $frame->answered(new Bars(24, 24), TouchAnswer::excerpt());
    expect($answered)->toEqual(new Bars(20, 28))->and($frame->needed($answered, TouchAnswer::excerpt(), $plan))->toEqual(new Bars(4, 34))
        ->and($frame->needed(new Bars(36, 40), TouchAnswer::excerpt(), $plan))->toEqual(new Bars(30, 46));
    [$some] = excerptAround($frame, $pages, 24, $plan);
    expect($some->slurs)->toEqual([new Slur($score->notes[20]->id, $score->notes[54]->id)])->and($some->notes)->toHaveCount(62);

    // A slur of the plan that begins before the bars and ends after them.
    $drawn = $plan->withMarks([new SlurMark('s', $score->notes[60]->id, $score->notes[98]->id, true), new SlurMark('t', $score->notes[2]->id, 'gone', true)]);
    expect($frame->needed(new Bars(36, 40), TouchAnswer::excerpt(), $drawn))->toEqual(new Bars(24, 49));
});

it('has hands as the teacher gave them out', function (): void {
    [$score, $reading, $frame, $pages] = laidBy((string) file_get_contents(Corpus::path('BWV_0775.xml')));
    $note = $score->notes[200];
    $other = $reading->hands[$note->id]->other();
    [, $read] = excerptAround($frame, $pages, $note->measure, Crafts::registry()->freshPlan($score)->withMarks([new HandMark('h', [$note->id, 'gone'], $other)]));
    expect($read->hands[$note->id])->toBe($other)->and($read->hands)->not->toHaveKey('gone')
        ->and(array_filter($read->hands, fn (Hand $hand, string $id): bool => $reading->hands[$id] !== $hand, ARRAY_FILTER_USE_BOTH))->toHaveCount(1);
});

it('stays within the piece', function (): void {
    [$score, , $frame, $pages] = laidBy((string) file_get_contents(Corpus::path('BWV_0775.xml')));
    $last = count($score->measures) - 1;
    expect($frame->answered(new Bars(0, 0), TouchAnswer::excerpt()))->toEqual(new Bars(0, 4))->and($frame->answered(new Bars($last, $last), TouchAnswer::excerpt()))->toEqual(new Bars($last - 4, $last))
        ->and($frame->answered(new Bars(5000, 6000), TouchAnswer::excerpt()))->toEqual(new Bars($last, $last));
    [$some] = excerptAround($frame, $pages, 5000, Crafts::registry()->freshPlan($score));
    expect($some->notes[count($some->notes) - 1])->toBe($score->notes[count($score->notes) - 1]);
});
