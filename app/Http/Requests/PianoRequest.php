<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

final class PianoRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:60'],
            'ring' => ['required', 'numeric', 'between:0.2,2'],
            'dampers' => ['required', 'numeric', 'between:0.2,2'],
            'room' => ['required', 'numeric', 'between:0,6'],
            'soft' => ['required', 'numeric', 'between:0,8'],
            'softest' => ['required', 'numeric', 'between:1,40'],
        ];
    }
}
