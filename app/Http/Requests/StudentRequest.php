<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Tarnwind\Core\Hear\Skill;
use Tarnwind\Core\Sound\Action;
use Tarnwind\Core\Sound\Instrument;
use Tarnwind\Core\Sound\SoftPedal;

final class StudentRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        /** @var ?User $teacher */
        $teacher = $this->user();

        return [
            'name' => ['required', 'string', 'max:60'],
            'instrument' => ['required', Rule::enum(Instrument::class)],
            'piano_id' => ['sometimes', 'nullable', 'integer', Rule::exists('pianos', 'id')->where('user_id', $teacher?->id)],
            'half_pedal' => ['required', 'boolean'],
            'sostenuto' => ['required', 'boolean'],
            'lowest_key' => ['sometimes', 'integer', 'between:21,60'],
            'highest_key' => ['sometimes', 'integer', 'between:72,108'],
            'action' => ['sometimes', Rule::enum(Action::class)],
            'soft_pedal' => ['sometimes', Rule::enum(SoftPedal::class)],
            'foot_comfortable' => ['nullable', 'numeric', 'between:0.15,2'],
            'foot_catches' => ['nullable', 'numeric', 'between:0.06,1'],
            'weak_fingers' => ['sometimes', 'boolean'],
            'skill' => ['sometimes', Rule::enum(Skill::class)],
            'run_rate' => ['nullable', 'numeric', 'between:0.5,30'],
            'repetition_rate' => ['nullable', 'numeric', 'between:0.5,30'],
            'right_comfortable' => ['nullable', 'required_with:right_largest', 'integer', 'between:7,24'],
            'right_largest' => ['nullable', 'integer', 'between:7,24', 'gte:right_comfortable'],
            'left_comfortable' => ['nullable', 'required_with:left_largest', 'integer', 'between:7,24'],
            'left_largest' => ['nullable', 'integer', 'between:7,24', 'gte:left_comfortable'],
        ];
    }

    /**
     * @return array<string, string>
     */
    public function messages(): array
    {
        return [
            'right_comfortable.required_with' => 'Say what the right hand reaches in comfort too.',
            'left_comfortable.required_with' => 'Say what the left hand reaches in comfort too.',
            'right_largest.gte' => 'The right hand reaches at most less than what is comfortable.',
            'left_largest.gte' => 'The left hand reaches at most less than what is comfortable.',
        ];
    }
}
