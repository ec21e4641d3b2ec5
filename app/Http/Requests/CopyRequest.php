<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/**
 * Gives one of the teacher's pieces to one of her students, perhaps with the plan another student has.
 */
final class CopyRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        /** @var User $teacher */
        $teacher = $this->user();

        return [
            'student_id' => ['required', 'integer', Rule::exists('students', 'id')->where('user_id', $teacher->id)],
            'piece_id' => ['required', 'integer', Rule::exists('pieces', 'id')->where('user_id', $teacher->id)],
            'plan_of' => ['nullable', 'integer', Rule::exists('student_copies', 'id')->where('piece_id', $this->integer('piece_id'))->using(
                fn (Builder $copies) => $copies->whereIn('student_id', $teacher->students()->select('id')),
            )],
        ];
    }
}
