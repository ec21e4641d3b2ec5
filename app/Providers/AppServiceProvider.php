<?php

declare(strict_types=1);

namespace App\Providers;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Foundation\Events\DiagnosingHealth;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Tarnwind\Core\Craft\Craft;
use Tarnwind\Core\Crafts;

final class AppServiceProvider extends ServiceProvider
{
    public function boot(): void
    {
        Model::shouldBeStrict(! $this->app->isProduction());
        // Healthy is an application that reaches its data.
        Event::listen(DiagnosingHealth::class, fn () => DB::select('select count(*) from users'));
        /** @var list<string>|string $proxies */
        $proxies = config('tarnwind.proxies');
        TrustProxies::at($proxies);
        Vite::useBuildDirectory(config()->string('tarnwind.build'));
        /** @var list<class-string<Craft>> $crafts */
        $crafts = config()->array('tarnwind.crafts');
        if ($crafts !== []) {
            Crafts::with($crafts);
        }
    }
}
