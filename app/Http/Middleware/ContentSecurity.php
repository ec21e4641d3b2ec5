<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Lets a page load only what ships with the application. Styles may be inline, since the component library
 * writes them; scripts may not. The engraver is WebAssembly in a worker.
 */
final class ContentSecurity
{
    private const POLICY = [
        "default-src 'self'",
        "script-src 'self' 'wasm-unsafe-eval'",
        "style-src 'self' 'unsafe-inline'",
        "img-src 'self' data:",
        "font-src 'self' data:",
        "connect-src 'self'",
        "worker-src 'self'",
        "object-src 'none'",
        "base-uri 'self'",
        "form-action 'self'",
        "frame-ancestors 'none'",
    ];

    /** Half a year: so long a browser that came by HTTPS asks for nothing else. */
    private const SECURE_SECONDS = 15_768_000;

    /**
     * @param  Closure(Request): Response  $next
     */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $response->headers->set('Content-Security-Policy', implode('; ', self::POLICY));
        $response->headers->set('X-Content-Type-Options', 'nosniff');
        $response->headers->set('Referrer-Policy', $response->headers->get('Referrer-Policy') ?? 'same-origin');
        if ($request->isSecure()) {
            $response->headers->set('Strict-Transport-Security', 'max-age='.self::SECURE_SECONDS);
        }

        return $response;
    }
}
