<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;

beforeEach(function (): void {
    $this->owner = User::factory()->create();
    $this->student = Student::factory()->for($this->owner, 'teacher')->create();
    $this->piece = Piece::factory()->for($this->owner, 'teacher')->create();
    $this->copy = StudentCopy::factory()->create(['student_id' => $this->student->id, 'piece_id' => $this->piece->id]);
});

it('lets the owner in', function (): void {
    $id = $this->copy->id;
    foreach (["/copies/$id", "/copies/$id/engraving", "/copies/$id/plan", "/copies/$id/counting", "/copies/$id/blocks", "/copies/$id/blocks/engraving", "/copies/$id/blocks/download.musicxml", "/copies/$id/print", "/copies/$id/print/engraving", "/copies/$id/download.mid"] as $url) {
        $this->actingAs($this->owner)->get($url)->assertOk();
    }
});

it('keeps another teacher out of everything', function (): void {
    $this->actingAs(User::factory()->create());
    $id = $this->copy->id;
    $plan = ['plan' => $this->copy->planDocument()->toArray(), 'revision' => 1];
    foreach (["/copies/$id", "/copies/$id/engraving", "/copies/$id/plan", "/copies/$id/counting", "/copies/$id/blocks", "/copies/$id/blocks/engraving", "/copies/$id/blocks/download.musicxml", "/copies/$id/print", "/copies/$id/print/engraving", "/copies/$id/download.musicxml"] as $url) {
        $this->get($url)->assertForbidden();
    }
    $this->putJson("/copies/$id/plan", $plan)->assertForbidden();
    $this->postJson("/copies/$id/examination", $plan)->assertForbidden();
    $this->postJson("/copies/$id/suggestion", $plan)->assertForbidden();
    $this->delete("/copies/$id")->assertForbidden();
    $this->delete("/pieces/{$this->piece->id}")->assertForbidden();
    $this->delete("/students/{$this->student->id}")->assertForbidden();
    $this->patchJson("/students/{$this->student->id}", ['name' => 'X', 'instrument' => 'digital', 'half_pedal' => true, 'sostenuto' => true])->assertForbidden();
    $this->postJson('/copies', ['student_id' => $this->student->id, 'piece_id' => $this->piece->id])->assertUnprocessable();
    $this->get('/')->assertOk()->assertDontSee($this->student->name)->assertDontSee($this->piece->title);
});
