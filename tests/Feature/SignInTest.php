<?php

declare(strict_types=1);

use App\Models\User;
use Illuminate\Support\Facades\Schema;

it('signs a teacher in and out', function (): void {
    $teacher = User::factory()->create(['email' => 'wren@tarnwind.invalid']);
    $this->post('/sign-in', ['email' => 'wren@tarnwind.invalid', 'password' => 'reed-bed-at-dawn'])->assertRedirect('/');
    $this->assertAuthenticatedAs($teacher);
    expect($teacher->password)->not->toBe('reed-bed-at-dawn');
    $this->post('/sign-out')->assertRedirect('/sign-in');
    $this->assertGuest();
});

it('refuses a wrong password and holds up many tries', function (): void {
    User::factory()->create(['email' => 'wren@tarnwind.invalid']);
    for ($try = 0; $try < 5; $try++) {
        $this->from('/sign-in')->post('/sign-in', ['email' => 'wren@tarnwind.invalid', 'password' => 'guess'])->assertSessionHasErrors(['email' => 'This address and password do not belong together.']);
    }
    $this->from('/sign-in')->post('/sign-in', ['email' => 'wren@tarnwind.invalid', 'password' => 'reed-bed-at-dawn'])->assertSessionHasErrors(['email' => 'Too many tries. Wait a minute, then try again.']);
    $this->assertGuest();
});

it('offers the demo account only where it is a demonstration', function (bool $demo): void {
    config(['tarnwind.demo' => $demo]);
    $page = $this->get('/sign-in')->assertOk();
    expect(str_contains((string) $page->getContent(), 'mist-over-water'))->toBe($demo);
})->with([true, false]);

it('sends strangers to the sign-in page', function (string $url): void {
    $this->get($url)->assertRedirect('/sign-in');
})->with(['/', '/pieces/new', '/copies/1']);

it('allows no script but its own', function (): void {
    $policy = $this->get('/sign-in')->headers->get('Content-Security-Policy');
    expect($policy)->toContain("default-src 'self'")->toContain("script-src 'self' 'wasm-unsafe-eval'")->toContain("object-src 'none'")->not->toContain("script-src 'self' 'unsafe-inline'");
});

it('says on every answer what it may load, pages of errors among them', function (string $url): void {
    $headers = $this->get($url)->headers;
    expect($headers->get('Content-Security-Policy'))->toContain("default-src 'self'")->and($headers->get('X-Content-Type-Options'))->toBe('nosniff')
        ->and($headers->has('Strict-Transport-Security'))->toBeFalse();
    expect($this->get("https://localhost$url")->headers->get('Strict-Transport-Security'))->toStartWith('max-age=');
})->with(['/sign-in', '/', '/nowhere', '/up']);

it('is not healthy without its data', function (): void {
    $this->get('/up')->assertOk();
    Schema::drop('users');
    $this->get('/up')->assertServerError();
});
