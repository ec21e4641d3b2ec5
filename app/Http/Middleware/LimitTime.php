<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Gives up what takes so long that something must be wrong with it, before it keeps others waiting.
 */
final class LimitTime
{
    public function handle(Request $request, Closure $next): Response
    {
        // A process that answers more than one request, as one of tests does, has its own limits.
        if (! app()->runningInConsole()) {
            set_time_limit(config()->integer('tarnwind.seconds'));
        }

        return $next($request);
    }
}
