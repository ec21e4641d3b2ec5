<?php

declare(strict_types=1);

namespace App\Archive;

use App\Models\Piano;
use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use App\Models\WeeklyTime;
use App\Support\StoredScore;
use Illuminate\Support\Facades\DB;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use stdClass;
use Tarnwind\Core\Notation\MusicXml\Text;
use Tarnwind\Core\Notation\UnreadableFile;
use Tarnwind\Core\Take\MidiReader;
use Tarnwind\Core\Take\UnreadableTake;

/**
 * Takes an exported studio into an account, beside what is there. All of it or nothing.
 */
final readonly class StudioImport
{
    private const SCHEMA = __DIR__.'/studio.schema.json';

    private const DEPTH = 32;

    private function __construct(private ArchiveFile $archive, private stdClass $studio, private User $teacher)
    {
    }

    /**
     * @param  string  $path  of the zip
     * @return array{students: int, pieces: int} how many came
     *
     * @throws InvalidArchive if it cannot be taken in; then nothing has changed
     */
    public static function into(User $teacher, string $path): array
    {
        $archive = ArchiveFile::open($path);
        $import = new self($archive, self::checked($archive->contents(StudioExport::MANIFEST)), $teacher);

        return DB::transaction($import->take(...));
    }

    private static function checked(string $json): stdClass
    {
        $studio = json_decode($json, false, self::DEPTH);
        if (! $studio instanceof stdClass) {
            throw new InvalidArchive('This is not a studio that was exported.');
        }
        if (($studio->format ?? null) !== StudioExport::FORMAT) {
            throw new InvalidArchive('This studio was exported by another version of Tarnwind.');
        }
        $error = (new Validator)->validate($studio, (string) file_get_contents(self::SCHEMA))->error();
        if ($error !== null) {
            $found = (new ErrorFormatter)->formatFlat($error);
            throw new InvalidArchive('This studio is damaged: '.lcfirst((string) end($found)));
        }

        return $studio;
    }

    /**
     * @return array{students: int, pieces: int}
     */
    private function take(): array
    {
        $pianos = array_map(fn (stdClass $piano): Piano => $this->teacher->pianos()->create((array) $piano), $this->studio->pianos);
        $pieces = array_map($this->piece(...), $this->studio->pieces);
        foreach ($this->studio->holidays ?? [] as $holiday) {
            $this->teacher->holidays()->create((array) $holiday);
        }
        foreach ($this->studio->students as $student) {
            $this->student($student, $pianos, $pieces);
        }
        if ($this->teacher->palettes === null && $this->studio->teacher->palettes !== null) {
            $this->teacher->update(['palettes' => json_decode((string) json_encode($this->studio->teacher->palettes), true)]);
        }

        if ($this->teacher->timezone === null && ($this->studio->teacher->timezone ?? null) !== null) {
            $this->teacher->update(['timezone' => $this->studio->teacher->timezone]);
        }

        if ($this->teacher->limits === null && ($this->studio->teacher->limits ?? null) !== null) {
            $this->teacher->update(['limits' => array_map(floatval(...), (array) $this->studio->teacher->limits)]);
        }

        return ['students' => count($this->studio->students), 'pieces' => count($pieces)];
    }

    private function piece(stdClass $piece): Piece
    {
        $musicxml = $this->archive->contents($piece->file);
        $stored = new StoredScore($musicxml, $piece->part);
        try {
            Text::checkStored($musicxml);
            $summary = $stored->summary();
        } catch (UnreadableFile $error) {
            throw new InvalidArchive("\"$piece->title\" cannot be read: {$error->getMessage()}");
        }
        $made = new Piece(['title' => $piece->title, 'part' => $piece->part, 'summary' => $summary, 'tags' => $piece->tags ?? null, 'musicxml' => $musicxml]);
        $made->forceFill(['revision' => $piece->revision]);
        $this->teacher->pieces()->save($made);

        return $made;
    }

    /**
     * @param  array<Piano>  $pianos
     * @param  array<Piece>  $pieces
     */
    private function student(stdClass $student, array $pianos, array $pieces): void
    {
        $details = array_diff_key((array) $student, ['piano' => null, 'copies' => null, 'weekly_times' => null, 'lessons' => null, 'calibrations' => null, 'foot_rounds' => null]);
        $piano = $student->piano === null ? null : $pianos[$student->piano] ?? throw new InvalidArchive("The piano of $student->name is missing from this archive.");
        /** @var Student $made */
        $made = $this->teacher->students()->create([...$details, 'piano_id' => $piano?->id]);
        $copies = [];
        foreach ($student->copies as $copy) {
            $piece = $pieces[$copy->piece] ?? throw new InvalidArchive("A piece of $student->name is missing from this archive.");
            $given = $made->copies()->forceCreate([
                'piece_id' => $piece->id, 'revision' => $copy->revision, 'plan' => $this->plan($copy->plan), 'unreadable_plan' => $copy->as_kept === null ? null : $this->plan($copy->as_kept),
                ...array_intersect_key((array) $copy, array_flip(StudentCopy::PROGRESS)), 'handout' => isset($copy->handout) ? (array) $copy->handout : null,
            ]);
            $copies[] = $given;
            foreach ($copy->practice ?? [] as $entry) {
                $given->practiceEntries()->create((array) $entry);
            }
            foreach ($copy->takes ?? [] as $take) {
                $kept = $given->takes()->make([...array_diff_key((array) $take, ['recorded' => null, 'file' => null]), 'midi' => $this->midi($take->file), 'plan' => $this->plan($take->plan)]);
                $kept->forceFill(['created_at' => $take->recorded, 'updated_at' => $take->recorded])->save();
            }
            foreach ($copy->versions ?? [] as $version) {
                $kept = $given->versions()->make(['name' => $version->name, 'plan' => $this->plan($version->plan)]);
                $kept->forceFill(['created_at' => $version->kept, 'updated_at' => $version->kept])->save();
            }
        }
        foreach ($student->calibrations ?? [] as $calibration) {
            $made->calibrations()->create([...(array) $calibration, 'uneven' => (array) $calibration->uneven]);
        }
        foreach ($student->foot_rounds ?? [] as $round) {
            $made->footRounds()->create((array) $round);
        }
        $this->lessons($student, $made, $copies);
    }

    /**
     * A take as it is stored; refused where it is none.
     */
    private function midi(string $file): string
    {
        $midi = $this->archive->contents($file);
        try {
            MidiReader::read($midi);
        } catch (UnreadableTake $error) {
            throw new InvalidArchive("\"$file\" cannot be read: {$error->getMessage()}");
        }

        return base64_encode($midi);
    }

    /**
     * Weekly times and lessons of a student; one that makes up for another comes after it.
     *
     * @param  list<StudentCopy>  $copies
     */
    private function lessons(stdClass $student, Student $made, array $copies): void
    {
        $missing = fn (): InvalidArchive => new InvalidArchive("A lesson of $student->name names what is missing from this archive.");
        $times = array_map(fn (stdClass $time): WeeklyTime => $made->weeklyTimes()->create((array) $time), $student->weekly_times ?? []);
        $lessons = [];
        foreach ($student->lessons ?? [] as $lesson) {
            $lessons[] = $given = $made->lessons()->create([
                ...array_diff_key((array) $lesson, ['weekly_time' => null, 'makes_up' => null, 'points' => null]),
                'weekly_time_id' => $lesson->weekly_time === null ? null : ($times[$lesson->weekly_time] ?? throw $missing())->id,
            ]);
            foreach ($lesson->points as $point) {
                $given->points()->create([...array_diff_key((array) $point, ['copy' => null]), 'student_copy_id' => $point->copy === null ? null : ($copies[$point->copy] ?? throw $missing())->id]);
            }
        }
        foreach ($student->lessons ?? [] as $place => $lesson) {
            if ($lesson->makes_up !== null) {
                $lessons[$place]->update(['makes_up_id' => ($lessons[$lesson->makes_up] ?? throw $missing())->id]);
            }
        }
    }

    /**
     * A plan as it was kept; what cannot be read of it is told at its desk, as at home.
     */
    private function plan(string $file): string
    {
        $plan = $this->archive->contents($file);

        return json_decode($plan) instanceof stdClass ? $plan : throw new InvalidArchive("\"$file\" is not a plan.");
    }
}
