<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Tarnwind\Core\Hear\Simulation\Fault;
use Tarnwind\Core\Hear\Simulation\FaultKind;
use Tarnwind\Core\Hear\Skill;
use Tarnwind\Core\Score\Bars;

/**
 * How a simulated pianist is to play.
 */
final class SimulationRequest extends FormRequest
{
    use OfCopyOrLink;

    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return [
            'skill' => ['required', Rule::enum(Skill::class)],
            'seed' => ['required', 'integer', 'between:0,1000000'],
            'depth' => ['required', 'boolean'],
            'faults' => ['present', 'array', 'max:15'],
            'faults.*' => ['required', 'distinct', Rule::enum(FaultKind::class)],
            'bars' => ['nullable', 'array:first,last'],
            'bars.first' => ['required_with:bars', 'integer', 'min:0', 'max:100000'],
            'bars.last' => ['required_with:bars', 'integer', 'gte:bars.first', 'max:100000'],
        ];
    }

    /**
     * @return list<Fault>
     */
    public function faults(): array
    {
        $bars = $this->filled('bars') ? new Bars($this->integer('bars.first'), $this->integer('bars.last')) : null;

        return array_values(array_map(fn (mixed $kind): Fault => new Fault(FaultKind::from(is_string($kind) ? $kind : ''), $bars), (array) $this->input('faults')));
    }

    public function skill(): Skill
    {
        return Skill::from($this->string('skill')->value());
    }
}
