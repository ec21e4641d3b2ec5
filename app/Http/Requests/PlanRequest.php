<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use stdClass;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Plan\InvalidPlan;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Score;

/**
 * A plan document, with what is to be done with it.
 */
class PlanRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return [
            'plan' => ['required', 'array'],
            'revision' => ['sometimes', 'integer', 'min:1'],
            'bars' => ['nullable', 'array:first,last'],
            'bars.first' => ['required_with:bars', 'integer', 'min:0', 'max:100000'],
            'bars.last' => ['required_with:bars', 'integer', 'gte:bars.first', 'max:100000'],
            'asked' => ['sometimes', 'array', 'max:8'],
            'asked.*' => ['nullable', 'max:100'],
        ];
    }

    /**
     * The document as it was sent: the usual trimming of input would change the teacher's words.
     *
     * @throws ValidationException if the document does not match its schema
     */
    public function plan(): Plan
    {
        return self::orRefused($this->document(...));
    }

    /**
     * The plan, if it can be played from a score.
     *
     * @param  Closure(): Score  $written
     *
     * @throws ValidationException
     */
    public function planFor(Closure $written): Plan
    {
        return self::orRefused(function () use ($written): Plan {
            $plan = $this->document();
            Crafts::registry()->check($plan, $written);

            return $plan;
        });
    }

    /**
     * What is asked beside the plan.
     */
    public function asked(): Asked
    {
        $more = array_filter((array) $this->input('asked', []), fn (mixed $value, int|string $name): bool => is_string($name) && (is_string($value) || is_int($value)), ARRAY_FILTER_USE_BOTH);

        return new Asked($this->filled('bars') ? $this->bars() : null, $more);
    }

    /**
     * The bars that are asked for, where there are any.
     */
    public function bars(): Bars
    {
        return new Bars($this->integer('bars.first'), $this->integer('bars.last'));
    }

    /**
     * @throws InvalidPlan
     */
    private function document(): Plan
    {
        $body = json_decode((string) $this->getContent());

        return Crafts::registry()->plans->checked($body instanceof stdClass ? $body->plan ?? null : null);
    }

    /**
     * @param  Closure(): Plan  $read
     *
     * @throws ValidationException
     */
    private static function orRefused(Closure $read): Plan
    {
        try {
            return $read();
        } catch (InvalidPlan $error) {
            throw ValidationException::withMessages(['plan' => $error->getMessage()]);
        }
    }
}
