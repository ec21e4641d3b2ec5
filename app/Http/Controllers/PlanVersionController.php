<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlanRequest;
use App\Http\Requests\PlanVersionRequest;
use App\Models\PlanVersion;
use App\Models\StudentCopy;
use App\Support\VersionComparison;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * Plans of a copy that are kept under a name: to go back to, and to compare with.
 */
final class PlanVersionController
{
    public function index(StudentCopy $copy): JsonResponse
    {
        return response()->json(['versions' => $copy->versions()->latest('id')->get()->map(fn (PlanVersion $version): array => $version->listed())->all()]);
    }

    /**
     * Keeps the plan that is sent, so that it is the one that is seen.
     */
    public function store(PlanVersionRequest $request, StudentCopy $copy): JsonResponse
    {
        $plan = $request->planFor($copy->piece->score(...))->toJson();
        $there = $request->boolean('unless_kept') ? $copy->versions()->where('plan', $plan)->latest('id')->first() : null;

        return response()->json(['version' => ($there ?? $copy->versions()->create(['name' => $request->string('name')->trim()->value(), 'plan' => $plan]))->listed()]);
    }

    public function show(StudentCopy $copy, PlanVersion $version): JsonResponse
    {
        return response()->json(['plan' => $version->planDocument()->toArray()]);
    }

    /**
     * What the plan that is sent has otherwise than the version.
     */
    public function compare(PlanRequest $request, StudentCopy $copy, PlanVersion $version): JsonResponse
    {
        return response()->json(VersionComparison::of($copy, $version->planDocument(), $request->planFor($copy->piece->score(...))));
    }

    public function update(Request $request, StudentCopy $copy, PlanVersion $version): JsonResponse
    {
        $version->update($request->validate(['name' => PlanVersionRequest::NAME]));

        return response()->json(['version' => $version->listed()]);
    }

    public function destroy(StudentCopy $copy, PlanVersion $version): Response
    {
        $version->delete();

        return response()->noContent();
    }
}
