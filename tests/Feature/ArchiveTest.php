<?php

declare(strict_types=1);

use App\Archive\InvalidArchive;
use App\Archive\StudioExport;
use App\Archive\StudioImport;
use App\Models\Piano;
use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\Take;
use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Tarnwind\Core\Take\FootMove;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\Take as Played;

/**
 * The demo's studio, with an adjusted piano, words of her own and a plan that cannot be read as a whole.
 */
function fullStudio(object $test): User
{
    $test->seed();
    $teacher = User::query()->firstOrFail();
    $teacher->update(['palettes' => ['gestures' => ['wrist rises', 'fingers stay close']]]);
    $piano = Piano::factory()->for($teacher, 'teacher')->create();
    Student::query()->orderBy('id')->firstOrFail()->update(['piano_id' => $piano->id, 'foot_catches' => 0.2]);
    $copy = StudentCopy::query()->orderBy('id')->firstOrFail();
    $copy->forceFill(['revision' => 7, 'unreadable_plan' => '{"format":"tarnwind-plan/9","marks":[]}', 'status' => 'polishing', 'goal' => 'Lake evening', 'goal_on' => '2027-03-14'])->save();
    $copy->versions()->create(['name' => 'After the first lesson', 'plan' => $copy->plan]);
    $copy->versions()->create(['name' => 'With less pedal', 'plan' => '{"format":"tarnwind-plan/3","tempo":70,"settings":{},"marks":[]}']);

    $copy->takes()->create(['uuid' => fake()->uuid(), 'name' => 'First time through', 'device' => 'Stage piano', 'by' => 'student', 'midi' => Take::encoded(new Played([new PlayedNote(60, 0, 500, 64)], [new FootMove(20, 64, 127)]), 'A'), 'plan' => $copy->plan]);
    $copy->student->calibrations()->create(['device' => 'Stage piano', 'softest' => 12.0, 'loudest' => 108.0, 'uneven' => [60 => 2.5]]);
    $copy->student->footRounds()->create(['uuid' => fake()->uuid(), 'exercise' => 'change', 'day' => '2027-03-02', 'tempo' => 46.0, 'tolerance' => 150.0, 'share' => 0.75, 'lag' => 42.0, 'gap' => 0.0, 'smear' => 42.0, 'by' => 'student']);
    $teacher->update(['limits' => ['smear' => 100.0]]);

    return $teacher->fresh();
}

/**
 * A zip of a studio.
 */
function exported(User $teacher): string
{
    $path = (string) tempnam(sys_get_temp_dir(), 'studio');
    StudioExport::write($teacher, $path);

    return $path;
}

/**
 * The same zip with some of its files otherwise; null takes one away.
 *
 * @param  array<string, ?string>  $changes
 */
function bent(string $path, array $changes): string
{
    $other = "$path.bent";
    copy($path, $other);
    $zip = new ZipArchive;
    $zip->open($other);
    foreach ($changes as $name => $contents) {
        $contents === null ? $zip->deleteName($name) : $zip->addFromString($name, $contents);
    }
    $zip->close();

    return $other;
}

it('restores a studio on another machine byte for byte', function (): void {
    $path = exported(fullStudio($this));
    $before = [DB::table('pieces')->orderBy('id')->pluck('musicxml')->all(), DB::table('student_copies')->orderBy('id')->get(['plan', 'unreadable_plan', 'revision', 'status', 'goal', 'goal_on'])->map(fn ($row): array => (array) $row)->all()];
    User::query()->firstOrFail()->erase();
    expect(Piece::query()->count())->toBe(0);

    $other = User::factory()->create(['name' => 'Ines Marrow']);
    expect(StudioImport::into($other, $path))->toBe(['students' => 3, 'pieces' => 3]);
    $after = [DB::table('pieces')->orderBy('id')->pluck('musicxml')->all(), DB::table('student_copies')->orderBy('id')->get(['plan', 'unreadable_plan', 'revision', 'status', 'goal', 'goal_on'])->map(fn ($row): array => (array) $row)->all()];
    expect($after)->toBe($before)->and(hash_file('sha256', exported($other->fresh())))->toBe(hash_file('sha256', $path));
    expect(DB::table('plan_versions')->orderBy('id')->pluck('name')->all())->toBe(['As it was suggested', 'After the first lesson', 'With less pedal', 'As it was suggested', 'As it was suggested']);
    // Lessons, what was agreed and what was practised come with it.
    expect([DB::table('lessons')->count(), DB::table('lesson_points')->count(), DB::table('practice_entries')->count() > 100, DB::table('weekly_times')->count(), DB::table('holidays')->count()])->toBe([15, 37, true, 3, 1])
        ->and(DB::table('lessons')->whereNotNull('makes_up_id')->count())->toBe(1)->and(DB::table('lesson_points')->whereNotNull('student_copy_id')->count())->toBe(37);
    // And the desk of a restored copy opens.
    $this->actingAs($other)->get('/copies/'.StudentCopy::query()->firstOrFail()->id)->assertOk();
});

it('is brought and taken along by the pages of the account', function (): void {
    $teacher = fullStudio($this);
    $zip = $this->actingAs($teacher)->get('/account/studio.zip')->assertOk()->assertDownload('tarnwind-studio.zip')->streamedContent();
    $other = User::factory()->create();
    $file = UploadedFile::fake()->createWithContent('studio.zip', $zip);
    $this->actingAs($other)->postJson('/account/studio', ['file' => $file])->assertOk()->assertExactJson(['students' => 3, 'pieces' => 3]);
    expect($other->students()->pluck('name')->all())->toEqualCanonicalizing(['Oona', 'Bram', 'Lio'])->and($teacher->students()->count())->toBe(3);
    $this->postJson('/account/studio', [])->assertUnprocessable()->assertJsonPath('errors.file.0', 'Choose a studio that was exported first.');
});

it('refuses a damaged or hostile archive in one line, and changes nothing', function (string $says, Closure $bend): void {
    $path = exported(fullStudio($this));
    $other = User::factory()->create();
    $counts = fn (): array => array_map(fn (string $table): int => DB::table($table)->count(), ['students', 'pieces', 'student_copies', 'pianos']);
    $before = $counts();
    expect(fn () => StudioImport::into($other, $bend($path)))->toThrow(InvalidArchive::class, $says);
    expect($counts())->toBe($before);
})->with([
    'no zip' => ['not a studio that was exported', fn (string $path): string => (string) (file_put_contents("$path.no", 'plain words') ? "$path.no" : '')],
    'cut off' => ['not a studio that was exported', fn (string $path): string => (string) (file_put_contents("$path.cut", substr((string) file_get_contents($path), 0, 5000)) ? "$path.cut" : '')],
    'no manifest' => ['"studio.json" is missing', fn (string $path): string => bent($path, ['studio.json' => null])],
    'no JSON' => ['This is not a studio that was exported.', fn (string $path): string => bent($path, ['studio.json' => '<studio/>'])],
    'another version' => ['another version', fn (string $path): string => bent($path, ['studio.json' => '{"format":"tarnwind-studio/9"}'])],
    'a field too many' => ['This studio is damaged', fn (string $path): string => bent($path, ['studio.json' => '{"format":"tarnwind-studio/1","teacher":{"name":"x","palettes":null},"pianos":[],"pieces":[],"students":[],"admin":true}'])],
    'a way out of the folder' => ['This studio is damaged', fn (string $path): string => bent($path, ['studio.json' => '{"format":"tarnwind-studio/1","teacher":{"name":"x","palettes":null},"pianos":[],"pieces":[{"title":"x","part":null,"revision":1,"file":"../../.env"}],"students":[]}'])],
    'a score missing' => ['"scores/0002.musicxml" is missing', fn (string $path): string => bent($path, ['scores/0002.musicxml' => null])],
    'entities in a score' => ['cannot be read', fn (string $path): string => bent($path, ['scores/0003.musicxml' => '<!DOCTYPE x [<!ENTITY a "b">]><score-partwise>&a;</score-partwise>'])],
    'no score' => ['cannot be read', fn (string $path): string => bent($path, ['scores/0001.musicxml' => 'words'])],
    'no plan' => ['is not a plan', fn (string $path): string => bent($path, ['plans/0001.json' => '[1,2]'])],
    'no version' => ['is not a plan', fn (string $path): string => bent($path, ['plans/0001.003.json' => 'words'])],
    'a bomb' => ['larger than anything in a studio', fn (string $path): string => bent($path, ['scores/0001.musicxml' => str_repeat(' ', 21 * 1024 * 1024)])],
    'a piece that is not there' => ['is missing from this archive', fn (string $path): string => bent($path, ['studio.json' => preg_replace('/"piece": 0/', '"piece": 17', (string) file_get_contents("zip://$path#studio.json"), 1)])],
]);

it('takes one student\'s record along, and erases it with one action', function (): void {
    $teacher = fullStudio($this);
    $student = $teacher->students()->orderBy('id')->firstOrFail();
    $record = $this->actingAs($teacher)->get("/students/$student->id/record.json")->assertOk()->assertHeader('Content-Disposition', 'attachment; filename="student.json"')->json();
    expect($record['student']['name'])->toBe('Oona')->and($record['copies'][0]['title'])->toBe('Lantern on the Water')->and($record['copies'][0]['plan']['format'])->toBe('tarnwind-plan/3')
        ->and($record['copies'][0]['goal_on'])->toBe('2027-03-14')->and($record['copies'][0]['versions'][2]['plan']['tempo'])->toBe(70);
    $this->get('/what-is-kept')->assertOk()->assertSee('Oona');
    $this->delete("/students/$student->id")->assertRedirect();
    expect(DB::table('student_copies')->where('student_id', $student->id)->count())->toBe(0)->and($teacher->pieces()->count())->toBe(3);
});

it('copies a running database, and forgets copies that are too old', function (): void {
    $folder = sys_get_temp_dir().'/tarnwind-backup-'.getmypid();
    File::deleteDirectory($folder);
    fullStudio($this);
    // SQLite cannot copy itself within a transaction, in which tests run.
    DB::commit();
    try {
        $this->artisan('tarnwind:backup', ['folder' => $folder])->assertSuccessful();
        [$file] = File::glob("$folder/*.sqlite");
        $copy = new SQLite3($file, SQLITE3_OPEN_READONLY);
        expect($copy->querySingle('select count(*) from student_copies'))->toBe(3)->and(decoct(fileperms($file) & 0777))->toBe('600');
        touch($file, time() - 31 * 86_400);
        $this->travel(2)->seconds();
        $this->artisan('tarnwind:backup', ['folder' => $folder])->assertSuccessful();
        expect(File::exists($file))->toBeFalse()->and(File::glob("$folder/*.sqlite"))->toHaveCount(1);
        $this->artisan('tarnwind:backup')->assertFailed();
    } finally {
        User::query()->firstOrFail()->erase();
        DB::beginTransaction();
        File::deleteDirectory($folder);
    }
})->group('own-stores');
