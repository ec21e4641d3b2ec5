<?php

declare(strict_types=1);

use App\Models\CopyLink;
use App\Models\FootRound;
use App\Models\PracticeEntry;
use App\Models\StudentCopy;
use App\Models\Take;
use App\Models\User;
use App\Practice\CopyPractice;
use Illuminate\Http\UploadedFile;
use Tarnwind\Core\Hear\Simulation\Fault;
use Tarnwind\Core\Hear\Simulation\FaultKind;
use Tarnwind\Core\Hear\Simulation\Pianist;
use Tarnwind\Core\Hear\Simulation\SimulatedPiano;
use Tarnwind\Core\Practice\StepKind;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Take\MidiReader;
use Tarnwind\Core\Take\TakeWriter;

beforeEach(function (): void {
    $this->seed();
    Take::query()->delete();
    FootRound::query()->delete();
    PracticeEntry::query()->delete();
    $this->teacher = User::query()->firstOrFail();
    $this->copy = StudentCopy::query()->orderBy('id')->firstOrFail();
    $this->actingAs($this->teacher);
    $this->file = fn (Pianist $pianist): UploadedFile => UploadedFile::fake()->createWithContent('take.mid', TakeWriter::write(SimulatedPiano::play($this->copy->performance(), $pianist)));
    $this->keep = fn (Pianist $pianist = new Pianist, array $more = [], ?string $url = null): array => $this->post($url ?? "/copies/{$this->copy->id}/takes", ['file' => ($this->file)($pianist), 'uuid' => fake()->uuid(), ...$more], ['Accept' => 'application/json'])->assertOk()->json();
});

it('keeps a take with its plan, judges it, and lists it', function (): void {
    $kept = ($this->keep)(new Pianist([new Fault(FaultKind::LateFoot)]), ['device' => 'Stage piano']);
    expect($kept['take']['device'])->toBe('Stage piano')->and($kept['opens'])->toBeNull()->and($kept['take']['summary']['verdict']['next'][0]['kind'])->toBe('smear');
    $take = Take::query()->sole();
    expect($take->plan)->toBe($this->copy->plan)->and($take->by)->toBe('teacher');
    $shown = $this->getJson("/copies/{$this->copy->id}/takes/$take->id")->assertOk()->json('document');
    expect(array_unique(array_column($shown['measures'], 'fault')))->toBe([true])->and(array_column($shown['findings'], 'kind'))->toContain('smear')->and($shown['lanes']['foot'])->not->toBe([]);
    // A later take is told against it.
    $second = ($this->keep)(new Pianist(seed: 2), ['name' => 'After the lesson']);
    $beside = $this->getJson("/copies/{$this->copy->id}/takes/{$second['take']['id']}?before=$take->id&review=sound")->assertOk()->json('document.verdict');
    expect($beside['next'])->toBe([])->and($beside['better'][0])->toStartWith('Late pedal: better in bars');
    expect(array_column($this->getJson("/copies/{$this->copy->id}/takes")->assertOk()->json('takes'), 'name'))->toBe(['After the lesson', null]);
});

it('comes once however often it is sent, can be named, downloaded and deleted', function (): void {
    $uuid = fake()->uuid();
    $file = ($this->file)(new Pianist);
    foreach ([1, 2] as $time) {
        $this->post("/copies/{$this->copy->id}/takes", ['file' => $file, 'uuid' => $uuid], ['Accept' => 'application/json'])->assertOk();
    }
    $take = Take::query()->sole();
    $url = "/copies/{$this->copy->id}/takes/$take->id";
    $this->patchJson($url, ['name' => '<b>First</b>'])->assertOk()->assertJsonPath('take.name', '<b>First</b>');
    $bytes = $this->get("$url/download.mid")->assertOk()->assertHeader('Content-Type', 'audio/midi')->getContent();
    expect(MidiReader::read($bytes)->notes)->toEqual(MidiReader::read((string) $file->get())->notes);
    $this->deleteJson($url)->assertNoContent();
    expect(Take::query()->count())->toBe(0);
});

it('is heard as it was, and with one thing mended, as players take it', function (): void {
    $take = ($this->keep)(new Pianist([new Fault(FaultKind::LoudFilling)]))['take']['id'];
    $schema = (string) file_get_contents(base_path('schemas/rendition.schema.json'));
    $sounds = [];
    foreach (['', '?mended=foot', '?mended=levels', '?mended=time'] as $query) {
        $sound = $this->getJson("/copies/{$this->copy->id}/takes/$take/sound$query")->assertOk();
        $error = (new Opis\JsonSchema\Validator)->validate(json_decode((string) $sound->getContent()), $schema)->error();
        expect($error?->message())->toBeNull();
        $sounds[$query] = $sound->json();
    }
    $filling = fn (array $sound): float => collect($sound['events'])->where('layer', 'filling')->avg('velocity');
    expect($filling($sounds['']))->toBeGreaterThan(1.3 * $filling($sounds['?mended=levels']))->and($sounds['']['pedal'])->not->toBe($sounds['?mended=foot']['pedal'])->and(count($sounds['']['bars']))->toBeGreaterThan(10);
    $this->getJson("/copies/{$this->copy->id}/takes/$take/sound?mended=everything")->assertUnprocessable();
});

it('refuses what is no recording in a teacher\'s words, and more than are listened to', function (): void {
    $send = fn (array $data): mixed => $this->post("/copies/{$this->copy->id}/takes", $data, ['Accept' => 'application/json']);
    $send(['uuid' => fake()->uuid()])->assertJsonValidationErrors(['file' => 'Choose a MIDI file first.']);
    $send(['file' => UploadedFile::fake()->createWithContent('a.mid', 'MThd'), 'uuid' => fake()->uuid()])->assertJsonValidationErrors(['file' => 'This is not a MIDI file.']);
    $send(['file' => ($this->file)(new Pianist), 'uuid' => 'x'])->assertJsonValidationErrorFor('uuid');
    // Nothing of this piece in it: kept, and said.
    $other = UploadedFile::fake()->createWithContent('b.mid', TakeWriter::write(new Tarnwind\Core\Take\Take([new Tarnwind\Core\Take\PlayedNote(21, 0, 100, 60)])));
    expect($send(['file' => $other, 'uuid' => fake()->uuid()])->assertOk()->json('take.summary.verdict.word'))->toBe('Nothing of this piece was heard.');
    $row = ['student_copy_id' => $this->copy->id, 'by' => 'teacher', 'midi' => '', 'plan' => '{}'];
    Take::query()->insert(array_map(fn (): array => [...$row, 'uuid' => fake()->uuid()], range(1, Take::MOST)));
    $send(['file' => ($this->file)(new Pianist), 'uuid' => fake()->uuid()])->assertJsonValidationErrors(['file' => '200 takes of this piece are kept; delete some that are not needed any more.']);
});

it('lets a student record a step from her link; what passes opens the next', function (): void {
    [, $secret] = CopyLink::to($this->copy, 4);
    $practice = new CopyPractice(StudentCopy::query()->with(['piece', 'student.teacher', 'practiceEntries'])->findOrFail($this->copy->id));
    $step = collect($practice->plan->steps())->firstWhere('kind', StepKind::Together);
    auth()->forgetGuards();
    $bars = new Bars($step->bars->first, $step->bars->last);
    $opened = ($this->keep)(new Pianist(bars: $bars), ['step' => $step->id], "/home/$secret/takes");
    expect($opened['opens'])->toBeTrue()->and($opened['verdict']['word'])->toStartWith('As planned')->and($opened['take']['by'])->toBe('student');
    $failed = ($this->keep)(new Pianist([new Fault(FaultKind::WrongNotes, amount: 0.2)], bars: $bars), ['step' => $step->id], "/home/$secret/takes");
    expect($failed['opens'])->toBeFalse();
    $entries = PracticeEntry::query()->orderBy('id')->get();
    expect($entries->pluck('passed')->all())->toBe([true, false])->and($entries[0]->step)->toBe($step->id)->and($entries[0]->by)->toBe('student')->and($entries[0]->tempo)->toEqualWithDelta($step->tempo / $step->rate, 4.0);
    // Playing again what was learnt is a step too; one that is planned no longer is only kept.
    $review = ($this->keep)(new Pianist(bars: $bars), ['step' => $practice->plan->chains[1]->reviewId()], "/home/$secret/takes");
    expect($review['opens'])->toBeIn([true, false])->and(($this->keep)(new Pianist(bars: $bars), ['step' => 'gone'], "/home/$secret/takes")['opens'])->toBeNull();
    expect($this->getJson("/home/$secret/takes")->assertOk()->json('takes'))->toHaveCount(4);
    $this->postJson('/home/'.str_repeat('x', 48).'/takes', [])->assertNotFound();
});

it('plays by a simulated pianist what is asked', function (): void {
    $ask = fn (array $more): mixed => $this->postJson("/copies/{$this->copy->id}/simulation", ['skill' => 'advanced', 'seed' => 3, 'depth' => true, 'faults' => [], 'bars' => null, 'passage' => null, 'hand' => null, ...$more]);
    $all = $ask([])->assertOk()->json();
    $part = $ask(['passage' => ['first' => 0, 'last' => 1], 'hand' => 'left'])->assertOk()->json();
    expect(count($all['notes']))->toBeGreaterThan(4 * count($part['notes']))->and(array_unique(array_column($ask(['depth' => false])->json('foot'), 2)))->toEqualCanonicalizing([0, 127])
        ->and($ask(['faults' => ['waits'], 'bars' => ['first' => 2, 'last' => 3]])->json('notes'))->not->toBe($all['notes']);
    foreach ([['skill' => 'divine'], ['faults' => ['everything']], ['bars' => ['first' => 5, 'last' => 2]], ['seed' => -1], ['hand' => 'third']] as $wrong) {
        $ask($wrong)->assertUnprocessable();
    }
});

it('reads takes by what is known of the instrument, and judges by the limits of the studio', function (): void {
    $soft = new Pianist([new Fault(FaultKind::LateFoot, amount: 90.0)]);
    $take = ($this->keep)($soft, ['device' => 'Stage piano'])['take'];
    $faults = fn (): array => array_column($this->getJson("/copies/{$this->copy->id}/takes/{$take['id']}")->json('document.measures'), 'kind');
    expect($faults())->not->toContain('smear');
    $this->put('/account/limits', ['limits' => ['smear' => 60, 'gap' => null]])->assertRedirect();
    expect($this->teacher->fresh()->limits)->toEqual(['smear' => 60])->and($faults())->toContain('smear');
    $this->put('/account/limits', ['limits' => ['smear' => null]])->assertRedirect();
    expect($this->teacher->fresh()->limits)->toBeNull();
    $this->putJson('/account/limits', ['limits' => ['gap' => -3]])->assertUnprocessable();
    $this->putJson('/account/limits', ['limits' => ['volume' => 3]])->assertUnprocessable();
    $keys = fn (int $velocity): array => array_map(fn (int $key): array => [$key, $velocity], [60, 62, 64, 65, 67]);
    $this->postJson("/copies/{$this->copy->id}/calibrations", ['device' => 'Stage piano', 'soft' => $keys(50), 'loud' => $keys(90), 'scale' => $keys(70)])->assertOk()->assertJsonPath('calibration.softest', 50);
    $louder = $this->getJson("/copies/{$this->copy->id}/takes/{$take['id']}")->json('document.passage.louder');
    expect(abs($louder))->toBeGreaterThan(1.0);
    $this->postJson("/copies/{$this->copy->id}/calibrations", ['device' => 'Toy', 'soft' => $keys(64), 'loud' => $keys(64), 'scale' => $keys(64)])->assertJsonValidationErrors(['device' => 'Soft and loud are told nearly alike']);
});

it('judges by the plan as it was, or as it is now, and carries both to a corrected file', function (): void {
    $take = ($this->keep)()['take']['id'];
    $this->copy->update(['plan' => '{"format":"tarnwind-plan/3","tempo":null,"settings":{},"marks":[]}', 'revision' => $this->copy->revision + 1]);
    $kinds = fn (string $against): array => array_column($this->getJson("/copies/{$this->copy->id}/takes/$take?against=$against")->json('document.measures'), 'kind');
    expect($kinds('then'))->toBe([])->and($kinds('now'))->toContain('extra-pedal');
    $this->post("/pieces/{$this->copy->piece_id}/replacement", ['file' => UploadedFile::fake()->createWithContent('corrected.musicxml', str_replace('<title>', '<title>New ', $this->copy->piece->musicxml))])->assertRedirect();
    expect($kinds('then'))->toBe([]);
});

it('trains the foot, with a score and without', function (): void {
    $this->get('/foot')->assertOk();
    $exercise = $this->getJson('/foot/exercise?kind=change&tempo=60&tolerance=150')->assertOk()->json('exercise');
    $moves = [[0, 0], [1040, 1], ...collect($exercise['targets'])->skip(1)->flatMap(fn (array $target): array => [[$target['at'] + 30, 0], [$target['at'] + 160, 1]])->all()];
    $round = $this->postJson('/foot/rounds', ['kind' => 'change', 'tempo' => 60, 'tolerance' => 150, 'uuid' => fake()->uuid(), 'moves' => $moves])->assertOk();
    $round->assertJsonPath('round.share', 1)->assertJsonPath('round.lag', 30)->assertJsonPath('next.tolerance', 128)->assertJsonPath('rounds', []);
    $own = ['kind' => 'change', 'tempo' => 60, 'tolerance' => 150, 'own' => true];
    expect($this->getJson('/foot/exercise?'.http_build_query($own))->assertOk()->json('exercise.targets'))->toHaveCount(2);
    $this->postJson('/foot/rounds', [...$own, 'uuid' => fake()->uuid(), 'struck' => [500, 1500], 'moves' => [[0, 0], [540, 1], [1530, 0], [1660, 1]]])->assertOk()->assertJsonPath('round.share', 1);
    $page = $this->get("/copies/{$this->copy->id}/foot")->assertOk()->viewData('page')['props'];
    $hard = $page['hard'][0];
    $asked = ['kind' => 'change', 'first' => $hard['first'], 'tempo' => $hard['tempo'], 'tolerance' => 150];
    expect($this->getJson("/copies/{$this->copy->id}/foot/exercise?".http_build_query($asked))->assertOk()->json('exercise.place'))->toBe($hard['place']);
    [, $secret] = CopyLink::to($this->copy, 4);
    auth()->forgetGuards();
    $this->get("/home/$secret/foot")->assertOk();
    $logged = $this->postJson("/home/$secret/foot/rounds", [...$asked, 'uuid' => fake()->uuid(), 'moves' => [[0, 0]]])->assertOk()->json('rounds');
    expect($logged)->toHaveCount(1)->and($logged[0]['place'])->toBe($hard['place'])->and($logged[0]['by'])->toBe('student')->and($logged[0]['share'])->toEqual(0);
    $this->postJson("/home/$secret/foot/rounds", [...$asked, 'uuid' => fake()->uuid(), 'moves' => [['x', 2]]])->assertUnprocessable();
});
