<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PianoRequest;
use App\Models\Piano;
use App\Models\User;
use Illuminate\Http\RedirectResponse;

/**
 * Instruments that a teacher has copied and adjusted.
 */
final class PianoController
{
    public function store(PianoRequest $request): RedirectResponse
    {
        /** @var User $teacher */
        $teacher = $request->user();
        $teacher->pianos()->create($request->validated());

        return back();
    }

    public function update(PianoRequest $request, Piano $piano): RedirectResponse
    {
        $piano->update($request->validated());

        return back();
    }

    public function destroy(Piano $piano): RedirectResponse
    {
        $piano->delete();

        return back();
    }
}
