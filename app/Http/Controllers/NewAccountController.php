<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\NewAccountRequest;
use App\Models\Invitation;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\DB;
use Inertia\Inertia;
use Inertia\Response;

/**
 * Making an account: the first one of all, by invitation, or by whoever wants where the configuration says so.
 */
final class NewAccountController
{
    public function first(): Response
    {
        abort_if(User::query()->exists(), 404);

        return self::form('first', '/welcome');
    }

    public function storeFirst(NewAccountRequest $request): RedirectResponse
    {
        // Of two who come first at one moment one is.
        DB::transaction(function () use ($request): void {
            abort_if(User::query()->lockForUpdate()->exists(), 404);
            $request->make();
        });

        return redirect()->route('studio');
    }

    public function invited(string $secret): Response
    {
        $invitation = Invitation::of($secret) ?? abort(404);

        return self::form('invited', "/join/$secret", $invitation->teacher->name);
    }

    public function storeInvited(NewAccountRequest $request, string $secret): RedirectResponse
    {
        DB::transaction(function () use ($request, $secret): void {
            $invitation = Invitation::of($secret) ?? abort(404);
            // It opens the door once, whoever else holds the link at this moment.
            abort_unless(Invitation::query()->whereKey($invitation->id)->delete() === 1, 404);
            $request->make();
        });

        return redirect()->route('studio');
    }

    public function open(): Response
    {
        abort_unless(config('tarnwind.registration') === 'open', 404);

        return self::form('open', '/register');
    }

    public function storeOpen(NewAccountRequest $request): RedirectResponse
    {
        abort_unless(config('tarnwind.registration') === 'open', 404);
        $request->make();

        return redirect()->route('studio');
    }

    private static function form(string $way, string $action, ?string $invitedBy = null): Response
    {
        return Inertia::render('NewAccount', ['way' => $way, 'action' => $action, 'invitedBy' => $invitedBy]);
    }
}
