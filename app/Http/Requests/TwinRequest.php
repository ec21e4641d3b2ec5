<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Validation\ValidationException;
use Tarnwind\Core\Score\Bars;
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

    public function bars(): Bars
    {
        return new Bars($this->integer('bars.first'), $this->integer('bars.last'));
    }

    /**
     * @throws ValidationException if the piece has no such bars, or they overlap
     */
    public function onto(Score $score): int
    {
        $bars = $this->bars();
        $to = $this->integer('to');
        $length = $bars->last - $bars->first + 1;
        if (max($bars->last, $to + $length - 1) >= count($score->measures) || abs($to - $bars->first) < $length) {
            throw ValidationException::withMessages(['to' => 'The piece has no such bars, or they overlap.']);
        }

        return $to;
    }
}
