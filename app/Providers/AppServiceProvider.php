<?php

declare(strict_types=1);

namespace App\Providers;

use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;

final class AppServiceProvider extends ServiceProvider
{
    public function boot(): void
    {
        Model::shouldBeStrict(! $this->app->isProduction());
        $refuse = fn (): RedirectResponse => back()->withErrors(['email' => 'Too many tries. Wait a minute, then try again.']);
        RateLimiter::for('sign-in', fn (Request $request): array => [
            Limit::perMinute(5)->by($request->string('email')->lower()->toString().'|'.$request->ip())->response($refuse),
            Limit::perMinute(30)->by((string) $request->ip())->response($refuse),
        ]);
    }
}
