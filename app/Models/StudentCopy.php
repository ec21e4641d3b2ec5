<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\Kept;
use App\Support\Performances;
use Database\Factories\StudentCopyFactory;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\InvalidPlan;
use Tarnwind\Core\Plan\Plan;

/**
 * One student's copy of a piece, with the plan the teacher made for her.
 *
 * @property int $id
 * @property int $student_id
 * @property int $piece_id
 * @property string $plan JSON, see schemas/plan.schema.json
 * @property ?string $unreadable_plan as it was kept before parts of it could not be read
 * @property int $revision goes up by one with every saved change
 * @property CopyStatus $status
 * @property ?string $goal what it is to be ready for: a concert, an exam
 * @property ?Carbon $goal_on the day of that
 * @property ?array{show?: list<string>, size?: string, paper?: string, landscape?: bool} $handout what of the plan its marked copy shows, and how it is printed
 * @property-read Student $student
 * @property-read Piece $piece
 * @property-read Collection<int, PlanVersion> $versions
 * @property-read Collection<int, PracticeEntry> $practiceEntries
 * @property-read Collection<int, Take> $takes
 */
final class StudentCopy extends Model
{
    /** @use HasFactory<StudentCopyFactory> */
    use HasFactory;

    /** @var ?array{string, ?Plan} the document that was read, and its plan */
    private ?array $read = null;

    /** What the teacher says of how far it is. */
    public const PROGRESS = ['status', 'goal', 'goal_on'];

    protected $attributes = ['status' => 'to-meet'];

    protected $fillable = ['student_id', 'piece_id', 'plan', 'revision', 'handout', ...self::PROGRESS];

    protected static function booted(): void
    {
        self::deleting(fn (self $copy) => (new Kept($copy))->forget());
    }

    /**
     * @return BelongsTo<Student, $this>
     */
    public function student(): BelongsTo
    {
        return $this->belongsTo(Student::class);
    }

    /**
     * @return BelongsTo<Piece, $this>
     */
    public function piece(): BelongsTo
    {
        return $this->belongsTo(Piece::class);
    }

    /**
     * Plans that are kept under a name.
     *
     * @return HasMany<PlanVersion, $this>
     */
    public function versions(): HasMany
    {
        return $this->hasMany(PlanVersion::class);
    }

    /**
     * Links by which it is seen at home.
     *
     * @return HasMany<CopyLink, $this>
     */
    public function links(): HasMany
    {
        return $this->hasMany(CopyLink::class);
    }

    /**
     * What was practised of it.
     *
     * @return HasMany<PracticeEntry, $this>
     */
    public function practiceEntries(): HasMany
    {
        return $this->hasMany(PracticeEntry::class)->orderBy('day')->orderBy('id');
    }

    /**
     * What was really played of it.
     *
     * @return HasMany<Take, $this>
     */
    public function takes(): HasMany
    {
        return $this->hasMany(Take::class)->orderBy('id');
    }

    /**
     * @return array{status: string, goal: ?string, goal_on: ?string} how far it is; the day as 2026-05-31
     */
    public function progress(): array
    {
        return ['status' => $this->status->value, 'goal' => $this->goal, 'goal_on' => $this->goal_on?->toDateString()];
    }

    /**
     * Its plan; of one that cannot be read, as after a step back to an earlier version, what can be.
     */
    public function planDocument(): Plan
    {
        return $this->wholePlan() ?? Crafts::registry()->plans->salvaged($this->plan);
    }

    /**
     * The plan as it was kept before parts of it could not be read; null if all of it can be, and always could.
     */
    public function unreadablePlan(): ?string
    {
        return $this->wholePlan() === null ? $this->plan : $this->unreadable_plan;
    }

    /**
     * Saves a plan in place of that of a revision, unless there is a newer one. A plan that could not be read as a whole
     * stays beside it.
     *
     * @return bool whether it was saved
     */
    public function replacePlan(Plan $plan, int $revision): bool
    {
        return self::query()->whereKey($this->id)->where('revision', $revision)
            ->update(['plan' => $plan->toJson(), 'revision' => $revision + 1, 'unreadable_plan' => $this->unreadablePlan()]) === 1;
    }

    /**
     * Its plan, read once; null if it cannot be read as a whole.
     */
    private function wholePlan(): ?Plan
    {
        if ($this->read === null || $this->read[0] !== $this->plan) {
            try {
                $this->read = [$this->plan, Crafts::registry()->plans->kept($this->plan)];
            } catch (InvalidPlan) {
                $this->read = [$this->plan, null];
            }
        }

        return $this->read[1];
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['status' => CopyStatus::class, 'goal_on' => 'date', 'handout' => 'array'];
    }

    /**
     * Its plan, resolved for its score and student.
     */
    public function performance(): Performance
    {
        return (new Performances($this))->of($this->planDocument());
    }
}
