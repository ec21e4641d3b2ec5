<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Support\StoredScore;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/**
 * Which of a score is to be engraved.
 */
final class EngravingRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return ['bars' => ['nullable', 'integer', Rule::in([StoredScore::FIRST_BARS])]];
    }

    public function bars(): ?int
    {
        return $this->filled('bars') ? $this->integer('bars') : null;
    }
}
