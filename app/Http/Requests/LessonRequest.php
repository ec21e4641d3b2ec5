<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Lesson;
use App\Models\LessonStatus;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/**
 * A lesson that is given: as a weekly time has it, or besides; or how it is otherwise.
 */
final class LessonRequest extends FormRequest
{
    public const DAY = ['date_format:Y-m-d', 'after:2000-01-01', 'before:2100-01-01'];

    public const AT = ['date_format:H:i'];

    public const MINUTES = ['integer', 'between:5,480'];

    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        $common = ['day' => self::DAY, 'at' => self::AT, 'minutes' => self::MINUTES];
        if ($this->route('lesson') instanceof Lesson) {
            return [
                ...array_map(fn (array $rules): array => ['sometimes', 'required', ...$rules], $common),
                'status' => ['sometimes', 'required', Rule::enum(LessonStatus::class)], 'notes' => ['sometimes', 'nullable', 'string', 'max:10000'],
            ];
        }
        /** @var User $teacher */
        $teacher = $this->user();
        $students = $teacher->students()->select('id');

        return [
            'student_id' => ['required', 'integer', Rule::exists('students', 'id')->where('user_id', $teacher->id)],
            ...array_map(fn (array $rules): array => ['required', ...$rules], $common),
            'weekly_time_id' => ['nullable', 'integer', Rule::exists('weekly_times', 'id')->where('student_id', $this->integer('student_id'))],
            'slot' => ['nullable', 'required_with:weekly_time_id', ...self::DAY],
            'makes_up_id' => ['nullable', 'integer', Rule::exists('lessons', 'id')->where('student_id', $this->integer('student_id'))->using(fn (Builder $lessons) => $lessons->whereIn('student_id', $students))],
        ];
    }
}
