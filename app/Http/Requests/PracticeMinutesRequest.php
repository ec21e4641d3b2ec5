<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/**
 * Minutes of practice on the days of a week, from Monday.
 */
final class PracticeMinutesRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return ['minutes' => ['required', 'array', 'size:7', 'list'], 'minutes.*' => ['required', 'integer', 'between:0,240']];
    }

    /**
     * @return list<int>
     */
    public function minutes(): array
    {
        return array_map(intval(...), array_values($this->array('minutes')));
    }
}
