<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\CalibrationRequest;
use Illuminate\Http\JsonResponse;

/**
 * Getting to know how an instrument tells velocities.
 */
final class CalibrationController
{
    public function store(CalibrationRequest $request): JsonResponse
    {
        $learnt = $request->learnt();
        $calibration = $request->copy()->student->calibrations()->updateOrCreate(['device' => $request->string('device')->trim()->value()], [
            'softest' => $learnt->softest, 'loudest' => $learnt->loudest, 'uneven' => $learnt->uneven,
        ]);

        return response()->json(['calibration' => $calibration->listed()]);
    }
}
