<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\FootRoundRequest;
use App\Models\CopyLink;
use App\Takes\FootTraining;
use Illuminate\Http\JsonResponse;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The trainer of the foot, as a student has it by her link.
 */
final class HomeFootController
{
    public function show(string $secret): Response
    {
        return Inertia::render('Foot', [
            ...self::training($secret)->page(), 'url' => route('home-copy.foot', ['secret' => $secret], false), 'back' => route('home-copy', ['secret' => $secret], false), 'isHome' => true,
        ]);
    }

    public function exercise(FootRoundRequest $request, string $secret): JsonResponse
    {
        return response()->json(['exercise' => self::training($secret)->exercise($request)->toArray()]);
    }

    public function round(FootRoundRequest $request, string $secret): JsonResponse
    {
        return response()->json(self::training($secret)->round($request));
    }

    private static function training(string $secret): FootTraining
    {
        return new FootTraining(CopyLink::copyOf($secret), 'student');
    }
}
