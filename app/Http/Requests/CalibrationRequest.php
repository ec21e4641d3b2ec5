<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Calibration;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use Tarnwind\Core\Hear\Calibration as Learnt;
use Tarnwind\Core\Hear\UnusableCalibration;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\Take;

/**
 * A minute of playing on an instrument: softly, loudly, and a scale; each a list of keys with their velocities.
 */
final class CalibrationRequest extends FormRequest
{
    use OfCopyOrLink;

    private const PARTS = ['soft', 'loud', 'scale'];

    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        $rules = ['device' => ['required', 'string', 'max:100']];
        foreach (self::PARTS as $part) {
            $rules[$part] = ['required', 'array', 'max:500'];
            $rules["$part.*"] = ['array:0,1', 'size:2'];
            $rules["$part.*.0"] = ['required', 'integer', 'between:0,127'];
            $rules["$part.*.1"] = ['required', 'integer', 'between:1,127'];
        }

        return $rules;
    }

    public function keep(): Calibration
    {
        $learnt = $this->learnt();

        return $this->copy()->student->calibrations()->updateOrCreate(['device' => $this->string('device')->trim()->value()], [
            'softest' => $learnt->softest, 'loudest' => $learnt->loudest, 'uneven' => $learnt->uneven,
        ]);
    }

    /**
     * @throws ValidationException in a teacher's words, if it tells nothing
     */
    private function learnt(): Learnt
    {
        [$soft, $loud, $scale] = array_map($this->take(...), self::PARTS);
        try {
            return Learnt::of($soft, $loud, $scale);
        } catch (UnusableCalibration $error) {
            throw ValidationException::withMessages(['device' => $error->getMessage()]);
        }
    }

    private function take(string $part): Take
    {
        /** @var list<array{int|string, int|string}> $keys */
        $keys = array_values((array) $this->input($part));

        return new Take(array_map(fn (array $key, int $place): PlayedNote => new PlayedNote((int) $key[0], 500.0 * $place, 500.0 * $place + 400, (int) $key[1]), $keys, array_keys($keys)));
    }
}
