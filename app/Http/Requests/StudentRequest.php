<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Tarnwind\Core\Sound\Instrument;

final class StudentRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:60'],
            'instrument' => ['required', Rule::enum(Instrument::class)],
            'half_pedal' => ['required', 'boolean'],
            'sostenuto' => ['required', 'boolean'],
            'run_rate' => ['nullable', 'numeric', 'between:0.5,30'],
            'repetition_rate' => ['nullable', 'numeric', 'between:0.5,30'],
            'right_comfortable' => ['nullable', 'integer', 'between:7,24'],
            'right_largest' => ['nullable', 'integer', 'between:7,24', 'gte:right_comfortable'],
            'left_comfortable' => ['nullable', 'integer', 'between:7,24'],
            'left_largest' => ['nullable', 'integer', 'between:7,24', 'gte:left_comfortable'],
        ];
    }
}
