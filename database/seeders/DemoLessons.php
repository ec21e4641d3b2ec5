<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Lesson;
use App\Models\LessonStatus;
use App\Models\PointKind;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Illuminate\Support\Carbon;
use Tarnwind\Core\Score\Measure;

/**
 * Six weeks of lessons of the demonstration: three weekly times, a week without, one that was called off and made up for.
 */
final readonly class DemoLessons
{
    /** Days after today's day of the week, time, minutes, by student: there is something to see on whatever day it is shown. */
    private const TIMES = ['Bram' => [0, '15:30', 30], 'Oona' => [0, '16:15', 45], 'Lio' => [2, '17:00', 45]];

    private const WEEK = 7;

    /** The week before this one, counted back, in which there were no lessons. */
    private const AWAY = 4;

    /**
     * By student and week counted back: to hear, noted by bar, agreed, and the week in which that was settled.
     *
     * @var array<string, array<int, array{hear?: string, notes?: array<int, string>, agreed?: array{string, ?int}, free?: string}>>
     */
    private const LESSONS = [
        'Oona' => [
            6 => ['hear' => 'The song alone, from memory', 'notes' => [5 => 'The crescendo begins too soon: p until the D is left'], 'agreed' => ['Left hand of bars 11 and 12 slowly, every day, hand moving early', 5], 'free' => 'Read through the whole piece together. She hears the water at once.'],
            5 => ['hear' => 'Bars 11 and 12, left hand', 'notes' => [12 => 'The leap arrives now; the thumb lands too loud'], 'agreed' => ['Sing the line of bars 13 to 16 before playing it', 3]],
            3 => ['hear' => 'Bars 13 to 16, sung, then played', 'notes' => [16 => 'f without weight on the thumb', 17 => 'The return is softer than the beginning: very good'], 'agreed' => ['Record bars 1 to 8 and listen for the end of each slur', 2]],
            2 => ['hear' => 'Her own recording of bars 1 to 8', 'notes' => [4 => 'Foot late in two of four changes'], 'agreed' => ['Change with the bass, ear before foot: bars 4 to 8, foot alone first', 1]],
            1 => ['hear' => 'Bars 4 to 8 with the foot alone, then with hands', 'notes' => [22 => 'One pedal to the end holds; wait longer'], 'agreed' => ['Play it to somebody at home once, from beginning to end', null], 'free' => 'Ready to be played to others. The evening is on the lake stage: try a big piano before.'],
        ],
        'Bram' => [
            6 => ['hear' => 'Chords of bars 1 and 2, top notes sung', 'notes' => [3 => 'Fifteen semitones: rolled, from the bottom'], 'agreed' => ['Bars 5 and 6, block by block, eyes closed', 5]],
            5 => ['hear' => 'Bars 5 and 6', 'notes' => [6 => 'Middle voice gets lost'], 'agreed' => ['Inner voice touched only, bars 5 and 6', 2], 'free' => 'Wrist stiff in the octaves: stopped, shook out, five minutes of something else.'],
            2 => ['hear' => 'Inner voice of bars 5 and 6', 'notes' => [9 => 'Weight from the back now'], 'agreed' => ['Bars 13 and 14 at half tempo, no faster', null]],
            1 => ['hear' => 'Bars 9 to 12 at tempo', 'notes' => [13 => 'Still at half tempo: hands apart again'], 'agreed' => ['Two days hands apart in bars 13 and 14', null]],
        ],
        'Lio' => [
            3 => ['hear' => 'What he already plays', 'notes' => [], 'agreed' => ['Tap the off-beats of bars 1 to 8 on the lid', 2], 'free' => 'First lessons. Digital piano at home, pedal on and off only.'],
            2 => ['hear' => 'Off-beats tapped', 'notes' => [3 => 'Left hand leaps without looking: good'], 'agreed' => ['Bars 5 to 8, left hand, arriving before the beat', null]],
            1 => ['hear' => 'Bars 5 to 8, left hand', 'notes' => [7 => 'The B flat in time'], 'agreed' => ['Bars 1 to 8 at ♩ = 100, light off the beat', null]],
        ],
    ];

    public function __construct(private User $teacher)
    {
    }

    public function seed(): void
    {
        $today = $this->teacher->today();
        $monday = $today->copy()->startOfWeek();
        $this->teacher->holidays()->create(['name' => 'Ice on the lake', 'first' => $monday->copy()->subWeeks(self::AWAY), 'last' => $monday->copy()->subWeeks(self::AWAY)->addDays(6)]);
        foreach ($this->teacher->students()->with('copies.piece')->get() as $student) {
            [$later, $at, $minutes] = self::TIMES[$student->name];
            $weekday = ((int) $monday->diffInDays($today) + $later) % self::WEEK;
            $time = $student->weeklyTimes()->create(['weekday' => $weekday, 'at' => $at, 'minutes' => $minutes, 'from' => $monday->copy()->subWeeks(max(array_keys(self::LESSONS[$student->name])))]);
            foreach (self::LESSONS[$student->name] as $back => $noted) {
                $day = $monday->copy()->subWeeks($back)->addDays($weekday);
                $this->lesson($student, ['weekly_time_id' => $time->id, 'slot' => $day, 'day' => $day, 'at' => $at, 'minutes' => $minutes, 'status' => LessonStatus::Held, 'notes' => $noted['free'] ?? null], $noted, $monday, $weekday);
            }
            if ($student->name === 'Oona') {
                $this->lesson($student, ['weekly_time_id' => $time->id, 'slot' => $today, 'day' => $today, 'at' => $at, 'minutes' => $minutes], ['hear' => 'From beginning to end, as on the evening'], $monday, $weekday);
            }
            if ($student->name === 'Bram') {
                $day = $monday->copy()->subWeeks(3)->addDays($weekday);
                $missed = $student->lessons()->create(['weekly_time_id' => $time->id, 'slot' => $day, 'day' => $day, 'at' => $at, 'minutes' => $minutes, 'status' => LessonStatus::CalledOff, 'notes' => 'A cold.']);
                $student->lessons()->create(['makes_up_id' => $missed->id, 'day' => $day->copy()->addDays(3), 'at' => '14:00', 'minutes' => $minutes, 'status' => LessonStatus::Held]);
            }
        }
    }

    /**
     * @param  array<string, mixed>  $values
     * @param  array{hear?: string, notes?: array<int, string>, agreed?: array{string, ?int}, free?: string}  $noted
     */
    private function lesson(Student $student, array $values, array $noted, Carbon $monday, int $weekday): Lesson
    {
        $lesson = $student->lessons()->create($values);
        $copy = $student->copies->first();
        if (isset($noted['hear'])) {
            $lesson->points()->create(['kind' => PointKind::Hear, 'student_copy_id' => $copy?->id, 'text' => $noted['hear']]);
        }
        foreach ($noted['notes'] ?? [] as $bar => $text) {
            $lesson->points()->create(['kind' => PointKind::Note, 'student_copy_id' => $copy?->id, 'measure' => self::measure($copy, $bar), 'text' => $text]);
        }
        if (isset($noted['agreed'])) {
            [$text, $settled] = $noted['agreed'];
            $lesson->points()->create(['kind' => PointKind::Agreed, 'student_copy_id' => $copy?->id, 'text' => $text, 'settled_on' => $settled === null ? null : $monday->copy()->subWeeks($settled)->addDays($weekday)]);
        }

        return $lesson;
    }

    private static function measure(?StudentCopy $copy, int $bar): ?string
    {
        $found = array_filter($copy?->piece->score()->measures ?? [], fn (Measure $measure): bool => $measure->number === (string) $bar);

        return array_values($found)[0]->id ?? null;
    }
}
