<?php

declare(strict_types=1);

use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Handout\MarkedCopy;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Pedal\PedalMark;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Student\Rates;
use Tarnwind\Core\Student\Student;
use Tarnwind\Core\Tempo\PlayedBars;
use Tarnwind\Core\Tempo\When;
use Tarnwind\Core\Time\EndingMark;
use Tarnwind\Core\Time\FermataMark;
use Tarnwind\Core\Time\FreeMark;
use Tarnwind\Core\Time\LeanMark;
use Tarnwind\Core\Time\OrnamentMark;
use Tarnwind\Core\Time\PaceMark;
use Tarnwind\Core\Time\RubatoMark;
use Tarnwind\Core\Time\School;
use Tarnwind\Core\Time\SilenceMark;
use Tarnwind\Core\Time\TakenTime;
use Tarnwind\Core\Time\TempoMark;
use Tarnwind\Core\Time\Timing;
use Tarnwind\Core\Touch\Ornamenting;
use Tests\support\Corpus;
use Tests\support\MusicXml;

/**
 * Bars of four quarters each at 60 a minute.
 *
 * @param  array<int, string>  $before  what stands at the beginning of bars, by number
 */
function quarters(int $bars = 8, array $before = [], string $bar = 'C5:4 D5:4 E5:4 F5:4'): string
{
    $lines = [];
    for ($number = 1; $number <= $bars; $number++) {
        $lines[] = ($number === 1 ? MusicXml::attributes().'<sound tempo="60"/>' : '').($before[$number] ?? '').MusicXml::line($bar);
    }

    return MusicXml::part(...$lines);
}

/**
 * @param  list<Mark>  $marks
 */
function timed(string|Score $score, array $marks, School $school = School::Strict, Student $student = new Student): Performance
{
    $score = is_string($score) ? MusicXml::score($score) : $score;

    return Crafts::registry()->performance($score, (new Plan(null, $marks))->withSettings('time', new Timing($school)), $student);
}

/** A place by number of bar from 1 and quarters into it. */
function placed(Score|string $score, int $bar, string $offset = '0'): Place
{
    $score = is_string($score) ? MusicXml::score($score) : $score;

    return new Place($score->measures[$bar - 1]->id, Fraction::parse($offset));
}

/**
 * Seconds from one place to another.
 */
function lasts(Performance $performance, float $from, float $to): float
{
    return $performance->tempo()->seconds($to) - $performance->tempo()->seconds($from);
}

/**
 * @return list<string> kinds of the findings
 */
function timeFindings(Performance $performance): array
{
    return array_column(Crafts::registry()->answer('time', $performance)['findings'], 'kind');
}

it('gives back to the microsecond what rubato has taken', function (): void {
    mt_srand(7);
    $xml = quarters(8, [3 => '<direction><direction-type><words>rit.</words></direction-type></direction>', 5 => '<direction><direction-type><words>a tempo</words></direction-type></direction>']);
    for ($case = 0; $case < 60; $case++) {
        $beats = array_map(fn (): ?float => mt_rand(0, 2) === 0 ? null : mt_rand(80, 133) / 100, range(1, mt_rand(3, 20)));
        $beats[] = null;
        $parts = mt_rand(1, 3);
        $performance = timed($xml, [new RubatoMark('r', placed($xml, 1, '1'), placed($xml, 7), $beats, $parts, true)]);
        $rubato = $performance->part(TakenTime::class)->rubatos[0];
        expect($rubato->owed())->toBe(0);
        $answer = Crafts::registry()->answer('time', $performance);
        // The clock agrees: from the beginning of the passage to its end it lasts as long as without it, and so does the piece.
        $plain = timed($xml, []);
        expect(lasts($performance, 1, 24))->toEqualWithDelta(lasts($plain, 1, 24), 1e-5)->and($answer['duration'])->toEqualWithDelta(Crafts::registry()->answer('time', $plain)['duration'], 0.01)
            ->and(round(array_sum(array_column($answer['rubatos'][0]['beats'], 'taken')), 6))->toEqual(0.0);
    }
});

it('says what is still owed where nothing gives back', function (): void {
    $xml = quarters();
    $mark = fn (bool $back, ?float ...$beats): RubatoMark => new RubatoMark('r', placed($xml, 2), placed($xml, 3), array_values($beats), 1, $back);
    $owed = fn (RubatoMark $mark): float => Crafts::registry()->answer('time', timed($xml, [$mark]))['rubatos'][0]['owed'];
    expect($owed($mark(false, 1.2, null, null, null)))->toEqual(200.0)->and($owed($mark(true, 1.2, null, null, null)))->toEqual(0.0)
        // Where all beats are the teacher's, there is none to give.
        ->and($owed($mark(true, 1.2, 1.0, 1.0, 1.0)))->toEqual(200.0)
        ->and(timeFindings(timed($xml, [$mark(false, 1.3, null, null, null)])))->toBe(['owed'])
        ->and(timeFindings(timed($xml, [$mark(false, 1.1, null, null, null)])))->toBe([])
        ->and(timeFindings(timed($xml, [$mark(true, 1.3, null, null, null)])))->toBe([]);
});

it('slows by the published curve', function (float $to, float $shape): void {
    $xml = quarters();
    $performance = timed($xml, [new PaceMark('s', placed($xml, 6), placed($xml, 8), $to, $shape, true)]);
    // Seconds are the integral of 1/v over the stretch: v(x) = [1 + (w^q − 1)·x]^(1/q), whose integral is known.
    foreach ([2.0, 5.0, 8.0] as $quarters) {
        $a = $to ** $shape - 1;
        $x = $quarters / 8;
        $integral = $shape === 1.0 ? log(1 + $a * $x) / $a : ((1 + $a * $x) ** (1 - 1 / $shape) - 1) / ($a * (1 - 1 / $shape));
        expect(lasts($performance, 20, 20 + $quarters))->toEqualWithDelta(8 * $integral, 0.02);
    }
    expect(lasts($performance, 28, 29))->toEqualWithDelta(60 / $performance->part(TakenTime::class)->paced->at(27.9), 0.05);
})->with([[0.5, 3.0], [0.7, 3.0], [0.6, 2.0], [0.8, 1.0], [1.3, 3.0]]);

it('comes back after a slowing, or stays', function (): void {
    $xml = quarters();
    $after = fn (bool $stays): float => lasts(timed($xml, [new PaceMark('s', placed($xml, 2), placed($xml, 4), 0.5, 3.0, $stays)]), 20, 24);
    expect($after(false))->toEqualWithDelta(4.0, 1e-6)->and($after(true))->toBeGreaterThan(7.5)
        ->and(timeFindings(timed($xml, [new PaceMark('s', placed($xml, 2), placed($xml, 4), 0.7, 3.0, true)])))->toBe(['no-return'])
        ->and(timeFindings(timed($xml, [new PaceMark('s', placed($xml, 2), placed($xml, 4), 0.7, 3.0, false)])))->toBe([]);
});

it('puts the teacher in place of the print', function (): void {
    $rit = '<direction><direction-type><words>rit.</words></direction-type></direction>';
    $tempo = '<direction><direction-type><words>a tempo</words></direction-type></direction>';
    $xml = quarters(8, [3 => $rit, 5 => $tempo]);
    $printed = timed($xml, []);
    $own = timed($xml, [new PaceMark('s', placed($xml, 3), placed($xml, 4), 0.9, 3.0, false)]);
    expect(lasts($printed, 12, 16))->toBeGreaterThan(5.0)->and(lasts($own, 12, 16))->toEqualWithDelta(4.0, 1e-6)->and(lasts($own, 8, 12))->toBeGreaterThan(4.0)->toBeLessThan(4.5);
    $section = '<direction><direction-type><metronome><beat-unit>quarter</beat-unit><per-minute>90</per-minute></metronome></direction-type></direction>';
    $drifts = quarters(8, [5 => $section]);
    expect(lasts(timed($drifts, [new TempoMark('t', placed($drifts, 5), 1.2)]), 16, 20))->toEqualWithDelta(4 / 1.2, 1e-6)
        ->and(timeFindings(timed($drifts, [new TempoMark('t', placed($drifts, 5), 1.2)])))->toBe(['ratio-drifts'])
        ->and(timeFindings(timed($drifts, [new TempoMark('t', placed($drifts, 5), 1.45)])))->toBe([]);
});

it('holds a fermata only the second time a repeat is played, in the order of playing', function (): void {
    $repeat = fn (string $direction): string => "<barline><repeat direction=\"$direction\"/></barline>";
    $xml = MusicXml::part(
        MusicXml::attributes().'<sound tempo="60"/>'.$repeat('forward').MusicXml::line('C5:4 D5:4 E5:4 F5:4'), MusicXml::line('G5:4 F5:4 E5:8').$repeat('backward'), MusicXml::line('C5:16'),
    );
    $fermata = fn (When $when, ?float $seconds = 5.0): Performance => timed($xml, [new FermataMark('f', placed($xml, 2, '2'), $seconds, $when)]);
    $starts = fn (Performance $performance): array => array_map(fn (array $bar): float => $bar['ms'], PlayedBars::of($performance->score(), $performance->tempo()));
    expect($starts($fermata(When::Last)))->toEqual([0.0, 4000.0, 8000.0, 12_000.0, 19_000.0])->and($starts($fermata(When::First)))->toEqual([0.0, 4000.0, 11_000.0, 15_000.0, 19_000.0])
        ->and($starts($fermata(When::Every)))->toEqual([0.0, 4000.0, 11_000.0, 15_000.0, 22_000.0])->and($starts($fermata(When::Every, 0.0)))->toEqual([0.0, 4000.0, 8000.0, 12_000.0, 16_000.0]);
    $held = array_values(array_filter(Renderer::play($fermata(When::Last))->events, fn (KeyEvent $event): bool => $event->midi === 76 && $event->endMs - $event->startMs > 1500));
    expect(array_map(fn (KeyEvent $event): float => round(($event->endMs - $event->startMs) / 1000, 1), $held))->toBe([2.0, 5.0])
        ->and(Crafts::registry()->answer('time', $fermata(When::Last))['duration'])->toEqual(23_000.0);
});

it('holds a fermata at the end of a da capo when the piece ends there', function (): void {
    $xml = MusicXml::part(
        MusicXml::attributes().'<sound tempo="60"/>'.MusicXml::line('C5:4 D5:4').MusicXml::note('E5', 8, '', '<fermata/>').'<direction><direction-type><words>Fine</words></direction-type><sound fine="yes"/></direction>',
        MusicXml::line('C5:16').'<direction><direction-type><words>D.C. al Fine</words></direction-type><sound dacapo="yes"/></direction>',
    );
    $performance = timed($xml, []);
    expect(array_column(PlayedBars::of($performance->score(), $performance->tempo()), 'ms'))->toEqual([0.0, 4000.0, 8000.0])
        ->and(PlayedBars::duration($performance->score(), $performance->tempo()))->toBeGreaterThan(12.9);
});

it('puts in a silence of the length that is asked, before which keys come up', function (): void {
    $xml = quarters();
    $performance = timed($xml, [new SilenceMark('s', placed($xml, 3), 400.0, When::Every)]);
    expect(lasts($performance, 0, 8))->toEqualWithDelta(8.4, 1e-9)->and(lasts($performance, 8, 32))->toEqualWithDelta(24.0, 1e-9);
    $events = Renderer::play($performance)->events;
    // The last key of bar 2 is up before the silence begins, within a hair.
    expect($events[7]->endMs)->toBeLessThan(8010.0)->toBeGreaterThan(7600.0)->and($events[8]->startMs)->toEqualWithDelta(8400.0, 0.01);
    // Another tempo leaves it as long.
    $quick = Crafts::registry()->performance($performance->written, $performance->plan->withTempo(120.0));
    expect(lasts($quick, 0, 8))->toEqualWithDelta(4.4, 1e-9);
});

it('says that the pedal fills a silence', function (): void {
    $xml = quarters();
    $silence = new SilenceMark('s', placed($xml, 3), 400.0, When::Every);
    $pedal = fn (int $to): PedalMark => new PedalMark('p', false, placed($xml, 2), placed($xml, $to), Depth::full(), Origin::Teacher, '');
    expect(timeFindings(timed($xml, [$silence, $pedal(4)])))->toBe(['silence-filled'])->and(timeFindings(timed($xml, [$silence, $pedal(3)])))->toBe([]);
});

it('reads caesuras, fermatas over bar lines, cadenzas, dashes and metric modulations', function (): void {
    $words = fn (string $text, string $more = ''): string => "<direction><direction-type><words>$text</words></direction-type>$more</direction>";
    $dashes = fn (string $type): string => "<direction-type><dashes type=\"$type\" number=\"1\"/></direction-type>";
    $caesura = MusicXml::part(MusicXml::attributes().'<sound tempo="60"/>'.MusicXml::line('C5:12').MusicXml::note('D5', 4, '', '<articulations><caesura/></articulations>'), MusicXml::line('C5:16'));
    expect(lasts(timed($caesura, []), 0, 4))->toEqualWithDelta(4.4, 1e-6)
        ->and(lasts(timed($caesura, [new SilenceMark('s', placed($caesura, 2), 0.0, When::Every)]), 0, 4))->toEqualWithDelta(4.0, 1e-6);
    $barline = MusicXml::part(MusicXml::attributes().'<sound tempo="60"/>'.MusicXml::line('C5:16').'<barline location="right"><fermata/></barline>', MusicXml::line('C5:16'));
    expect(lasts(timed($barline, []), 0, 4))->toEqualWithDelta(5.0, 1e-6)->and(lasts(timed($barline, []), 4, 8))->toEqualWithDelta(4.0, 1e-6);
    $cadenza = timed(quarters(4, [2 => $words('cadenza')]), []);
    expect(lasts($cadenza, 4, 5))->toBeGreaterThan(1.1)->and(lasts($cadenza, 5, 6))->toBeLessThan(0.95)->and(lasts($cadenza, 7, 8))->toBeGreaterThan(1.1)->and(lasts($cadenza, 8, 12))->toEqualWithDelta(4.0, 1e-6);
    $slowed = timed(quarters(8, [2 => $words('rit.', $dashes('start')), 4 => "<direction>{$dashes('stop')}</direction>"]), []);
    expect(lasts($slowed, 8, 12))->toBeGreaterThan(4.5)->and(lasts($slowed, 12, 16))->toEqualWithDelta(4.0, 1e-6);
    $unit = fn (string $type, string $dot = ''): string => "<beat-unit>$type</beat-unit>$dot";
    $modulation = quarters(4, [3 => '<direction><direction-type><metronome>'.$unit('quarter').$unit('quarter', '<beat-unit-dot/>').'</metronome></direction-type></direction>']);
    // The dotted quarter goes as the quarter went: quarters half as fast again.
    expect(lasts(timed($modulation, []), 8, 12))->toEqualWithDelta(4 / 1.5, 1e-6);
    $notes = '<metronome><metronome-note><metronome-type>eighth</metronome-type></metronome-note><metronome-relation>equals</metronome-relation><metronome-note><metronome-type>quarter</metronome-type></metronome-note></metronome>';
    expect(lasts(timed(quarters(4, [3 => "<direction><direction-type>$notes</direction-type></direction>"]), []), 8, 12))->toEqualWithDelta(2.0, 1e-6);
});

it('takes small notes in a bar that is too long for its metre as free, and hears what stands over the top part alone', function (): void {
    $small = fn (int $notes, string $size): string => str_repeat(str_replace('<voice>', "<type size=\"$size\">eighth</type><voice>", MusicXml::note('E5', 2)), $notes);
    $file = fn (int $notes, string $size): Performance => timed(MusicXml::part(MusicXml::attributes().'<sound tempo="60"/>'.MusicXml::line('C5:16'), MusicXml::line('C5:8').$small($notes, $size), MusicXml::line('C5:16')), []);
    expect(lasts($file(16, 'cue'), 6, 7))->toBeGreaterThan(1.1)->and(lasts($file(16, 'cue'), 4, 6))->toEqualWithDelta(2.0, 1e-6)->and(lasts($file(16, 'cue'), 14, 18))->toEqualWithDelta(4.0, 1e-6)
        ->and(lasts($file(16, 'full'), 6, 7))->toEqualWithDelta(1.0, 1e-6)->and(lasts($file(4, 'cue'), 6, 7))->toEqualWithDelta(1.0, 1e-6);
    $words = '<direction><direction-type><words>rit.</words></direction-type></direction>';
    $bars = fn (string $second): array => [MusicXml::attributes().MusicXml::line('C5:16'), $second.MusicXml::line('C5:16'), MusicXml::line('C5:16')];
    $piano = [MusicXml::attributes(staves: 2).'<sound tempo="60"/>'.MusicXml::line('C5:16'), MusicXml::line('C5:16'), MusicXml::line('C5:16')];
    $song = timed(ScoreReader::read(Document::open(MusicXml::file(['P1' => $bars($words), 'P2' => $piano], ['P1' => 'Voice', 'P2' => 'Piano']))), []);
    expect($song->written->readParts)->toBe(['P2'])->and(lasts($song, 4, 8))->toBeGreaterThan(4.2);
});

it('reads all tempo words of the corpus, and no others', function (): void {
    $found = [];
    foreach (Corpus::files('xml') as $file => $path) {
        $score = ScoreReader::read(Document::open((string) file_get_contents($path)));
        foreach ($score->signsOf('words') as $sign) {
            if (Tarnwind\Core\Tempo\TempoWord::read((string) $sign->value) !== null) {
                $found["$file {$sign->value}"] = ($found["$file {$sign->value}"] ?? 0) + 1;
            }
        }
    }
    // Of the 62 words of the corpus these change the tempo; "dim.", "dolce", "sempre dolce", "espressivo" and the like do not.
    expect($found)->toBe(['Dichterliebe01.xml ritard.' => 2]);
    $first = fn (string $words): float => Tarnwind\Core\Tempo\PrintedTempo::first(MusicXml::score(MusicXml::part(MusicXml::attributes()."<direction><direction-type><words>$words</words></direction-type></direction>".MusicXml::line('C5:16'))));
    // Those that stand at beginnings, in order of speed.
    $opening = ['Sehr langsam', 'Langsam, zart', 'Ziemlich langsam und mit Ausdruck', 'Andantino', 'Moderato', 'Allegretto', 'Allegro'];
    $tempos = array_map($first, $opening);
    $sorted = $tempos;
    sort($sorted);
    expect($tempos)->toBe($sorted)->and(array_unique($tempos))->toHaveCount(7);
});

it('gives a note time, and a free passage', function (): void {
    $xml = quarters();
    $score = MusicXml::score($xml);
    $lean = timed($score, [new LeanMark('l', [$score->notes[5]->id], 0.15)]);
    expect(lasts($lean, 5, 6))->toEqualWithDelta(1.15, 1e-9)->and(lasts($lean, 6, 7))->toEqualWithDelta(1.0, 1e-9);
    $free = timed($score, [new FreeMark('f', placed($score, 3), placed($score, 5))]);
    expect(lasts($free, 8, 9))->toBeGreaterThan(1.2)->and(lasts($free, 11, 13))->toEqualWithDelta(2 / 1.15, 1e-6)->and(lasts($free, 15, 16))->toBeGreaterThan(1.3)->and(lasts($free, 16, 20))->toEqualWithDelta(4.0, 1e-6);
});

it('takes time at the ends of phrases by school, and where the teacher wants it', function (): void {
    $score = MusicXml::score((string) file_get_contents(__DIR__.'/../../../database/demo/slow-weather.musicxml'));
    $endings = fn (School $school, array $marks = []): array => array_column(Crafts::registry()->answer('time', timed($score, $marks, $school))['endings'], 'longer', 'at');
    expect($endings(School::Strict))->toBe([])->and($endings(School::Free))->not->toBe([])->and(array_keys($endings(School::Free)))->toBe(array_keys($endings(School::Breathing)))
        ->and(array_sum($endings(School::Free)))->toBeGreaterThan(array_sum($endings(School::Breathing)));
    $at = (string) array_key_first($endings(School::Breathing));
    $place = Place::at($score, Fraction::parse($at));
    expect($endings(School::Breathing, [new EndingMark('e', $place, 0.3)])[$at])->toEqual(0.3)->and($endings(School::Breathing, [new EndingMark('e', $place, 0.0)]))->not->toHaveKey($at)
        ->and($endings(School::Strict, [new EndingMark('e', $place, 0.3)]))->toHaveCount(1);
    $answer = Crafts::registry()->answer('time', timed($score, []));
    // What is proposed is what the school then does.
    $proposed = array_column($answer['proposal']['places'], 'at');
    $taken = Crafts::registry()->answer('time', timed($score, [], School::Breathing));
    $done = [...array_column($taken['endings'], 'at'), ...array_column(array_filter($taken['paces'], fn (array $pace): bool => ! $pace['printed']), 'at')];
    expect($answer['proposal']['school'])->toBe('breathing')->and(array_diff($proposed, $done))->toBe([])->and(count($proposed))->toBe(count($done));
});

it('finds what a slowing does wrong', function (): void {
    $xml = quarters(12);
    $slow = fn (int $from, int|string $to, float $end): array => timeFindings(timed($xml, [new PaceMark('s', placed($xml, $from), is_int($to) ? placed($xml, $to) : placed($xml, $from, $to), $end, 3.0, false)]));
    expect($slow(3, 9, 0.7))->toBe(['slowing-early'])->and($slow(3, 6, 0.7))->toBe([])->and($slow(3, '2', 0.4))->toContain('slowing-steep')->and($slow(3, 6, 0.5))->toBe([]);
    $word = fn (string $text): string => "<direction><direction-type><words>$text</words></direction-type></direction>";
    $mark = fn (int $tempo): string => "<direction><direction-type><metronome><beat-unit>quarter</beat-unit><per-minute>$tempo</per-minute></metronome></direction-type></direction>";
    expect(timeFindings(timed(quarters(12, [4 => $word('rit.')]), [])))->toBe(['no-return'])->and(timeFindings(timed(quarters(12, [4 => $word('rit.'), 6 => $word('a tempo')]), [])))->toBe([])
        ->and(timeFindings(timed(quarters(12, [11 => $word('rit.')]), [])))->toBe([])
        ->and(timeFindings(timed(quarters(12, [4 => $word('accel.'), 6 => $mark(120)]), [])))->toBe(['target-missed'])->and(timeFindings(timed(quarters(12, [4 => $word('accel.'), 6 => $mark(76)]), [])))->toBe([]);
});

it('finds beats that are not felt as beats, a last bar cut short, fermatas that are too short or too long', function (): void {
    $xml = quarters();
    $rubato = fn (int $bar, ?float ...$beats): array => timeFindings(timed($xml, [new RubatoMark('r', placed($xml, $bar), $bar < 8 ? placed($xml, $bar + 1) : placed($xml, 8, '4'), array_values($beats), 1, true)]));
    expect($rubato(2, 1.5, null, null, null))->toBe(['pulse-lost'])->and($rubato(2, 1.33, null, null, null))->toBe([])->and($rubato(2, 0.7, null, null, null))->toBe(['pulse-lost'])->and($rubato(2, 0.81, null, null, null))->toBe([]);
    $last = fn (float $factor): array => timeFindings(timed($xml, [new RubatoMark('r', placed($xml, 7), placed($xml, 8, '4'), [$factor, $factor, null, null, null, null, null, null], 1, true)]));
    expect($last(1.2))->toBe(['last-bar-cut'])->and($last(1.03))->toBe([]);
    $held = fn (float $seconds): array => timeFindings(timed($xml, [new FermataMark('f', placed($xml, 3, '3'), $seconds, When::Every)]));
    expect($held(1.2))->toBe(['hold-short'])->and($held(1.6))->toBe([])->and($held(20.0))->toBe(['hold-long']);
});

it('says before it is planned what a student\'s rate does not carry', function (): void {
    $xml = quarters(8, [], 'C5:1 D5:1 E5:1 F5:1 G5:1 F5:1 E5:1 D5:1 C5:1 D5:1 E5:1 F5:1 G5:1 F5:1 E5:1 D5:1');
    $findings = fn (float $run, Mark ...$marks): array => Crafts::registry()->answer('time', timed($xml, array_values($marks), student: new Student(rates: new Rates($run, 8.0))))['findings'];
    // Four notes a beat at 60 a minute are four a second.
    expect($findings(4.2))->toBe([])->and(array_column($findings(3.0), 'kind'))->toBe(['beyond-rate'])->and($findings(3.0)[0]['remedy']['value'])->toBe('45');
    $pushed = $findings(4.2, new PaceMark('a', placed($xml, 3), placed($xml, 5), 1.3, 3.0, false));
    expect(array_values(array_unique(array_column($pushed, 'kind'))))->toBe(['beyond-rate'])->and(min(array_column($pushed, 'measure')))->toBeGreaterThanOrEqual(2)->and(max(array_column($pushed, 'measure')))->toBeLessThanOrEqual(4);
});

it('changes the milliseconds elsewhere where the tempo changes, and nowhere else', function (): void {
    $score = MusicXml::score((string) file_get_contents(__DIR__.'/../../../database/demo/lantern-on-the-water.musicxml'));
    $fresh = Crafts::registry()->performance($score, Crafts::registry()->freshPlan($score));
    $plan = Crafts::registry()->suggestion('pedal')?->suggest($fresh) ?? $fresh->plan;
    [$from, $to] = [$score->measures[9]->start, $score->measures[11]->start];
    $slowed = $plan->withMarks([...$plan->marks, new RubatoMark('r', Place::at($score, $from), Place::at($score, $to), array_fill(0, 8, 1.25), 1, false)]);
    $answers = fn (Plan $plan, string $name): array => Crafts::registry()->answer($name, Crafts::registry()->performance($score, $plan), new Asked);
    $windows = fn (Plan $plan): array => array_column($answers($plan, 'pedal')['spans'], 'catch_window_ms', 'down');
    [$before, $after] = [$windows($plan), $windows($slowed)];
    $changed = array_filter(array_keys($before), fn (string|int $down): bool => $before[$down] !== null && abs($before[$down] - $after[$down]) > 0.5);
    expect(array_keys($after))->toBe(array_keys($before))->and($changed)->not->toBe([]);
    foreach ($changed as $down) {
        expect(Fraction::parse((string) $down)->toFloat())->toBeGreaterThanOrEqual($from->toFloat() - 1)->toBeLessThan($to->toFloat());
    }
    $long = fn (Plan $plan): array => array_map(fn (KeyEvent $event): float => round($event->endMs - $event->startMs, 1), Renderer::play(Crafts::registry()->performance($score, $plan))->events);
    [$plain, $bent] = [$long($plan), $long($slowed)];
    $events = Renderer::play(Crafts::registry()->performance($score, $plan))->events;
    foreach ($events as $index => $event) {
        $isIn = $event->from < $to->toFloat() - 0.05 && $event->to > $from->toFloat() + 0.05;
        expect(abs($plain[$index] - $bent[$index]) > 0.2)->toBe($isIn, "note at $event->from to $event->to: {$plain[$index]} and {$bent[$index]}");
    }
});

it('plays the ornaments of one note otherwise', function (): void {
    $xml = MusicXml::part(MusicXml::attributes().'<sound tempo="60"/>'.MusicXml::note('C5', 8, '', '<ornaments><trill-mark/></ornaments>').MusicXml::note('C5', 8, '', '<ornaments><trill-mark/></ornaments>'));
    $score = MusicXml::score($xml);
    $events = fn (Mark ...$marks): array => Renderer::play(timed($score, array_values($marks)))->events;
    $strokes = fn (array $events, int $note): array => array_values(array_filter($events, fn (KeyEvent $event): bool => $event->note === $score->notes[$note]->id));
    $own = $events(new OrnamentMark('o', [$score->notes[1]->id], new Ornamenting(fromUpper: true, speed: 8.0)));
    expect(count($strokes($own, 0)))->toBe(count($strokes($events(), 0)))->and(count($strokes($own, 1)))->toBeLessThan(count($strokes($own, 0)))
        ->and($strokes($own, 0)[0]->midi)->toBe(72)->and($strokes($own, 1)[0]->midi)->toBe(74);
});

it('says in MIDI when everything comes, to an independent reader', function (): void {
    $score = MusicXml::score((string) file_get_contents(__DIR__.'/../../../database/demo/lantern-on-the-water.musicxml'));
    $marks = [
        new PaceMark('p', Place::at($score, $score->measures[15]->start), Place::at($score, $score->measures[17]->start), 0.75, 3.0, false),
        new RubatoMark('r', Place::at($score, $score->measures[2]->start), Place::at($score, $score->measures[5]->start), [1.2, 1.1, null, null, null, 0.9, null, null, null, null, null, null], 1, true),
        new SilenceMark('s', Place::at($score, $score->measures[9]->start), 350.0, When::Every), new TempoMark('t', Place::at($score, $score->measures[12]->start), 1.1),
        new FermataMark('f', Place::at($score, $score->measures[24]->start), 6.0, When::Every),
    ];
    $performance = timed($score, $marks, School::Breathing);
    $path = tempnam(sys_get_temp_dir(), 'time').'.mid';
    file_put_contents($path, (new MarkedCopy(fn () => throw new LogicException, $performance, []))->toMidi());
    $read = Corpus::midi($path)['notes'];
    unlink($path);
    $events = Renderer::play($performance)->events;
    usort($events, fn (KeyEvent $a, KeyEvent $b): int => $a->startMs <=> $b->startMs ?: $a->midi <=> $b->midi);
    expect(count($read))->toBe(count($events));
    $worst = 0.0;
    foreach ($events as $index => $event) {
        $worst = max($worst, abs(1000 * $read[$index]['time'] - $event->startMs));
    }
    expect($worst)->toBeLessThan(1.0);
});

it('prints words, arrows, fermatas and caesuras into a valid file', function (): void {
    $xml = quarters();
    $score = MusicXml::score($xml);
    $marks = [
        new PaceMark('p', placed($score, 2), placed($score, 3), 0.7, 3.0, false), new RubatoMark('r', placed($score, 4), placed($score, 5), [1.2, 1.1, null, null], 1, true),
        new FermataMark('f', placed($score, 6), 3.0, When::Every), new SilenceMark('s', placed($score, 7), 300.0, When::Every), new TempoMark('t', placed($score, 7), 0.8), new LeanMark('l', [$score->notes[4]->id], 0.1),
    ];
    $copy = new MarkedCopy(fn (): Document => Document::open($xml), timed($score, $marks), Crafts::registry()->writers());
    $printed = $copy->toMusicXml();
    $again = ScoreReader::read(Document::open($printed));
    $words = array_map(fn ($sign): string => $sign->onset.' '.$sign->value, $again->signsOf('words'));
    expect(Corpus::schemaErrors($printed))->toBe([])->and($words)->toEqualCanonicalizing(['4 rit.', '8 a tempo', '12 ←', '14 →', '20 3.0 s', '24 meno mosso (♩ = 48)', '4 ten.'])
        ->and(array_map(fn (Note $note): string => (string) $note->onset, array_values(array_filter($again->notes, fn (Note $note): bool => $note->has('fermata')))))->toBe(['20'])
        ->and(array_map(fn (Note $note): string => (string) $note->onset, array_values(array_filter($again->notes, fn (Note $note): bool => $note->has('caesura')))))->toBe(['23']);
    // Another program, or we, slow down and stand still at the same places.
    $played = timed($again, []);
    expect(lasts($played, 4, 8))->toBeGreaterThan(4.3)->and(lasts($played, 8, 12))->toEqualWithDelta(4.0, 1e-6)->and(lasts($played, 20, 21))->toBeGreaterThan(1.4);
});

it('answers for some bars as for all', function (): void {
    $score = MusicXml::score((string) file_get_contents(Corpus::path('Dichterliebe01.xml')));
    $mark = new RubatoMark('r', Place::at($score, $score->measures[8]->start), Place::at($score, $score->measures[10]->start), [1.2, null, null, null], 1, true);
    $whole = Crafts::registry()->answer('time', timed($score, [$mark], School::Breathing));
    $reading = timed($score, [])->reading();
    $frame = Tarnwind\Core\Craft\Frame::of($score, $reading);
    $pages = Tarnwind\Core\Craft\Frame::pages($score, $reading);
    $plan = timed($score, [$mark], School::Breathing)->plan;
    $excerpt = Tarnwind\Core\Time\TimeAnswer::excerpt();
    $answered = $frame->answered(new Tarnwind\Core\Score\Bars(9, 9), $excerpt);
    $needed = $frame->needed($answered, $excerpt, $plan);
    [$some, $read] = $frame->excerpt($needed, array_map(fn (int $number) => $pages[$number], $needed->pages()), fn (Score $score) => Crafts::registry()->corrections($score, $plan));
    $part = Crafts::registry()->answer('time', Crafts::registry()->performance($some, $plan, read: fn () => $read), new Asked($answered));
    $isIn = fn (array $one): bool => $one['measure'] >= $answered->first && $one['measure'] <= $answered->last;
    foreach (['beats', 'holds', 'limits', 'findings'] as $list) {
        expect($part[$list])->toEqual(array_values(array_filter($whole[$list], $isIn)));
    }
    expect($part['rubatos'])->toEqual($whole['rubatos'])->and($part['endings'])->toEqual($whole['endings'])->and($part['paces'])->toEqual($whole['paces']);
});
