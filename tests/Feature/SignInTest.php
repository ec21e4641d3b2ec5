<?php

declare(strict_types=1);

use App\Models\User;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Schema;

it('signs a teacher in and out', function (): void {
    $teacher = User::factory()->create(['email' => 'wren@tarnwind.invalid']);
    $this->post('/sign-in', ['email' => 'wren@tarnwind.invalid', 'password' => 'reed-bed-at-dawn'])->assertRedirect('/');
    $this->assertAuthenticatedAs($teacher);
    expect($teacher->password)->not->toBe('reed-bed-at-dawn');
    $this->post('/sign-out')->assertRedirect('/sign-in');
    $this->assertGuest();
    $this->post('/sign-in', ['email' => 'WREN@tarnwind.invalid', 'password' => 'reed-bed-at-dawn'])->assertRedirect('/');
});

it('refuses a wrong password and holds up many tries', function (): void {
    User::factory()->create(['email' => 'wren@tarnwind.invalid']);
    for ($try = 0; $try < 5; $try++) {
        $this->from('/sign-in')->post('/sign-in', ['email' => 'wren@tarnwind.invalid', 'password' => 'guess'])->assertSessionHasErrors(['email' => 'This address and password do not belong together.']);
    }
    $this->from('/sign-in')->post('/sign-in', ['email' => 'wren@tarnwind.invalid', 'password' => 'reed-bed-at-dawn'])->assertSessionHasErrors(['email' => 'Too many tries. Wait a minute, then try again.']);
    $this->assertGuest();
});

it('does not lock out a teacher on her own device, or a school, for what others try', function (): void {
    $teacher = User::factory()->create(['email' => 'wren@tarnwind.invalid']);
    $right = ['email' => 'wren@tarnwind.invalid', 'password' => 'reed-bed-at-dawn'];
    $device = $this->post('/sign-in', $right)->assertRedirect('/')->getCookie('tarnwind_device');
    $this->post('/sign-out');
    for ($try = 0; $try < 40; $try++) {
        $this->post('/sign-in', ['email' => $try % 2 === 0 ? "someone$try@tarnwind.invalid" : $right['email'], 'password' => 'guess']);
    }
    $this->from('/sign-in')->post('/sign-in', $right)->assertSessionHasErrors(['email' => 'Too many tries. Wait a minute, then try again.']);
    $this->withCookie('tarnwind_device', $device->getValue())->post('/sign-in', $right)->assertRedirect('/');
    $this->assertAuthenticatedAs($teacher);
});

it('limits what is tried on one account from many places, and on a known device', function (): void {
    User::factory()->create(['email' => 'wren@tarnwind.invalid']);
    for ($try = 0; $try < 100; $try++) {
        $this->withServerVariables(['REMOTE_ADDR' => "10.0.0.$try"])->post('/sign-in', ['email' => 'wren@tarnwind.invalid', 'password' => 'guess']);
    }
    $this->withServerVariables(['REMOTE_ADDR' => '10.0.1.1'])->post('/sign-in', ['email' => 'wren@tarnwind.invalid', 'password' => 'reed-bed-at-dawn'])->assertSessionHasErrors('email');
    $this->assertGuest();
});

it('works out as much for an address that nobody has', function (): void {
    Hash::shouldReceive('make')->andReturn('the password of nobody');
    Hash::shouldReceive('check')->once()->with('guess', 'the password of nobody')->andReturn(false);
    $this->post('/sign-in', ['email' => 'nobody@tarnwind.invalid', 'password' => 'guess'])->assertSessionHasErrors('email');
});

it('believes where a request comes from only of its own proxies', function (array $proxies, string $place): void {
    TrustProxies::at($proxies);
    Route::get('/where', fn (Request $request): string => (string) $request->ip());
    $seen = $this->withServerVariables(['REMOTE_ADDR' => '10.0.0.1'])->get('/where', ['X-Forwarded-For' => '203.0.113.9'])->getContent();
    TrustProxies::at([]);
    expect($seen)->toBe($place);
})->with([[[], '10.0.0.1'], [['10.0.0.1'], '203.0.113.9'], [['10.0.0.2'], '10.0.0.1']]);

it('leaves a changed password of the demonstration as it is', function (): void {
    $this->seed();
    User::query()->firstOrFail()->update(['password' => 'changed-by-the-lake']);
    $this->seed();
    expect(User::query()->count())->toBe(1)->and(Hash::check('changed-by-the-lake', User::query()->firstOrFail()->password))->toBeTrue();
});

it('offers the demo account only where it is a demonstration', function (bool $demo): void {
    User::factory()->create();
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
    Schema::rename('users', 'gone');
    $this->get('/up')->assertServerError();
});

it('says in its own words that an address is no page', function (string $address, int $status): void {
    $this->get($address)->assertStatus($status)->assertInertia(fn ($page) => $page->component('Error')->where('status', $status));
})->with([['/nowhere', 404], ['/sign-out', 405]]);
