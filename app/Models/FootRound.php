<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A round of training the foot.
 *
 * @property int $id
 * @property int $student_id
 * @property string $uuid made where it is played, so that it comes once however often it is sent
 * @property string $exercise its kind
 * @property ?string $place bars of a piece it was made from
 * @property Carbon $day
 * @property float $tempo beats a minute
 * @property float $tolerance ms
 * @property float $share of what was asked that was met
 * @property ?float $lag ms
 * @property float $gap ms
 * @property float $smear ms
 * @property string $by "student" or "teacher"
 */
final class FootRound extends Model
{
    public const DETAILS = ['uuid', 'exercise', 'place', 'day', 'tempo', 'tolerance', 'share', 'lag', 'gap', 'smear', 'by'];

    protected $fillable = self::DETAILS;

    /**
     * @return BelongsTo<Student, $this>
     */
    public function student(): BelongsTo
    {
        return $this->belongsTo(Student::class);
    }

    /**
     * @return array<string, mixed>
     */
    public function listed(): array
    {
        return ['exercise' => $this->exercise, 'place' => $this->place, 'day' => $this->day->toDateString(), ...$this->only(['tempo', 'tolerance', 'share', 'lag', 'gap', 'smear', 'by'])];
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['day' => 'date', 'tempo' => 'float', 'tolerance' => 'float', 'share' => 'float', 'lag' => 'float', 'gap' => 'float', 'smear' => 'float'];
    }
}
