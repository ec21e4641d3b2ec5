<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Inertia\Testing\AssertableInertia;
use Opis\JsonSchema\Validator;
use Tarnwind\Core\Sound\Instrument;

beforeEach(function (): void {
    $this->teacher = User::factory()->create();
    $this->actingAs($this->teacher);
    $this->student = Student::factory()->for($this->teacher, 'teacher')->create(['instrument' => Instrument::Digital, 'half_pedal' => false]);
    $this->piece = Piece::factory()->for($this->teacher, 'teacher')->create();
    $this->copy = StudentCopy::factory()->create(['student_id' => $this->student->id, 'piece_id' => $this->piece->id]);
    $this->url = "/copies/{$this->copy->id}";
});

function suggestedPlan($test): array
{
    return $test->postJson("$test->url/suggestions/pedal", ['plan' => $test->copy->planDocument()->toArray()])->assertOk()->json();
}

it('gives each student a copy of her own of a shared score', function (): void {
    $other = Student::factory()->for($this->teacher, 'teacher')->create();
    $this->post('/copies', ['student_id' => $other->id, 'piece_id' => $this->piece->id])->assertRedirect();
    $this->post('/copies', ['student_id' => $other->id, 'piece_id' => $this->piece->id])->assertRedirect();
    expect($this->piece->copies()->count())->toBe(2)->and(Piece::query()->count())->toBe(1);
});

it('opens the desk with the score, its harmonies and what is measured', function (): void {
    $this->get($this->url)->assertOk()->assertInertia(fn (AssertableInertia $page) => $page->component('Desk')
        ->where('student.half_pedal', false)->has('score.measures', 25)->where('score.moments.0.at', '0')
        ->where('score.harmonies.1.name', 'Bm')->where('plan.marks', []));
});

it('answers with documents that match the published schemas', function (): void {
    $answer = suggestedPlan($this);
    $validate = fn (string $schema, array $data): bool => (new Validator)->validate(json_decode((string) json_encode($data)), (string) file_get_contents(base_path("schemas/$schema.schema.json")))->isValid();

    expect($validate('plan', $answer['plan']))->toBeTrue()->and($validate('pedal', $answer['answer']))->toBeTrue()
        ->and(count($answer['plan']['marks']))->toBeGreaterThan(20)
        ->and(array_unique(array_column($answer['plan']['marks'], 'depth')))->toBe(['full']);
});

it('saves on the latest revision only', function (): void {
    $plan = suggestedPlan($this)['plan'];
    $this->putJson("$this->url/plan", ['plan' => $plan, 'revision' => 1])->assertOk()->assertJson(['revision' => 2]);
    $older = [...$plan, 'marks' => []];
    $this->putJson("$this->url/plan", ['plan' => $older, 'revision' => 1])->assertConflict()->assertJson(['revision' => 2]);
    $this->getJson("$this->url/plan")->assertJson(['revision' => 2, 'plan' => $plan]);
});

it('keeps the teacher\'s words as she wrote them', function (): void {
    $plan = $this->copy->planDocument()->toArray();
    $plan['marks'][] = ['id' => 'n', 'craft' => 'words', 'kind' => 'note', 'measure' => 'tw1-3', 'text' => "  <b>Soft</b>\n& slow  "];
    $this->putJson("$this->url/plan", ['plan' => $plan, 'revision' => 1])->assertOk();
    $this->get("$this->url/print")->assertInertia(fn (AssertableInertia $page) => $page->where('notes', [['bar' => '2', 'text' => "  <b>Soft</b>\n& slow  "]]));
});

it('refuses a plan that does not match its schema', function (mixed $plan): void {
    $this->putJson("$this->url/plan", ['plan' => $plan, 'revision' => 1])->assertUnprocessable();
    expect($this->copy->fresh()->revision)->toBe(1);
})->with([[['marks' => []]], ['text'], [['format' => 'tarnwind-plan/1', 'school' => 'loud', 'tempo' => null, 'marks' => []]]]);

it('measures only the stretch that is asked for', function (): void {
    $plan = suggestedPlan($this)['plan'];
    $all = $this->postJson("$this->url/answers/pedal", ['plan' => $plan])->assertOk()->json();
    $some = $this->postJson("$this->url/answers/pedal", ['plan' => $plan, 'bars' => ['first' => 5, 'last' => 5]])->assertOk()->json();
    expect(count($some['spans']))->toBeLessThan(count($all['spans']))->and($some['spans'])->not->toBe([])
        ->and($all['spans'])->toContain($some['spans'][0]);
    $this->postJson("$this->url/answers/pedal", ['plan' => $plan, 'bars' => 'x'])->assertUnprocessable();
});

it('hands out the copy in open formats', function (string $format, string $type, string $begins): void {
    $plan = suggestedPlan($this)['plan'];
    $this->putJson("$this->url/plan", ['plan' => $plan, 'revision' => 1]);
    $response = $this->get("$this->url/download.$format")->assertOk()->assertHeader('Content-Type', $type);
    expect((string) $response->getContent())->toStartWith($begins)
        ->and($response->headers->get('Content-Disposition'))->toMatch('/filename="lantern-on-the-water-[a-z-]+\.'.$format.'"/');
})->with([
    ['musicxml', 'application/vnd.recordare.musicxml+xml', '<?xml'], ['mxl', 'application/vnd.recordare.musicxml', 'PK'],
    ['mid', 'audio/midi', 'MThd'], ['json', 'application/json', '{"format":"tarnwind-plan/3"'],
]);

it('says how the piece is counted, as the published schema has it', function (): void {
    $counting = $this->postJson("$this->url/answers/count", ['plan' => [...$this->copy->planDocument()->toArray(), 'tempo' => 60], 'asked' => ['subdivision' => 2]])->assertOk();
    $valid = (new Validator)->validate(json_decode((string) $counting->getContent()), (string) file_get_contents(base_path('schemas/count.schema.json')))->isValid();

    expect($valid)->toBeTrue()->and($counting->json('bars.1.spoken'))->toBe('1 & 2 & 3 & 4 &')->and($counting->json('hazards.0.kind'))->toBe('up-beat');
    $this->postJson("$this->url/answers/count", ['plan' => $this->copy->planDocument()->toArray(), 'asked' => ['subdivision' => 5]])->assertUnprocessable();
});

it('shows what can be read of a stored plan, and keeps it as it was', function (string $stored, array $kept): void {
    DB::table('student_copies')->where('id', $this->copy->id)->update(['plan' => $stored]);
    foreach (['', '/portrait', '/print', '/print/engraving', '/reduced/blocks', '/download.mid', '/download.json'] as $page) {
        expect($this->get("$this->url$page")->baseResponse->getStatusCode())->toBe(200, $page);
    }
    $this->get("/students/{$this->student->id}")->assertOk();
    $this->get($this->url)->assertInertia(fn (AssertableInertia $page) => $page->where('copy.unreadable', true));
    $plan = $this->getJson("$this->url/plan")->assertOk()->json('plan');
    expect(['tempo' => $plan['tempo'], 'settings' => array_keys($plan['settings']), 'marks' => array_column($plan['marks'], 'id')])->toEqual($kept);

    // Saving over it leaves the original where it can be had.
    $this->putJson("$this->url/plan", ['plan' => [...$plan, 'settings' => (object) $plan['settings'], 'tempo' => 60], 'revision' => 1])->assertOk();
    $this->putJson("$this->url/plan", ['plan' => [...$plan, 'settings' => (object) $plan['settings'], 'tempo' => 61], 'revision' => 2])->assertOk();
    expect($this->getJson("$this->url/plan")->json('plan.tempo'))->toBe(61)
        ->and($this->get("$this->url/plan/as-kept")->assertOk()->streamedContent())->toBe($stored);
    $this->actingAs(User::factory()->create())->get("$this->url/plan/as-kept")->assertForbidden();
})->with([
    'no document at all' => ['nothing', ['tempo' => null, 'settings' => [], 'marks' => []]],
    'of a later format, with marks and settings of its own' => [
        '{"format":"tarnwind-plan/9","tempo":72,"settings":{"pedal":{"school":"singing"},"wind":{"from":"west"}},"marks":['
            .'{"id":"a","craft":"wind","kind":"gust"},{"id":"b","craft":"words","kind":"note","measure":"tw1-3","text":"Soft."}]}',
        ['tempo' => 72, 'settings' => ['pedal'], 'marks' => ['b']],
    ],
    'with parts that are wrong' => [
        '{"format":"tarnwind-plan/1","school":"upside-down","tempo":"quick","marks":[7,{"id":"b","craft":"words","kind":"note","measure":"tw1-3","text":"Soft."},{"id":"c","craft":"words","kind":"note"}]}',
        ['tempo' => null, 'settings' => [], 'marks' => ['b']],
    ],
]);

it('has nothing to keep of a plan that is read', function (): void {
    $this->get($this->url)->assertInertia(fn (AssertableInertia $page) => $page->where('copy.unreadable', false));
    $this->get("$this->url/plan/as-kept")->assertNotFound();
});
