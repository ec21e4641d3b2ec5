<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\CopyStatus;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/**
 * How far a student is with a piece, and what it is to be ready for.
 */
final class CopyProgressRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return [
            'status' => ['sometimes', 'required', Rule::enum(CopyStatus::class)],
            'goal' => ['sometimes', 'nullable', 'string', 'max:80'],
            'goal_on' => ['sometimes', 'nullable', 'date_format:Y-m-d', 'after:2000-01-01', 'before:2100-01-01'],
        ];
    }
}
