<?php

declare(strict_types=1);

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Sign;
use Tarnwind\Core\Tempo\TempoMap;
use Tarnwind\Core\Touch\ArticulationMark;
use Tarnwind\Core\Touch\CommaMark;
use Tarnwind\Core\Touch\Heard;
use Tarnwind\Core\Touch\KeyLengths;
use Tarnwind\Core\Touch\Profile;
use Tarnwind\Core\Touch\ProposedStyle;
use Tarnwind\Core\Touch\Style;
use Tests\support\Corpus;
use Tests\support\Labels;
use Tests\support\Marked;
use Tests\support\MusicXml;

/**
 * Quarters C D E F, the first two under a slur, the third with a sign.
 */
function phrase(string $sign = ''): Score
{
    $slur = fn (string $type): string => "<slur type=\"$type\" number=\"1\"/>";

    return MusicXml::score(MusicXml::part(
        MusicXml::attributes().MusicXml::note('C5', 4, '', $slur('start')).MusicXml::note('D5', 4, '', $slur('stop')).MusicXml::note('E5', 4, '', $sign === '' ? '' : "<articulations><$sign/></articulations>").MusicXml::note('F5', 4),
        MusicXml::line('G5:4 -:4 A5:8'),
    ));
}

/**
 * @return list<float> how much of its length each key is held, rounded
 */
function shares(Score $score, Profile $profile = Profile::Written, float $tempo = 60, array $own = []): array
{
    return array_values(array_map(
        fn (KeyLength $length): float => round(($length->left - $length->note->onset->toFloat()) / $length->note->duration->toFloat(), 2),
        KeyLengths::of($score, TempoMap::of($score, $tempo), new Style($profile), $own),
    ));
}

it('holds notes as written, by their sign, or by the teacher\'s word', function (): void {
    expect(shares(phrase()))->toBe([1.0, 1.0, 1.0, 1.0, 1.0, 1.0])
        ->and(shares(phrase('staccato'))[2])->toBe(0.5)->and(shares(phrase('staccatissimo'))[2])->toBe(0.25)->and(shares(phrase('detached-legato'))[2])->toBe(0.75)->and(shares(phrase('tenuto'))[2])->toBe(1.0);
    $score = phrase('staccato');
    $own = [$score->notes[2]->id => Articulation::Tenuto, $score->notes[3]->id => Articulation::NonLegato];
    $lengths = KeyLengths::of($score, TempoMap::of($score), new Style, $own);
    expect([$lengths[$score->notes[2]->id]->share, $lengths[$score->notes[3]->id]->share])->toBe([1.0, 0.85])->and($lengths[$score->notes[2]->id]->own)->toBeTrue();
});

it('leaves a note early for a breath, the teacher\'s or a printed one, and never for long', function (): void {
    $score = phrase('breath-mark');
    $lengths = fn (float $tempo, array $commas): array => array_values(array_map(fn (KeyLength $length): float => round($length->share, 2), KeyLengths::of($score, TempoMap::of($score, $tempo), new Style, [], $commas)));
    expect(array_slice($lengths(120, [$score->notes[1]->id]), 0, 4))->toBe([1.0, 0.7, 0.7, 1.0])
        ->and(array_slice($lengths(20, []), 2, 1))->toBe([0.88]);
});

it('proposes a style by words, then by texture', function (string $file, Profile $profile): void {
    [$score, $reading] = Labels::reading($file);
    expect(ProposedStyle::of($score, $reading)->profile)->toBe($profile);
})->with([
    ['BWV_0775.xml', Profile::Older], ['skipping-stones.musicxml', Profile::Dance], ['lantern-on-the-water.musicxml', Profile::Lyrical],
    ['slow-weather.musicxml', Profile::Lyrical], ['Saltarello.xml', Profile::Dance], ['SchbAvMaSample.xml', Profile::Lyrical],
]);

it('writes as a word what has no sign, once for notes that go on so, with the hand where it is the left', function (): void {
    $document = Document::open(MusicXml::piano(array_fill(0, 4, ['C5:4 D5:4 E5:4 F5:4', 'C3:8 G3:8'])));
    $score = ScoreReader::read($document);
    $of = fn (string $id, int $staff, array $bars, Articulation $how): ArticulationMark => new ArticulationMark($id, array_values(array_map(
        fn (Note $note): string => $note->id, array_filter($score->notes, fn (Note $note): bool => $note->staff === $staff && in_array($note->measure, $bars, true)),
    )), $how);
    $written = ScoreReader::read(Document::open(Marked::copy($document, $score, [$of('a', 2, [0, 1], Articulation::NonLegato), $of('b', 1, [0, 3], Articulation::Marcato), new CommaMark('c', $score->notes[2]->id)])->toMusicXml()));
    expect(array_map(fn (Sign $sign): string => "$sign->onset $sign->value", $written->signsOf('words')))->toBe(['0 left hand non legato', '0 marcato', '12 marcato'])
        ->and($written->notes[2]->has('breath-mark'))->toBeTrue();
});

it('lets a style fill in what is not written: lifts after slurs, detached notes between them', function (Profile $profile, array $expected): void {
    expect(shares(phrase(), $profile))->toBe($expected);
})->with([
    // C and D under a slur, then E and F, G before a rest, A last of all.
    'lyrical' => [Profile::Lyrical, [1.03, 0.85, 1.0, 1.0, 1.0, 1.0]],
    'dance' => [Profile::Dance, [1.01, 0.6, 0.8, 0.8, 1.0, 0.8]],
    'older keyboard' => [Profile::Older, [1.01, 0.7, 0.75, 0.75, 1.0, 0.75]],
]);

it('leaves a key in time to be struck again, and half way at the latest where it is quick', function (): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::line('C5:4 C5:4 C5:1 C5:1 C5:2 D5:4')));
    // At ♩ = 60 a quarter lasts a second and the key needs 60 ms; a sixteenth at ♩ = 240 lasts 62.5 ms.
    expect(array_slice(shares($score), 0, 3))->toBe([0.94, 0.94, 0.76])->and(shares($score, tempo: 240)[2])->toBe(0.5);
});

it('holds no key of the corpus longer than written, nor past its being struck again', function (string $path): void {
    [$score] = Labels::reading(basename($path));
    $struck = [];
    foreach ($score->notes as $note) {
        $struck[$note->midi][] = $note->onset->toFloat();
    }
    foreach (KeyLengths::of($score, TempoMap::of($score)) as $length) {
        $onset = $length->note->onset->toFloat();
        $again = array_filter($struck[$length->note->midi], fn (float $at): bool => $at > $onset + 1e-9);
        expect($length->left)->toBeGreaterThan($onset)->toBeLessThanOrEqual($length->note->end()->toFloat() + 1e-9)
            ->and($again === [] ? true : $length->left < min($again))->toBeTrue();
        // Dots, wedges and dashes: half, a quarter, three quarters, but for keys struck again.
        if ($length->note->articulations === []) {
            expect($length->share)->toBe(1.0);
        }
    }
})->with(fn (): array => array_map(fn (string $path): array => [$path], Corpus::files('xml')));

/**
 * @param  list<array{int, int}>  $pedal  from and to in quarters
 * @return list<string> "kind pitch"
 */
function touchFindings(Score $score, array $pedal, Profile $profile = Profile::Written, float $tempo = 60): array
{
    $map = TempoMap::of($score, $tempo);
    $spans = array_map(fn (array $span): Span => new Span(Fraction::of($span[0]), Fraction::of($span[1])), $pedal);

    return array_map(fn (Finding $finding): string => "{$finding->kind->value} ".array_column($score->notes, null, 'id')[$finding->notes[0]]->pitch, (new Heard($score, $map, KeyLengths::of($score, $map, new Style($profile)), $spans))->findings());
}

it('knows three moments: key up, foot up, and what is heard', function (): void {
    $score = phrase('staccato');
    $map = TempoMap::of($score, 60.0);
    $lengths = KeyLengths::of($score, $map);
    $staccato = $lengths[$score->notes[2]->id];
    $heard = fn (array $spans): float => (new Heard($score, $map, $lengths, $spans))->until($staccato);
    expect($staccato->left)->toBe(2.5)->and($heard([]))->toBe(2.5)
        ->and($heard([new Span(Fraction::of(2), Fraction::of(4))]))->toBe(4.0)
        // A foot that comes down only later does not catch it.
        ->and($heard([new Span(Fraction::of(3), Fraction::of(4))]))->toBe(2.5);
});

it('finds staccato that the pedal hides and long dots; of rests the pedal speaks itself', function (): void {
    expect(touchFindings(phrase('staccato'), [], tempo: 120))->toBe([])
        ->and(touchFindings(phrase('staccato'), [], tempo: 60))->toBe(['long-staccato E5'])
        ->and(touchFindings(phrase('staccato'), [[2, 4]]))->toBe(['hidden-by-pedal E5'])
        ->and(touchFindings(phrase(), [[1, 3]]))->toBe([])
        ->and(touchFindings(phrase(), [[4, 6]]))->toBe([]);
});

it('is played as it is planned', function (): void {
    $score = phrase();
    $map = TempoMap::of($score, 60.0);
    $lengths = KeyLengths::of($score, $map, new Style(Profile::Dance), [$score->notes[3]->id => Articulation::Staccatissimo]);
    $played = array_map(fn ($event): int => (int) round($event->endMs - $event->startMs), Renderer::render($score, new Tarnwind\Core\Performance\Pedals, $map, $lengths)->events);
    expect($played)->toBe([1010, 600, 800, 200, 1000, 1600]);
});

it('keeps notes off the beat short where the style is in them, and gives marcato a hair of air', function (): void {
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::line('C5:2 D5:2 E5:4').MusicXml::note('F5', 4, '', '<articulations><strong-accent/></articulations>').MusicXml::line('G5:4')));
    expect(shares($score, Profile::Straight))->toBe([0.9, 0.55, 0.9, 0.9, 0.9])->and(shares($score, Profile::Swing))->toBe(shares($score, Profile::Straight))
        ->and(shares($score))->toBe([1.0, 1.0, 1.0, 0.9, 1.0]);
});

it('takes the values of the teacher\'s school in place of the style\'s', function (): void {
    $score = phrase('staccato');
    $held = fn (array $values, Profile $profile = Profile::Dance): array => array_values(array_map(
        fn (KeyLength $length): float => round($length->left - $length->note->onset->toFloat(), 3), KeyLengths::of($score, TempoMap::of($score, 60.0), new Style($profile, $values)),
    ));
    // C and D under a slur, E staccato, F plain, G before a rest, A last of all.
    expect($held(['staccato' => 0.3, 'lift' => 0.7, 'plain' => 0.9, 'overlap' => 40.0]))->toBe([1.04, 0.7, 0.3, 0.9, 1.0, 1.8])
        ->and($held([]))->toBe([1.01, 0.6, 0.4, 0.8, 1.0, 1.6])
        ->and((new Style(Profile::Dance, ['lift' => 0.7]))->all())->toMatchArray(['lift' => 0.7, 'plain' => 0.8, 'staccato' => 0.4, 'overlap' => 10.0]);
});

it('lets joined keys overlap within what is taught, but no key that is struck again', function (): void {
    $slur = fn (string $type): string => "<slur type=\"$type\" number=\"1\"/>";
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::note('C5', 4, '', $slur('start')).MusicXml::line('D5:4 D5:4').MusicXml::note('E5', 4, '', $slur('stop'))));
    foreach ([40.0, 120.0, 240.0] as $quartersPerMinute) {
        $tempo = TempoMap::of($score, $quartersPerMinute);
        $over = fn (int $index): int => (int) round(1000 * ($tempo->seconds(array_values(KeyLengths::of($score, $tempo, new Style(Profile::Lyrical)))[$index]->left) - $tempo->seconds($score->notes[$index]->end())));
        expect([$over(0), $over(1) < -50, $over(2)])->toBe([30, true, 30]);
    }
});

it('says nothing of slurs that follow each other: their ends are the style\'s, and the pedal may carry them', function (): void {
    $slur = fn (string $type): string => "<slur type=\"$type\" number=\"1\"/>";
    $score = MusicXml::score(MusicXml::part(MusicXml::attributes().MusicXml::note('C5', 4, '', $slur('start')).MusicXml::note('D5', 4, '', $slur('stop')).MusicXml::note('E5', 4, '', $slur('start')).MusicXml::note('F5', 4, '', $slur('stop'))));
    expect(touchFindings($score, []))->toBe([])->and(touchFindings($score, [[1, 3]], Profile::Dance))->toBe([]);
});

it('finds a slur that the teacher\'s own sign breaks, unless the foot or the sign\'s meaning goes on', function (Articulation $own, array $pedal, array $expected): void {
    $score = phrase();
    $map = TempoMap::of($score, 120.0);
    $spans = array_map(fn (array $span): Span => new Span(Fraction::of($span[0]), Fraction::of($span[1])), $pedal);
    $found = (new Heard($score, $map, KeyLengths::of($score, $map, own: [$score->notes[0]->id => $own]), $spans))->findings();
    expect(array_map(fn (Finding $finding): string => $finding->kind->value, $found))->toBe($expected);
})->with([
    'non-legato' => [Articulation::NonLegato, [], ['slur-broken']],
    'portato is meant so' => [Articulation::Portato, [], []],
    'tenuto' => [Articulation::Tenuto, [], []],
    'the foot joins' => [Articulation::NonLegato, [[0, 2]], []],
]);

it('joins what the print asks in words to be joined, until other words', function (): void {
    $words = fn (string $text): string => "<direction><direction-type><words>$text</words></direction-type></direction>";
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes().MusicXml::line('C5:4 D5:4').$words('sempre legato').MusicXml::line('E5:4 F5:4'),
        $words('poco marcato').MusicXml::line('G5:8').$words('non legato').MusicXml::line('A5:8'),
    ));
    $asked = array_map(fn (KeyLength $length): ?string => $length->articulation?->value, array_values(KeyLengths::of($score, TempoMap::of($score, 60), new Style(Profile::Older))));
    expect($asked)->toBe([null, null, 'legato', 'legato', null, null]);
});
