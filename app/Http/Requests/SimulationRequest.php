<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Tarnwind\Core\Hear\Simulation\Fault;
use Tarnwind\Core\Hear\Simulation\FaultKind;
use Tarnwind\Core\Hear\Simulation\Pianist;
use Tarnwind\Core\Hear\Skill;
use Tarnwind\Core\Reading\Hand;
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
            'hand' => ['nullable', Rule::enum(Hand::class)],
            ...self::stretch('bars'), ...self::stretch('passage'),
        ];
    }

    public function pianist(): Pianist
    {
        $where = $this->bars('bars');
        $faults = array_map(fn (mixed $kind): Fault => new Fault(FaultKind::from(is_string($kind) ? $kind : ''), $where), array_values((array) $this->input('faults')));

        return new Pianist($faults, Skill::from($this->string('skill')->value()), $this->integer('seed'), $this->boolean('depth'), $this->bars('passage'), $this->enum('hand', Hand::class));
    }

    /**
     * @return array<string, list<mixed>>
     */
    private static function stretch(string $name): array
    {
        return [
            $name => ['nullable', 'array:first,last'], "$name.first" => ["required_with:$name", 'integer', 'min:0', 'max:100000'], "$name.last" => ["required_with:$name", 'integer', "gte:$name.first", 'max:100000'],
        ];
    }

    private function bars(string $name): ?Bars
    {
        return $this->filled($name) ? new Bars($this->integer("$name.first"), $this->integer("$name.last")) : null;
    }
}
