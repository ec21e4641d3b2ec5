<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Archive\InvalidArchive;
use App\Archive\StudioExport;
use App\Archive\StudioImport;
use App\Models\Calibration;
use App\Models\FootRound;
use App\Models\Lesson;
use App\Models\LessonPoint;
use App\Models\PlanVersion;
use App\Models\PracticeEntry;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\Take;
use App\Models\User;
use App\Models\WeeklyTime;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/**
 * A studio taken along or brought, one student's record, and what is kept of whom.
 */
final class ArchiveController
{
    /** Kilobytes of an archive that is brought. */
    private const MOST = 512 * 1024;

    /** Seconds that a whole studio may take: each of its scores is read. */
    private const SECONDS = 300;

    public function export(Request $request): BinaryFileResponse
    {
        set_time_limit(self::SECONDS);
        $path = (string) tempnam(sys_get_temp_dir(), 'studio');
        StudioExport::write(self::teacher($request), $path);

        return response()->download($path, 'tarnwind-studio.zip', ['Content-Type' => 'application/zip', 'Cache-Control' => 'no-store'])->deleteFileAfterSend();
    }

    public function import(Request $request): JsonResponse
    {
        $request->validate(['file' => ['required', 'file', 'max:'.self::MOST]], [
            'file.required' => 'Choose a studio that was exported first.', 'file.uploaded' => 'The file did not arrive whole.', 'file.max' => 'The file is larger than a studio can be.',
        ]);
        set_time_limit(self::SECONDS);
        /** @var UploadedFile $file */
        $file = $request->file('file');
        try {
            return response()->json(StudioImport::into(self::teacher($request), $file->getPathname()));
        } catch (InvalidArchive $error) {
            throw ValidationException::withMessages(['file' => $error->getMessage()]);
        }
    }

    /**
     * Everything that is kept of one student.
     */
    public function record(Student $student): JsonResponse
    {
        return response()->json([
            'student' => [...$student->only(Student::DETAILS), 'practice_minutes' => $student->practice_minutes], 'added' => $student->created_at?->toIso8601String(),
            'copies' => $student->copies()->with(['piece' => fn ($piece) => $piece->select(['id', 'title']), 'versions' => fn ($versions) => $versions->orderBy('id'), 'practiceEntries', 'takes'])->orderBy('id')->get()->map(fn (StudentCopy $copy): array => [
                'title' => $copy->piece->title, 'given' => $copy->created_at?->toIso8601String(), 'changed' => $copy->updated_at?->toIso8601String(), ...$copy->progress(), 'plan' => json_decode($copy->plan),
                'versions' => $copy->versions->map(fn (PlanVersion $version): array => [...$version->listed(), 'plan' => json_decode($version->plan)])->all(),
                'takes' => $copy->takes->map(fn (Take $take): array => [...$take->listed(), 'midi' => $take->midi])->all(),
                'practice' => $copy->practiceEntries->map(fn (PracticeEntry $entry): array => $entry->listed())->all(),
            ])->all(),
            'calibrations' => $student->calibrations()->get(Calibration::DETAILS)->toArray(), 'foot' => $student->footRounds()->get()->map(fn (FootRound $round): array => $round->listed())->all(),
            'weekly_times' => $student->weeklyTimes()->orderBy('id')->get()->map(fn (WeeklyTime $time): array => $time->listed())->all(),
            'lessons' => $student->lessons()->with('points')->orderBy('day')->get()->map(fn (Lesson $lesson): array => [
                'day' => $lesson->day->toDateString(), ...$lesson->only(['at', 'minutes', 'notes']), 'status' => $lesson->status->value,
                'points' => $lesson->points->map(fn (LessonPoint $point): array => ['kind' => $point->kind->value, 'text' => $point->text, 'settled_on' => $point->settled_on?->toDateString()])->all(),
            ])->all(),
        ], options: JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)->withHeaders(['Content-Disposition' => 'attachment; filename="student.json"']);
    }

    public function kept(Request $request): Response
    {
        return Inertia::render('WhatIsKept', ['students' => self::teacher($request)->students()->orderBy('name')->get(['id', 'name'])->toArray(), 'days' => config('tarnwind.backup_days'), 'backups' => config('tarnwind.backups') !== null]);
    }

    private static function teacher(Request $request): User
    {
        /** @var User */
        return $request->user();
    }
}
