<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\AccountRules;
use App\Models\Invitation;
use App\Models\User;
use Illuminate\Foundation\Auth\EmailVerificationRequest;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Inertia\Inertia;
use Inertia\Response;
use Tarnwind\Core\Hear\MeasureKind;

/**
 * A teacher's own account.
 */
final class AccountController
{
    public function show(Request $request): Response
    {
        $teacher = self::teacher($request);

        return Inertia::render('Account', [
            'account' => [
                'name' => $teacher->name, 'email' => $teacher->email, 'timezone' => $teacher->timezone ?? config('tarnwind.timezone'), 'verified' => $teacher->hasVerifiedEmail(), 'second_factor' => $teacher->second_factor !== null,
                'recovery_codes' => count($teacher->recovery_codes ?? []),
            ],
            'invitations' => $teacher->invitations()->where('expires_at', '>', now())->latest()->get()->map(fn (Invitation $one): array => [
                'id' => $one->id, 'note' => $one->note, 'expires' => $one->expires_at->toDateString(),
            ])->all(),
            'limits' => array_map(fn (MeasureKind $kind): array => [
                'kind' => $kind->value, 'label' => $kind->label(), 'subject' => $kind->subject()->label(), 'unit' => $kind->unit()->value, 'usual' => $kind->limit(), 'own' => $teacher->limits[$kind->value] ?? null,
            ], self::limited()),
            'done' => $request->session()->get('done'),
        ]);
    }

    public function update(Request $request): RedirectResponse
    {
        $teacher = self::teacher($request);
        /** @var array{name: string, email: string, timezone?: ?string} $given */
        $given = $request->validate(['name' => AccountRules::name(), 'email' => AccountRules::email($teacher), 'timezone' => ['sometimes', ...AccountRules::timezone()]]);
        $isNew = $given['email'] !== $teacher->email;
        if ($isNew) {
            // A session that was left open is not enough to take an account away.
            $request->validate(['password' => ['required', 'current_password']]);
        }
        $teacher->forceFill([...$given, ...($isNew ? ['email_verified_at' => null] : [])])->save();
        if ($isNew) {
            $teacher->sendEmailVerificationNotification();
        }

        return back()->with('done', 'Saved.');
    }

    /**
     * How far from the plan a take may be before it is told; what is left empty is as usual.
     */
    public function limits(Request $request): RedirectResponse
    {
        $kinds = array_map(fn (MeasureKind $kind): string => $kind->value, self::limited());
        $given = $request->validate(['limits' => ['present', 'array:'.implode(',', $kinds)], 'limits.*' => ['nullable', 'numeric', 'between:0,10000']]);
        $own = array_map(floatval(...), array_filter($given['limits'], fn (mixed $limit): bool => is_numeric($limit)));
        self::teacher($request)->update(['limits' => $own === [] ? null : $own]);

        return back()->with('done', 'Saved. Takes are judged by it from now on.');
    }

    /**
     * Kinds of measures that have a limit.
     *
     * @return list<MeasureKind>
     */
    private static function limited(): array
    {
        return array_values(array_filter(MeasureKind::cases(), fn (MeasureKind $kind): bool => $kind->limit() > 0));
    }

    public function changePassword(Request $request): RedirectResponse
    {
        $given = $request->validate(['current_password' => ['required', 'current_password'], 'password' => AccountRules::password()]);
        self::teacher($request)->forceFill(['password' => $given['password']])->save();
        Auth::login(self::teacher($request));
        $request->session()->regenerate();

        return back()->with('done', 'Your password is changed. Other devices have to sign in again.');
    }

    public function endOtherSessions(Request $request): RedirectResponse
    {
        $given = $request->validate(['password' => ['required', 'current_password']]);
        Auth::logoutOtherDevices($given['password']);

        return back()->with('done', 'Other devices have to sign in again.');
    }

    public function sendVerification(Request $request): RedirectResponse
    {
        self::teacher($request)->sendEmailVerificationNotification();

        return back()->with('done', 'A link is on its way to your address.');
    }

    public function verify(EmailVerificationRequest $request): RedirectResponse
    {
        $request->fulfill();

        return redirect()->route('account')->with('done', 'Your address is confirmed.');
    }

    public function invite(Request $request): JsonResponse
    {
        /** @var array{note?: ?string} $given */
        $given = $request->validate(['note' => ['nullable', 'string', 'max:80']]);
        [, $secret] = Invitation::by(self::teacher($request), $given['note'] ?? null);

        return response()->json(['link' => route('join', ['secret' => $secret])]);
    }

    public function withdraw(Invitation $invitation): RedirectResponse
    {
        $invitation->delete();

        return back();
    }

    public function destroy(Request $request): RedirectResponse
    {
        $request->validate(['password' => ['required', 'current_password']]);
        $teacher = self::teacher($request);
        Auth::logout();
        $teacher->erase();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect()->route('sign-in');
    }

    private static function teacher(Request $request): User
    {
        /** @var User */
        return $request->user();
    }
}
