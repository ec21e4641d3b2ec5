<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class PaletteRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return [
            'words' => ['present', 'array', 'list', 'max:20'],
            'words.*' => ['required', 'string', 'max:60', 'distinct'],
        ];
    }

    /**
     * @return array<string, string>
     */
    public function messages(): array
    {
        return [
            'words.max' => 'Twenty are the most that fit.',
            'words.*.max' => 'Each may have up to 60 letters.',
            'words.*.distinct' => 'One of them is there twice.',
        ];
    }
}
