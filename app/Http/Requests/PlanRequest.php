<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use stdClass;
use Tarnwind\Core\Plan\InvalidPlan;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;

/**
 * A plan document, with what is to be done with it.
 */
final class PlanRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return [
            'plan' => ['required', 'array'],
            'revision' => ['sometimes', 'integer', 'min:1'],
            'note' => ['sometimes', 'string', 'max:100'],
            'bars' => ['nullable', 'array:first,last'],
            'bars.first' => ['required_with:bars', 'integer', 'min:0', 'max:100000'],
            'bars.last' => ['required_with:bars', 'integer', 'gte:bars.first', 'max:100000'],
            'from' => ['nullable', 'regex:#^\d{1,9}(/[1-9]\d{0,8})?$#'],
            'to' => ['nullable', 'regex:#^\d{1,9}(/[1-9]\d{0,8})?$#'],
        ];
    }

    /**
     * The document as it was sent: the usual trimming of input would change the teacher's words.
     *
     * @throws ValidationException if the document does not match its schema
     */
    public function plan(): Plan
    {
        $body = json_decode((string) $this->getContent());
        $plan = $body instanceof stdClass ? ($body->plan ?? null) : null;
        try {
            return Plan::fromJson(json_encode($plan, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
        } catch (InvalidPlan $error) {
            throw ValidationException::withMessages(['plan' => $error->getMessage()]);
        }
    }

    /**
     * The bars that were edited, by index; null for all.
     */
    public function bars(): ?Bars
    {
        return $this->filled('bars') ? new Bars($this->integer('bars.first'), $this->integer('bars.last')) : null;
    }

    public function place(string $name): ?Fraction
    {
        return $this->filled($name) ? Fraction::parse($this->string($name)->toString()) : null;
    }
}
