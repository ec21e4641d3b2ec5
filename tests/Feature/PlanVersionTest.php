<?php

declare(strict_types=1);

use App\Models\PlanVersion;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Illuminate\Http\UploadedFile;

beforeEach(function (): void {
    $this->seed();
    $this->copy = StudentCopy::query()->orderBy('id')->firstOrFail();
    $this->copy->versions()->delete();
    $this->url = "/copies/{$this->copy->id}/versions";
    $this->plan = json_decode($this->copy->plan, true);
    $this->actingAs(User::query()->firstOrFail());
});

it('keeps a plan under a name, and gives it back as it was', function (): void {
    $version = $this->postJson($this->url, ['name' => '  After the lesson ', 'plan' => $this->plan])->assertOk()->json('version');
    expect($version['name'])->toBe('After the lesson');
    $this->copy->update(['plan' => '{"format":"tarnwind-plan/3","tempo":60,"settings":{},"marks":[]}']);
    $this->getJson($this->url)->assertOk()->assertJsonPath('versions.0.name', 'After the lesson');
    $this->getJson("$this->url/{$version['id']}")->assertOk()->assertJsonPath('plan.marks', $this->copy->planDocument()->toArray()['marks'] === [] ? $this->plan['marks'] : []);

    $this->patchJson("$this->url/{$version['id']}", ['name' => 'First lesson'])->assertOk()->assertJsonPath('version.name', 'First lesson');
    $this->deleteJson("$this->url/{$version['id']}")->assertNoContent();
    $this->getJson($this->url)->assertJsonPath('versions', []);
});

it('keeps the same plan once where that is asked', function (): void {
    $keep = fn (array $more): int => $this->postJson($this->url, ['plan' => $this->plan, ...$more])->assertOk()->json('version.id');
    $first = $keep(['name' => 'a']);
    expect($keep(['name' => 'b', 'unless_kept' => true]))->toBe($first)->and($keep(['name' => 'b']))->not->toBe($first);
});

it('refuses a name that is none, a plan that is none, and more versions than a list can hold', function (): void {
    $this->postJson($this->url, ['name' => '', 'plan' => $this->plan])->assertJsonValidationErrorFor('name');
    $this->postJson($this->url, ['name' => 'x', 'plan' => ['format' => 'tarnwind-plan/3', 'tempo' => 5000, 'settings' => (object) [], 'marks' => []]])->assertJsonValidationErrorFor('plan');
    foreach (range(1, PlanVersion::MOST) as $number) {
        $this->copy->versions()->create(['name' => "v$number", 'plan' => '{}']);
    }
    $this->postJson($this->url, ['name' => 'x', 'plan' => $this->plan])->assertJsonValidationErrorFor('name');
});

it('says what the present plan has otherwise: marks by bar, and what is heard of it', function (): void {
    $id = $this->postJson($this->url, ['name' => 'x', 'plan' => $this->plan])->json('version.id');
    $same = $this->postJson("$this->url/$id/comparison", ['plan' => $this->plan])->assertOk()->json();
    expect($same['bars'])->toBe([])->and($same['settings'])->toBe([])->and($same['seconds'][0])->toBe($same['seconds'][1]);

    $spans = array_values(array_filter($this->plan['marks'], fn (array $mark): bool => $mark['craft'] === 'pedal'));
    $changed = [...$this->plan, 'tempo' => 60, 'marks' => array_values(array_filter($this->plan['marks'], fn (array $mark): bool => $mark['id'] !== $spans[0]['id']))];
    $other = $this->postJson("$this->url/$id/comparison", ['plan' => $changed])->assertOk()->json();
    expect($other['settings'][0])->toMatchArray(['name' => 'tempo', 'before' => null, 'after' => 60])
        ->and($other['pedals'])->toBe([count($spans), count($spans) - 1])->and($other['seconds'][1])->toBeGreaterThan($other['seconds'][0])
        ->and(array_values(array_filter($other['bars'], fn (array $bar): bool => $bar['gone'] !== []))[0])->toMatchArray(['gone' => [['what' => 'a pedal mark', 'times' => 1]], 'new' => [], 'pedal' => true]);
});

it('belongs to its copy', function (): void {
    $other = StudentCopy::query()->orderByDesc('id')->firstOrFail();
    $version = $other->versions()->create(['name' => 'x', 'plan' => $other->plan]);
    $this->getJson("$this->url/$version->id")->assertNotFound();
    $this->deleteJson("$this->url/$version->id")->assertNotFound();
    $other->delete();
    expect(PlanVersion::query()->whereKey($version->id)->exists())->toBeFalse();
});

it('is carried over to a corrected file', function (): void {
    $version = $this->copy->versions()->create(['name' => 'x', 'plan' => $this->copy->plan]);
    $piece = $this->copy->piece;
    $shorter = (string) preg_replace('#<measure (?:(?!</measure>).)*</measure>(\s*</part>)#s', '$1', $piece->musicxml);
    $this->postJson("/pieces/$piece->id/replacement", ['file' => UploadedFile::fake()->createWithContent('a.musicxml', $shorter)])->assertRedirect();
    $bars = array_column($this->copy->piece->fresh()->score()->measures, 'id');
    $places = array_map(fn (array $mark): ?string => $mark['from']['measure'] ?? null, json_decode($version->fresh()->plan, true)['marks']);
    expect(array_diff(array_filter($places), $bars))->toBe([])->and(count($bars))->toBe(24);
});

it('keeps how far a piece is, and what it is to be ready for', function (): void {
    $url = "/copies/{$this->copy->id}/progress";
    $this->patchJson($url, ['status' => 'polishing', 'goal' => 'Lake evening'])->assertOk();
    $this->patchJson($url, ['goal_on' => '2027-03-14'])->assertOk()->assertJsonPath('goal', 'Lake evening');
    expect($this->copy->fresh()->progress())->toBe(['status' => 'polishing', 'goal' => 'Lake evening', 'goal_on' => '2027-03-14'])->and($this->copy->fresh()->revision)->toBe(1);
    $this->get('/')->assertSee('Lake evening');
    $this->patchJson($url, ['status' => 'perfect', 'goal_on' => '14.3.'])->assertJsonValidationErrors(['status', 'goal_on']);
    $this->patchJson($url, ['status' => 'resting', 'goal' => null, 'goal_on' => null])->assertOk();
    expect($this->copy->fresh()->goal_on)->toBeNull();
});

it('gives a piece with the plan another student has, suggested again for her piano, and says what became of it', function (): void {
    $lio = Student::query()->where('name', 'Lio')->firstOrFail();
    $own = array_values(array_filter($this->plan['marks'], fn (array $mark): bool => $mark['craft'] !== 'pedal'));
    $pedals = array_values(array_filter($this->plan['marks'], fn (array $mark): bool => $mark['craft'] === 'pedal'));
    // A half pedal of the teacher's own stays, whatever the piano; what was suggested is suggested for it.
    $pedals[1] = [...$pedals[1], 'id' => 'own-1', 'origin' => 'teacher', 'depth' => 'half'];
    $this->copy->update(['plan' => json_encode([...$this->plan, 'marks' => [...$pedals, ...$own]])]);

    $response = $this->post('/copies', ['student_id' => $lio->id, 'piece_id' => $this->copy->piece_id, 'plan_of' => $this->copy->id])->assertRedirect();
    $copy = $lio->copies()->where('piece_id', $this->copy->piece_id)->firstOrFail();
    $version = $copy->versions()->firstOrFail();
    $response->assertRedirect("/copies/$copy->id?compared=$version->id");
    expect($version->name)->toBe('As Oona has it')->and($version->planDocument()->toJson())->toBe($this->copy->fresh()->planDocument()->toJson());

    $marks = collect($copy->planDocument()->toArray()['marks']);
    expect($marks->firstWhere('id', 'own-1'))->toMatchArray(['depth' => 'half', 'origin' => 'teacher'])
        ->and($marks->where('craft', 'pedal')->where('origin', 'suggested')->pluck('depth')->unique()->all())->toBe(['full'])
        ->and($marks->where('craft', '!=', 'pedal')->count())->toBe(count($own));
    $this->get("/copies/$copy->id")->assertOk();
});

it('gives nobody the plan of another teacher\'s student, nor of another piece', function (): void {
    $lio = Student::query()->where('name', 'Lio')->firstOrFail();
    $bram = StudentCopy::query()->whereKeyNot($this->copy->id)->firstOrFail();
    $theirs = StudentCopy::factory()->create(['piece_id' => $this->copy->piece_id]);
    foreach ([$bram->id, $theirs->id, 999] as $copy) {
        $this->postJson('/copies', ['student_id' => $lio->id, 'piece_id' => $this->copy->piece_id, 'plan_of' => $copy])->assertJsonValidationErrorFor('plan_of');
    }
    expect($lio->copies()->where('piece_id', $this->copy->piece_id)->count())->toBe(0);
});
