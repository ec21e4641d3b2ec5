<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Tests\support\EveryPage;
use Tests\support\MusicXml;

// Files that no one would write by hand: each is refused in one line, or is read, and then every page of it comes.

beforeEach(function (): void {
    $this->teacher = User::factory()->create();
    $this->student = Student::factory()->for($this->teacher, 'teacher')->create();
    $this->actingAs($this->teacher);
});

function oddFile(string $bytes): UploadedFile
{
    return UploadedFile::fake()->createWithContent('odd.musicxml', $bytes);
}

/**
 * A piece of one bar that begins with a whole note.
 */
function oddBar(string $more = '', string $attributes = ''): string
{
    return MusicXml::part(MusicXml::attributes(1, more: $attributes).MusicXml::note('C4', 4).$more);
}

it('refuses what no piece needs, and keeps nothing', function (string $bytes, string $words): void {
    $this->postJson('/pieces/reading', ['file' => oddFile($bytes)])->assertUnprocessable()->assertJsonValidationErrors(['file' => $words]);
    $this->postJson('/pieces', ['file' => oddFile($bytes)])->assertUnprocessable();
    expect(Piece::query()->count())->toBe(0);
})->with([
    'beats of twenty digits' => [fn (): string => MusicXml::part(MusicXml::attributes(1, '99999999999999999999/4').MusicXml::note('C4', 4)), 'A time signature holds the number 999999999999…'],
    'beats added up beyond counting' => [fn (): string => MusicXml::part(MusicXml::attributes(1, '3+257/8').MusicXml::note('C4', 4)), 'A time signature holds the number 257'],
    'a hundred million repeats' => [fn (): string => oddBar('<barline location="right"><repeat direction="backward" times="99999999"/></barline>'), 'more than 5,000 bars to play'],
    'a step of a million quarters' => [fn (): string => oddBar('<forward><duration>1000000</duration></forward>'), 'lasts 1000000 quarters; at most 1,000'],
    'a step of nineteen digits' => [fn (): string => oddBar('<forward><duration>9223372036854775807</duration></forward>'), 'lasts 922337203685… quarters'],
    'a chord note of fifteen digits' => [fn (): string => oddBar(MusicXml::note('E4', '999999999999999', '<chord/>')), 'lasts 999999999999… quarters'],
    'a long bar of short notes' => [fn (): string => MusicXml::part(MusicXml::attributes(1).str_repeat(MusicXml::note('C4', 4), 251)), 'Bar 1 lasts 1004 quarters'],
    'a bar of too many notes' => [fn (): string => MusicXml::part(MusicXml::attributes(8).str_repeat(MusicXml::note('C4', 1), 1001)), 'Bar 1 holds 1,001 notes'],
    'too many notes in all' => [fn (): string => MusicXml::part(MusicXml::attributes(8), ...array_fill(0, 21, str_repeat(MusicXml::note('C4', 1), 1000))), 'The part holds 21,000 notes'],
    'more bars than a piece has' => [fn (): string => MusicXml::part(MusicXml::attributes(1).MusicXml::note('C4', 4), ...array_fill(0, 5000, '')), 'The score has 5,001 bars'],
    'long bars without end' => [fn (): string => MusicXml::part(MusicXml::attributes(1).MusicXml::note('C4', 1000), ...array_fill(0, 50, MusicXml::note('C4', 1000))), 'The score lasts 51,000 quarters'],
    'octaves of nineteen digits' => [fn (): string => oddBar(attributes: '<transpose><chromatic>0</chromatic><octave-change>9223372036854775807</octave-change></transpose>'), 'The part sounds 110680464442… semitones away'],
    'times of one part in a billion' => [fn (): string => oddBar(MusicXml::note('E4', '0.333333333')), 'too finely divided'],
    'times in many primes' => [fn (): string => MusicXml::part(...array_map(fn (int $prime): string => MusicXml::attributes($prime).MusicXml::note('C4', 1), [101, 103, 107, 109])), 'too finely divided'],
    'a tuplet of nineteen digits' => [fn (): string => oddBar('<note><rest/><type>quarter</type><time-modification><actual-notes>9223372036854775807</actual-notes><normal-notes>2</normal-notes></time-modification></note>'), 'too finely divided'],
    'Latin-1 that doubles' => [fn (): string => '<?xml version="1.0" encoding="ISO-8859-1"?><score-partwise><movement-title>'.str_repeat("\xE9", 11 * 1024 * 1024).'</movement-title></score-partwise>', 'larger than 20 MB'],
]);

it('uses no document type, wherever it stands', function (string $before): void {
    $bomb = '<!DOCTYPE s [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]>';
    $file = str_replace(['<score-partwise', '<part-list>'], ["$before$bomb<score-partwise", '<movement-title>&b;</movement-title><part-list>'], oddBar());
    $this->postJson('/pieces/reading', ['file' => oddFile($file)])->assertUnprocessable()->assertJsonValidationErrors('file');
})->with([
    'after a comment that looks like an element' => ['<!-- <a -->'],
    'after a comment that seems to end at once' => ['<!--> -->'],
    'after an instruction' => ['<?score <a ?>'],
    'after another' => ['<!DOCTYPE s>'],
    'after another and a comment' => ['<!DOCTYPE s><!-- <a -->'],
]);

it('reads what is odd and does no harm, and every page of it comes', function (string $bytes, string $warning = ''): void {
    expect(implode("\n", $this->postJson('/pieces/reading', ['file' => oddFile($bytes)])->assertOk()->json('warnings')))->toContain($warning);
    $pages = new EveryPage($this, $this->student);
    $pages->ofFile($bytes);
    expect($pages->troubles)->toBe([])->and($pages->refused)->toBeNull();
})->with([
    'a tempo below nothing' => [fn (): string => oddBar('<direction><direction-type><metronome><beat-unit>maxima</beat-unit><per-minute>-9223372036854775808</per-minute></metronome></direction-type></direction>'), 'a tempo that cannot be played was left out'],
    'a tempo of nothing' => [fn (): string => oddBar('<sound tempo="1e-300"/>'), 'a tempo that cannot be played was left out'],
    'notes beyond every keyboard' => [fn (): string => oddBar(MusicXml::note('C-9', 4).MusicXml::note('G9', 4), '<transpose><chromatic>0</chromatic><octave-change>-5</octave-change></transpose>'), 'a note stands beyond every keyboard and was left out'],
    'a bar as long as may be' => [fn (): string => oddBar('<forward><duration>996</duration></forward>')],
    'as many repeats as may be' => [fn (): string => oddBar('<barline location="right"><repeat direction="backward" times="5000"/></barline>')],
    'a mark far after the end' => [fn (): string => oddBar('<direction><direction-type><words>later</words></direction-type><offset sound="yes">999999999</offset></direction>')],
    'a long bar of quick notes' => [fn (): string => MusicXml::part(MusicXml::attributes(8).str_repeat(MusicXml::note('C4', 1).MusicXml::note('E4', 1), 500))],
    'many small bars of one chord' => [fn (): string => MusicXml::part(MusicXml::attributes(1).MusicXml::note('C4', 4), ...array_fill(0, 999, MusicXml::note('E4', 2).MusicXml::note('G4', 2)))],
    'a mark shifted by nineteen digits' => [fn (): string => oddBar('<direction><direction-type><words>soon</words></direction-type><offset sound="yes">-9223372036854775808</offset></direction>')],
    'a note of no length' => [fn (): string => oddBar('<note><pitch><step>D</step><octave>4</octave></pitch></note>'), 'a note has no duration'],
    'markup in every text' => [fn (): string => str_replace(['Music<', 'later'], ['&lt;script&gt;alert(1)&lt;/script&gt;<', '&lt;img src=x onerror=alert(1)&gt;'], oddBar('<direction><direction-type><words>later</words></direction-type></direction>'))],
]);

it('shows no more of a name than fits', function (): void {
    $file = str_replace('<part-list>', '<movement-title>'.str_repeat('é', 5000).'</movement-title><part-list>', MusicXml::file(['P1' => [MusicXml::attributes(1).MusicXml::note('C4', 4)]], ['P1' => str_repeat('x', 5000)]));
    $read = $this->postJson('/pieces/reading', ['file' => oddFile($file)])->assertOk();
    expect($read->json('title'))->toBe(str_repeat('é', 200))->and($read->json('parts.0.name'))->toBe(str_repeat('x', 200));
});
