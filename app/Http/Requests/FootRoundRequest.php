<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Tarnwind\Core\Hear\FootCurve;
use Tarnwind\Core\Hear\Trainer\Exercise;
use Tarnwind\Core\Hear\Trainer\ExerciseKind;
use Tarnwind\Core\Hear\Trainer\HardChanges;
use Tarnwind\Core\Performance\Performance;

/**
 * A round of an exercise for the foot: which, and, once it was played, how the foot moved.
 */
final class FootRoundRequest extends FormRequest
{
    use OfCopyOrLink;

    /** Moves of a foot in a round. */
    private const MOST = 6000;

    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return [
            'kind' => ['required', Rule::enum(ExerciseKind::class)],
            'tempo' => ['required', 'numeric', 'between:10,400'],
            'tolerance' => ['required', 'numeric', 'between:20,500'],
            'first' => ['nullable', 'integer', 'between:0,100000'],
            'uuid' => [Rule::requiredIf($this->isMethod('post')), 'uuid'],
            'own' => ['sometimes', 'boolean'],
            'struck' => ['nullable', 'array', 'max:200'],
            'struck.*' => ['numeric', 'between:0,600000'],
            'moves' => [Rule::requiredIf($this->isMethod('post')), 'array', 'max:'.self::MOST],
            'moves.*' => ['array:0,1', 'size:2'],
            'moves.*.0' => ['required', 'numeric', 'between:-60000,600000'],
            'moves.*.1' => ['required', 'numeric', 'between:0,1'],
        ];
    }

    /**
     * @param  ?Performance  $performance  of the piece it is made from; null for one that needs none
     */
    public function exercise(?Performance $performance): Exercise
    {
        $tolerance = $this->float('tolerance');
        if ($this->boolean('own')) {
            // Before anything is struck the windows of a first and of another chord are told.
            $struck = array_map(fn (mixed $ms): float => is_numeric($ms) ? (float) $ms : 0.0, array_values((array) $this->input('struck', [0, 1000])));
            sort($struck);

            return Exercise::ofOwnChords($struck, $this->float('tempo'), $tolerance);
        }
        if ($performance === null || ! $this->filled('first')) {
            return Exercise::of(ExerciseKind::from($this->string('kind')->value()), $this->float('tempo'), $tolerance);
        }

        return HardChanges::exercise($performance, $this->integer('first'), max(0.2, min(1.2, $this->float('tempo') / $performance->tempo()->quartersPerMinute())), $tolerance);
    }

    public function foot(Exercise $exercise): FootCurve
    {
        /** @var list<array{float|int|string, float|int|string}> $moves */
        $moves = array_values((array) $this->input('moves'));

        return new FootCurve(array_map(fn (array $move): array => [(float) $move[0], (float) $move[1]], $moves), $exercise->lasts);
    }
}
