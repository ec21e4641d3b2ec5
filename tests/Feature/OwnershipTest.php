<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Illuminate\Http\UploadedFile;

beforeEach(function (): void {
    $this->owner = User::factory()->create();
    $this->student = Student::factory()->for($this->owner, 'teacher')->create();
    $this->piece = Piece::factory()->for($this->owner, 'teacher')->create();
    $this->copy = StudentCopy::factory()->create(['student_id' => $this->student->id, 'piece_id' => $this->piece->id]);
});

/**
 * @return list<string> every page and file of a copy
 */
function copyPages(int $id): array
{
    $reduced = array_merge(...array_map(fn (string $kind): array => ["/reduced/$kind", "/reduced/$kind/engraving", "/reduced/$kind/download.musicxml"], ['blocks', 'outer', 'melody-and-bass']));

    return array_map(fn (string $path): string => "/copies/$id$path", [
        '', '/engraving', '/plan', '/portrait', ...$reduced, '/print', '/print/engraving', '/download.mid', '/download.musicxml',
    ]);
}

it('lets the owner in', function (): void {
    $id = $this->copy->id;
    foreach (copyPages($id) as $url) {
        $this->actingAs($this->owner)->get($url)->assertOk();
    }
});

it('keeps another teacher out of everything', function (): void {
    $this->actingAs(User::factory()->create());
    $id = $this->copy->id;
    $plan = ['plan' => $this->copy->planDocument()->toArray(), 'revision' => 1];
    foreach (copyPages($id) as $url) {
        $this->get($url)->assertForbidden();
    }
    $this->putJson("/copies/$id/plan", $plan)->assertForbidden();
    $this->postJson("/copies/$id/answers/pedal", $plan)->assertForbidden();
    $this->postJson("/copies/$id/suggestions/pedal", $plan)->assertForbidden();
    $this->postJson("/copies/$id/answers/read", $plan)->assertForbidden();
    $this->get("/pieces/{$this->piece->id}/replacement")->assertForbidden();
    foreach (['replacement', 'replacement/preview'] as $path) {
        $this->postJson("/pieces/{$this->piece->id}/$path", ['file' => UploadedFile::fake()->createWithContent('a.musicxml', $this->piece->musicxml)])->assertForbidden();
    }
    $this->delete("/copies/$id")->assertForbidden();
    $this->delete("/pieces/{$this->piece->id}")->assertForbidden();
    $this->delete("/students/{$this->student->id}")->assertForbidden();
    $this->patchJson("/students/{$this->student->id}", ['name' => 'X', 'instrument' => 'digital', 'half_pedal' => true, 'sostenuto' => true])->assertForbidden();
    $this->postJson('/copies', ['student_id' => $this->student->id, 'piece_id' => $this->piece->id])->assertUnprocessable();
    $this->get('/')->assertOk()->assertDontSee($this->student->name)->assertDontSee($this->piece->title);
});
