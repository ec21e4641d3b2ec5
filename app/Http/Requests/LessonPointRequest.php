<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Lesson;
use App\Models\LessonPoint;
use App\Models\PointKind;
use App\Models\StudentCopy;
use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;
use Tarnwind\Core\Score\Measure;

/**
 * A point of a lesson.
 */
final class LessonPointRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        $isNew = ! $this->route('point') instanceof LessonPoint;
        $needed = $isNew ? ['required'] : ['sometimes', 'required'];

        return [
            'kind' => [...$needed, Rule::enum(PointKind::class)],
            'text' => [...$needed, 'string', 'max:1000'],
            'student_copy_id' => ['nullable', 'integer', Rule::exists('student_copies', 'id')->where('student_id', $this->lesson()->student_id)],
            'measure' => ['nullable', 'string', 'max:100'],
            'settled' => ['sometimes', 'boolean'],
        ];
    }

    /**
     * @return list<Closure(Validator): void>
     */
    public function after(): array
    {
        return [function (Validator $validator): void {
            if (! $this->route('point') instanceof LessonPoint && $this->lesson()->points()->count() >= LessonPoint::MOST) {
                $validator->errors()->add('text', LessonPoint::MOST.' points are noted of this lesson, and no more.');
            }
            if ($this->filled('measure') && $validator->errors()->isEmpty()) {
                $copy = StudentCopy::query()->with('piece')->find($this->integer('student_copy_id'));
                $bars = array_map(fn (Measure $measure): string => $measure->id, $copy?->piece->score()->measures ?? []);
                in_array($this->string('measure')->value(), $bars, true) || $validator->errors()->add('measure', 'The piece has no such bar.');
            }
        }];
    }

    /**
     * @return array<string, mixed>
     */
    public function details(): array
    {
        $values = $this->safe()->except('settled');

        return [...$values, ...($this->has('settled') ? ['settled_on' => $this->boolean('settled') ? $this->lesson()->student->teacher->today()->toDateString() : null] : [])];
    }

    private function lesson(): Lesson
    {
        $point = $this->route('point');
        $lesson = $point instanceof LessonPoint ? $point->lesson : $this->route('lesson');
        assert($lesson instanceof Lesson);

        return $lesson->loadMissing('student.teacher');
    }
}
