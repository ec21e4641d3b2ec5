<?php

declare(strict_types=1);

namespace App\Archive;

use App\Models\Calibration;
use App\Models\FootRound;
use App\Models\Holiday;
use App\Models\Lesson;
use App\Models\LessonPoint;
use App\Models\Piano;
use App\Models\Piece;
use App\Models\PracticeEntry;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use App\Models\WeeklyTime;
use RuntimeException;
use ZipArchive;

/**
 * A whole studio as one zip: studio.json, and the scores and plans it names; see docs/studio-archive.md. The same studio
 * gives the same bytes.
 */
final class StudioExport
{
    public const FORMAT = 'tarnwind-studio/1';

    public const MANIFEST = 'studio.json';

    /** The first moment a zip can tell, so that the time of day does not change its bytes. */
    private const MOMENT = '1980-01-01 00:00:00';

    /** A moment in universal time. */
    public const TIME = 'Y-m-d\TH:i:s\Z';

    /** @var array<string, string> contents by name */
    private array $files = [];

    /** How many copies there are in it so far. */
    private int $copies = 0;

    /** @var array<int, int> place in the archive by id */
    private array $pianos = [];

    /** @var array<int, int> */
    private array $pieces = [];

    private function __construct(private readonly User $teacher)
    {
    }

    /**
     * @param  string  $path  of a file that is written over
     */
    public static function write(User $teacher, string $path): void
    {
        $export = new self($teacher);
        $manifest = $export->manifest();
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException("An archive could not be written to $path.");
        }
        foreach ([self::MANIFEST => self::json($manifest), ...$export->files] as $name => $contents) {
            $zip->addFromString($name, $contents);
            $zip->setMtimeName($name, (int) strtotime(self::MOMENT));
        }
        $zip->close();
    }

    /**
     * @return array<string, mixed>
     */
    private function manifest(): array
    {
        return [
            'format' => self::FORMAT,
            'teacher' => ['name' => $this->teacher->name, 'palettes' => $this->teacher->palettes, 'timezone' => $this->teacher->timezone, 'limits' => $this->teacher->limits === null ? null : (object) $this->teacher->limits],
            'holidays' => $this->teacher->holidays()->orderBy('id')->get()->map(fn (Holiday $holiday): array => array_diff_key($holiday->listed(), ['id' => null]))->all(),
            'pianos' => $this->teacher->pianos()->orderBy('id')->get()->map($this->piano(...))->all(),
            'pieces' => $this->teacher->pieces()->orderBy('id')->get()->map($this->piece(...))->all(),
            'students' => $this->teacher->students()->orderBy('id')->with([
                'copies' => fn ($copies) => $copies->orderBy('id'), 'copies.versions' => fn ($versions) => $versions->orderBy('id'), 'copies.practiceEntries' => fn ($entries) => $entries->reorder('id'), 'copies.takes', 'calibrations', 'footRounds',
                'weeklyTimes' => fn ($times) => $times->orderBy('id'), 'lessons' => fn ($lessons) => $lessons->orderBy('id'), 'lessons.points',
            ])->get()->map($this->student(...))->all(),
        ];
    }

    /**
     * @return array<string, mixed>
     */
    private function piano(Piano $piano): array
    {
        $this->pianos[$piano->id] = count($this->pianos);

        return $piano->only(Piano::DETAILS);
    }

    /**
     * @return array<string, mixed>
     */
    private function piece(Piece $piece): array
    {
        $number = $this->pieces[$piece->id] = count($this->pieces);
        $file = sprintf('scores/%04d.musicxml', $number + 1);
        $this->files[$file] = $piece->musicxml;

        return ['title' => $piece->title, 'part' => $piece->part, 'revision' => $piece->revision, 'file' => $file, 'tags' => $piece->tags];
    }

    /**
     * @return array<string, mixed>
     */
    private function student(Student $student): array
    {
        $details = $student->only(array_diff(Student::DETAILS, ['piano_id']));

        $copies = array_flip($student->copies->map(fn (StudentCopy $copy): int => $copy->id)->values()->all());
        $times = array_flip($student->weeklyTimes->map(fn (WeeklyTime $time): int => $time->id)->values()->all());
        $lessons = array_flip($student->lessons->map(fn (Lesson $lesson): int => $lesson->id)->values()->all());

        return [
            ...$details, 'piano' => $student->piano_id === null ? null : $this->pianos[$student->piano_id], 'practice_minutes' => $student->practice_minutes,
            'copies' => $student->copies->map($this->copy(...))->values()->all(),
            'calibrations' => $student->calibrations->map(fn (Calibration $one): array => [...$one->only(Calibration::DETAILS), 'uneven' => (object) $one->uneven])->values()->all(),
            'foot_rounds' => $student->footRounds->map(fn (FootRound $round): array => ['uuid' => $round->uuid, ...$round->listed()])->values()->all(),
            'weekly_times' => $student->weeklyTimes->map(fn (WeeklyTime $time): array => array_diff_key($time->listed(), ['id' => null]))->values()->all(),
            'lessons' => $student->lessons->map(fn (Lesson $lesson): array => [
                'weekly_time' => $lesson->weekly_time_id === null ? null : $times[$lesson->weekly_time_id], 'slot' => $lesson->slot?->toDateString(), 'makes_up' => $lesson->makes_up_id === null ? null : $lessons[$lesson->makes_up_id],
                'day' => $lesson->day->toDateString(), 'at' => $lesson->at, 'minutes' => $lesson->minutes, 'status' => $lesson->status->value, 'notes' => $lesson->notes,
                'points' => $lesson->points->map(fn (LessonPoint $point): array => [
                    'copy' => $point->student_copy_id === null ? null : $copies[$point->student_copy_id], 'measure' => $point->measure, 'kind' => $point->kind->value, 'text' => $point->text, 'settled_on' => $point->settled_on?->toDateString(),
                ])->values()->all(),
            ])->values()->all(),
        ];
    }

    /**
     * @return array<string, mixed>
     */
    private function copy(StudentCopy $copy): array
    {
        $number = ++$this->copies;
        $plan = sprintf('plans/%04d.json', $number);
        $this->files[$plan] = $copy->plan;
        $kept = $copy->unreadable_plan === null ? null : sprintf('plans/%04d.as-kept.json', $number);
        if ($kept !== null) {
            $this->files[$kept] = (string) $copy->unreadable_plan;
        }

        $versions = [];
        foreach ($copy->versions as $place => $version) {
            $file = sprintf('plans/%04d.%03d.json', $number, $place + 1);
            $this->files[$file] = $version->plan;
            $versions[] = ['name' => $version->name, 'kept' => $version->created_at->utc()->format(self::TIME), 'plan' => $file];
        }

        $takes = [];
        foreach ($copy->takes as $place => $take) {
            [$midi, $then] = [sprintf('takes/%04d.%03d.mid', $number, $place + 1), sprintf('takes/%04d.%03d.json', $number, $place + 1)];
            $this->files[$midi] = $take->file();
            $this->files[$then] = $take->plan;
            $takes[] = [...$take->only(['uuid', 'name', 'device', 'by', 'step']), 'recorded' => $take->created_at->utc()->format(self::TIME), 'file' => $midi, 'plan' => $then];
        }

        return ['piece' => $this->pieces[$copy->piece_id], 'revision' => $copy->revision, 'plan' => $plan, 'as_kept' => $kept, ...$copy->progress(), 'handout' => $copy->handout, 'versions' => $versions, 'takes' => $takes, 'practice' => $copy->practiceEntries->map(fn (PracticeEntry $entry): array => [
            'uuid' => $entry->uuid, ...array_diff_key($entry->listed(), ['id' => null]),
        ])->values()->all()];
    }

    /**
     * @param  array<string, mixed>  $document
     */
    private static function json(array $document): string
    {
        return json_encode($document, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n";
    }
}
