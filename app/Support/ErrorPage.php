<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;
use Inertia\Inertia;
use Symfony\Component\HttpFoundation\Response;
use Throwable;

/**
 * Pages of errors in the application's look, which say what to do. Programs get what they asked for.
 */
final class ErrorPage
{
    private const STATUSES = [403, 404, 405, 419, 429, 500, 503];

    public static function of(Response $response, Throwable $error, Request $request): Response
    {
        $status = $response->getStatusCode();
        $isPage = ! $request->expectsJson() || $request->header('X-Inertia') !== null;
        if (! in_array($status, self::STATUSES, true) || ! $isPage || ($status >= 500 && config('app.debug') === true)) {
            return $response;
        }
        try {
            $page = Inertia::render('Error', ['status' => $status])->toResponse($request)->setStatusCode($status);
        } catch (Throwable) {
            // What the page would ask for may be just what is broken.
            return $response;
        }
        if ($response->headers->has('Retry-After')) {
            $page->headers->set('Retry-After', $response->headers->get('Retry-After'));
        }

        return $page;
    }
}
