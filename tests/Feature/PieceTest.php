<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Tests\support\Corpus;
use Tests\support\MusicXml;

beforeEach(function (): void {
    $this->teacher = User::factory()->create();
    $this->actingAs($this->teacher);
});

it('says what would be read and keeps nothing', function (): void {
    $this->postJson('/pieces/reading', ['file' => new UploadedFile(Corpus::path('Dichterliebe01.mxl'), 'song.mxl', test: true)])->assertOk()
        ->assertJson(['part' => 'P2', 'bars' => 27, 'notes' => 297, 'metres' => ['2/4'], 'warnings' => []])->assertJsonCount(2, 'parts');
    expect(Piece::query()->count())->toBe(0);
});

it('keeps a piece with the ids that plans refer to', function (): void {
    $this->post('/pieces', ['file' => new UploadedFile(Corpus::path('MozartTrio.xml'), 'trio.xml', test: true), 'part' => 'P5', 'title' => '  Reeds  '])->assertRedirect('/');
    $piece = $this->teacher->pieces()->firstOrFail();
    expect($piece->title)->toBe('Reeds')->and($piece->part)->toBe('P5')->and($piece->summary['part'])->toBe('P5')
        ->and($piece->score()->notes[0]->id)->toStartWith('tw5-')->and($piece->musicxml)->toContain('id="tw5-1"');
});

it('refuses a bad file in a teacher\'s words', function (string $bytes, string $words): void {
    $file = UploadedFile::fake()->createWithContent('score.musicxml', $bytes);
    $this->postJson('/pieces/reading', ['file' => $file])->assertUnprocessable()->assertJsonValidationErrors(['file' => $words]);
    $this->postJson('/pieces', ['file' => $file])->assertUnprocessable();
    expect(Piece::query()->count())->toBe(0);
})->with([
    ['not music', 'not a MusicXML score'],
    ['<!DOCTYPE x [<!ENTITY a "b">]><score-partwise/>', 'entities'],
    ['<score-partwise><part-list/><part id="P1"><measure', 'cut off'],
]);

it('refuses a part the score does not have, and no file at all', function (): void {
    $file = UploadedFile::fake()->createWithContent('score.xml', MusicXml::part(MusicXml::attributes().MusicXml::note('C4', 16)));
    $this->postJson('/pieces/reading', ['file' => $file, 'part' => 'P9'])->assertUnprocessable()->assertJsonValidationErrors(['file' => 'P9']);
    $this->postJson('/pieces/reading')->assertUnprocessable()->assertJsonValidationErrors(['file' => 'Choose a score file first.']);
});

it('refuses more than 20 MB', function (): void {
    $this->postJson('/pieces/reading', ['file' => UploadedFile::fake()->create('large.musicxml', 20481)])->assertUnprocessable()->assertJsonValidationErrors(['file' => '20 MB']);
});
