<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/**
 * Gives one of the teacher's pieces to one of her students.
 */
final class CopyRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        $teacher = $this->user()?->getAuthIdentifier();

        return [
            'student_id' => ['required', 'integer', Rule::exists('students', 'id')->where('user_id', $teacher)],
            'piece_id' => ['required', 'integer', Rule::exists('pieces', 'id')->where('user_id', $teacher)],
        ];
    }
}
