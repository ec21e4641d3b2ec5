<?php

declare(strict_types=1);

use App\Console\Commands\BackupCommand;
use App\Console\Commands\PruneCommand;
use App\Http\Middleware\ContentSecurity;
use App\Http\Middleware\HandleInertiaRequests;
use App\Http\Middleware\LimitTime;
use App\Support\ErrorPage;
use App\Support\TooMuchWork;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\ErrorHandler\Error\FatalError;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        health: '/up',
    )
    ->withSchedule(function (Schedule $schedule): void {
        $schedule->command(PruneCommand::class)->daily();
        $schedule->command(BackupCommand::class)->dailyAt('03:10')->when(fn (): bool => config('tarnwind.backups') !== null);
    })
    ->withMiddleware(function (Middleware $middleware): void {
        // In production only the host of APP_URL and those below it are answered.
        $middleware->trustHosts();
        // Pages of errors, too, say what they may load.
        $middleware->append([ContentSecurity::class, LimitTime::class]);
        $middleware->web(append: [HandleInertiaRequests::class]);
        // A new password ends the sessions of other devices.
        $middleware->authenticateSessions();
        $middleware->redirectGuestsTo(fn (): string => route('sign-in'));
        $middleware->redirectUsersTo(fn (): string => route('studio'));
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->render(fn (FatalError $error, Request $request): ?Response => TooMuchWork::answer($error, $request));
        $exceptions->respond(ErrorPage::of(...));
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->expectsJson());
    })->create();
