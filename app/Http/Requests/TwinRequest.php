<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\ValidationException;
use Tarnwind\Core\Score\Score;

/**
 * A plan document, some of its bars, and the first of those their marks go onto.
 */
final class TwinRequest extends PlanRequest
{
    public function rules(): array
    {
        return [...parent::rules(), 'bars' => ['required', 'array:first,last'], 'to' => ['required', 'integer', 'min:0', 'max:100000']];
    }

    /**
     * @throws ValidationException if the piece has no such bars, or they overlap
     */
    public function onto(Score $score): int
    {
        $bars = $this->bars();
        $to = $this->integer('to');
        if (max($bars->last, $to + $bars->count() - 1) >= count($score->measures) || abs($to - $bars->first) < $bars->count()) {
            throw ValidationException::withMessages(['to' => 'The piece has no such bars, or they overlap.']);
        }

        return $to;
    }
}
