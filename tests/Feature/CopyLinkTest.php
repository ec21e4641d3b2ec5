<?php

declare(strict_types=1);

use App\Models\CopyLink;
use App\Models\Invitation;
use App\Models\StudentCopy;
use App\Models\User;

beforeEach(function (): void {
    $this->seed();
    $this->copy = StudentCopy::query()->orderBy('id')->firstOrFail();
    $this->teacher = User::query()->firstOrFail();
    $this->make = fn (int $weeks = 4): string => (string) parse_url($this->actingAs($this->teacher)->postJson("/copies/{$this->copy->id}/links", ['weeks' => $weeks])->assertOk()->json('link'), PHP_URL_PATH);
    $this->guest = function (string $url) {
        auth()->forgetGuards();

        return $this->get($url);
    };
});

it('shows a student her marked copy without an account, and nothing else', function (): void {
    $url = ($this->make)();
    $page = ($this->guest)($url)->assertOk()->assertSee('Lantern on the Water')->assertSee('One pedal to the very end');
    expect($page->headers->get('X-Robots-Tag'))->toContain('noindex')->and($page->headers->get('Referrer-Policy'))->toBe('no-referrer')
        ->and($page->headers->get('Cache-Control'))->toContain('no-store')->and($page->headers->getCookies())->toBe([]);
    $props = $page->viewData('page')['props'];
    expect($props['teacher'] ?? null)->toBeNull()->and($props['days'])->toHaveCount(7)->and(json_encode($props))->not->toContain('/copies/')->not->toContain('Bram')->not->toContain('Play it to somebody at home');
    ($this->guest)("$url/engraving")->assertOk()->assertHeader('Content-Type', 'application/vnd.recordare.musicxml+xml')->assertDontSee('<pedal', false);
    expect(($this->guest)("$url/layers")->assertOk()->json('layers.pedal.spans'))->not->toBe([]);
    expect(($this->guest)("$url/rendition")->assertOk()->json('events'))->not->toBe([]);
    foreach (['blocks', 'outer', 'melody-and-bass'] as $kind) {
        ($this->guest)("$url/reduced/$kind/engraving")->assertOk()->assertSee('<note', false);
    }
    ($this->guest)("$url/reduced/hats/engraving")->assertNotFound();
    $this->post($url)->assertStatus(405);
});

it('shows at home what the teacher has chosen, and no more', function (): void {
    $url = ($this->make)();
    $this->actingAs($this->teacher)->patch("/copies/{$this->copy->id}/handout", ['show' => ['hand'], 'size' => 'large'])->assertRedirect();
    ($this->guest)("$url/engraving")->assertOk()->assertDontSee('<pedal', false);
    expect(($this->guest)($url)->viewData('page')['props']['paper'])->toBe(['size' => 'large', 'paper' => 'a4', 'landscape' => false])
        ->and(($this->guest)("$url/layers")->json('layers'))->toBe([]);
    $this->actingAs($this->teacher)->get("/copies/{$this->copy->id}/print/engraving")->assertDontSee('<pedal', false);
    // Files hold everything.
    $this->get("/copies/{$this->copy->id}/download.musicxml")->assertSee('<pedal', false);
    $this->patchJson("/copies/{$this->copy->id}/handout", ['show' => ['hats'], 'size' => 'huge'])->assertJsonValidationErrors(['show.0', 'size']);
});

it('keeps only the hash of a link, tells it once, and shows the plan as it is when it is opened', function (): void {
    $url = ($this->make)();
    expect(CopyLink::query()->value('token'))->toBe(hash('sha256', basename($url)));
    $page = $this->get("/copies/{$this->copy->id}/print")->assertOk();
    expect(json_encode($page->viewData('page')['props']))->not->toContain(basename($url));
    $this->copy->update(['plan' => '{"format":"tarnwind-plan/3","tempo":null,"settings":{},"marks":[]}']);
    ($this->guest)($url)->assertOk()->assertDontSee('One pedal to the very end');
});

it('opens nothing that is wrong, withdrawn, too old, or of a copy that is gone', function (): void {
    $url = ($this->make)();
    ($this->guest)('/home/'.str_repeat('x', 48))->assertNotFound();
    ($this->guest)('/home/'.hash('sha256', basename($url)))->assertNotFound();
    $this->travel(29)->days();
    ($this->guest)($url)->assertNotFound();
    ($this->guest)("$url/engraving")->assertNotFound();
    $this->travelBack();

    $this->actingAs($this->teacher)->delete("/copies/{$this->copy->id}/links/".CopyLink::query()->value('id'))->assertRedirect();
    ($this->guest)($url)->assertNotFound();
    $other = ($this->make)(52);
    $this->copy->delete();
    ($this->guest)($other)->assertNotFound();
    expect(CopyLink::query()->count())->toBe(0);
});

it('refuses other lengths, and a link of another copy', function (): void {
    ($this->make)();
    $this->postJson("/copies/{$this->copy->id}/links", ['weeks' => 5000])->assertJsonValidationErrorFor('weeks');
    $other = StudentCopy::query()->whereKeyNot($this->copy->id)->firstOrFail();
    $this->delete("/copies/$other->id/links/".CopyLink::query()->value('id'))->assertNotFound();
    expect(CopyLink::query()->count())->toBe(1);
});

it('removes links that are no longer good, day by day', function (): void {
    ($this->make)();
    ($this->make)(52);
    Invitation::by($this->teacher, null);
    $this->travel(30)->days();
    $this->artisan('tarnwind:prune')->assertSuccessful();
    expect(CopyLink::query()->count())->toBe(1)->and(Invitation::query()->count())->toBe(0);
});
