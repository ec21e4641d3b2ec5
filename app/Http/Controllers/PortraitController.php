<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\StudentCopy;
use Inertia\Inertia;
use Inertia\Response as Page;
use Tarnwind\Core\Portrait\Portrait;
use Tarnwind\Core\Score\Measure;

/**
 * The piece of a copy on one page, every line of which leads to its bar.
 */
final class PortraitController
{
    public function __invoke(StudentCopy $copy): Page
    {
        $performance = $copy->performance();
        $score = $performance->written;

        return Inertia::render('Portrait', [
            'copy' => ['id' => $copy->id, 'title' => $copy->piece->title],
            'student' => $copy->student->name,
            'summary' => $copy->piece->summary,
            'numbers' => array_map(fn (Measure $measure): string => $measure->number, $score->measures),
            'portrait' => Portrait::of($score, $performance->reading(), $performance->tempo(), $performance->student->rates)->toArray(),
        ]);
    }
}
