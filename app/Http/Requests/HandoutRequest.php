<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Support\Handout;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/**
 * What a marked copy shows.
 */
final class HandoutRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return ['show' => ['present', 'array', 'list', 'max:30'], 'show.*' => ['string', 'distinct', Rule::in(Handout::all())], 'size' => ['required', Rule::in(Handout::SIZES)], 'paper' => ['sometimes', Rule::in(Handout::PAPERS)], 'landscape' => ['sometimes', 'boolean']];
    }
}
