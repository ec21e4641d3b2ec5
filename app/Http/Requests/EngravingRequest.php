<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/**
 * Which of a score is to be engraved.
 */
final class EngravingRequest extends FormRequest
{
    /** How many first bars can be asked for by themselves. */
    private const FIRST_BARS = [24];

    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return ['bars' => ['nullable', 'integer', Rule::in(self::FIRST_BARS)]];
    }

    public function bars(): ?int
    {
        return $this->filled('bars') ? $this->integer('bars') : null;
    }
}
