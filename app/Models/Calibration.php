<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Tarnwind\Core\Hear\Calibration as Learnt;

/**
 * How an instrument of a student tells velocities.
 *
 * @property int $id
 * @property int $student_id
 * @property string $device as it calls itself
 * @property float $softest MIDI velocity
 * @property float $loudest MIDI velocity
 * @property array<int, float> $uneven by key
 */
final class Calibration extends Model
{
    public const DETAILS = ['device', 'softest', 'loudest', 'uneven'];

    protected $fillable = self::DETAILS;

    /**
     * @return BelongsTo<Student, $this>
     */
    public function student(): BelongsTo
    {
        return $this->belongsTo(Student::class);
    }

    public function learnt(): Learnt
    {
        return new Learnt($this->softest, $this->loudest, $this->uneven);
    }

    /**
     * @return array{device: string, softest: float, loudest: float}
     */
    public function listed(): array
    {
        return ['device' => $this->device, 'softest' => $this->softest, 'loudest' => $this->loudest];
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['softest' => 'float', 'loudest' => 'float', 'uneven' => 'array'];
    }
}
