<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Symfony\Component\HttpFoundation\Response;

/**
 * Lets one teacher read one large file at a time, so that she never holds all the workers that serve her colleagues.
 */
final class OneAtATime
{
    /** Seconds after which another try is worth it. */
    private const RETRY = 1;

    public function handle(Request $request, Closure $next): Response
    {
        /** @var User $teacher */
        $teacher = $request->user();
        $lock = Cache::lock("reading:$teacher->id", config()->integer('tarnwind.seconds'));
        if (! $lock->get()) {
            return response()->json(['message' => 'Another score of yours is still being read. Try again when it is done.'], 429, ['Retry-After' => self::RETRY]);
        }
        try {
            return $next($request);
        } finally {
            $lock->release();
        }
    }
}
