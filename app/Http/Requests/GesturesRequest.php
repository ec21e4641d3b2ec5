<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class GesturesRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return [
            'gestures' => ['present', 'array', 'list', 'max:20'],
            'gestures.*' => ['required', 'string', 'max:60', 'distinct'],
        ];
    }

    /**
     * @return array<string, string>
     */
    public function messages(): array
    {
        return [
            'gestures.max' => 'Twenty gestures are the most that fit.',
            'gestures.*.max' => 'A gesture may have up to 60 letters.',
            'gestures.*.distinct' => 'One of the gestures is there twice.',
        ];
    }
}
