<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Tarnwind\Core\Count\Counter;

/**
 * How finely a piece is to be counted, and at which tempo.
 */
final class CountingRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return [
            'subdivision' => ['nullable', 'integer', Rule::in(Counter::SUBDIVISIONS)],
            'tempo' => ['nullable', 'numeric', 'min:10', 'max:400'],
        ];
    }

    public function subdivision(): ?int
    {
        return $this->filled('subdivision') ? $this->integer('subdivision') : null;
    }

    public function tempo(): ?float
    {
        return $this->filled('tempo') ? $this->float('tempo') : null;
    }
}
