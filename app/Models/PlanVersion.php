<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Plan\Plan;

/**
 * A copy's plan as it was once, under a name the teacher gave it.
 *
 * @property int $id
 * @property int $student_copy_id
 * @property string $name
 * @property string $plan JSON, see schemas/plan.schema.json
 * @property Carbon $created_at
 * @property-read StudentCopy $copy
 */
final class PlanVersion extends Model
{
    /** More than a piece needs, and few enough for a list. */
    public const MOST = 100;

    protected $fillable = ['name', 'plan'];

    /**
     * @return BelongsTo<StudentCopy, $this>
     */
    public function copy(): BelongsTo
    {
        return $this->belongsTo(StudentCopy::class, 'student_copy_id');
    }

    /**
     * What can be read of it.
     */
    public function planDocument(): Plan
    {
        return Crafts::registry()->plans->salvaged($this->plan);
    }

    /**
     * @return array{id: int, name: string, kept: string}
     */
    public function listed(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'kept' => (string) $this->created_at->toIso8601String()];
    }
}
