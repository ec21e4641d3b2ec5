<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Piano as AdjustedPiano;
use App\Support\Kept;
use Database\Factories\StudentFactory;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Tarnwind\Core\Hear\Skill;
use Tarnwind\Core\Practice\Week;
use Tarnwind\Core\Sound\Action;
use Tarnwind\Core\Sound\Instrument;
use Tarnwind\Core\Sound\Piano;
use Tarnwind\Core\Sound\SoftPedal;
use Tarnwind\Core\Student\Footwork;
use Tarnwind\Core\Student\Hands;
use Tarnwind\Core\Student\Rates;
use Tarnwind\Core\Student\Reach;
use Tarnwind\Core\Student\Student as Profile;

/**
 * A student: a name to call her by, the instrument she practises on, and what her hands can do, nothing more.
 *
 * @property int $id
 * @property int $user_id
 * @property string $name
 * @property Instrument $instrument
 * @property bool $half_pedal whether the pedal knows more than on and off
 * @property bool $sostenuto whether the middle pedal keeps single notes
 * @property int $lowest_key MIDI number of the piano's lowest key
 * @property int $highest_key
 * @property Action $action
 * @property SoftPedal $soft_pedal
 * @property ?int $piano_id
 * @property ?float $foot_comfortable seconds from one change of the pedal to the next; null for what is usual
 * @property ?float $foot_catches seconds in which she catches what is struck; null for what is usual
 * @property-read ?AdjustedPiano $adjusted
 * @property bool $weak_fingers whether fourth and fifth finger are still weak
 * @property ?float $run_rate notes a second she plays evenly in a run; null if not measured
 * @property ?float $repetition_rate strokes of one key a second; null if not measured
 * @property ?int $right_comfortable semitones between thumb and little finger; null if not measured
 * @property ?int $right_largest
 * @property ?int $left_comfortable
 * @property ?int $left_largest
 * @property ?list<int> $practice_minutes she has on the days of a week, from Monday; null for what is usual
 * @property-read User $teacher
 * @property Skill $skill how much is asked of her when she is heard
 * @property-read Collection<int, StudentCopy> $copies
 * @property-read Collection<int, Lesson> $lessons
 * @property-read Collection<int, WeeklyTime> $weeklyTimes
 */
final class Student extends Model
{
    /** @use HasFactory<StudentFactory> */
    use HasFactory;

    /** How wide the hands open, in semitones. */
    public const REACHES = ['right_comfortable', 'right_largest', 'left_comfortable', 'left_largest'];

    /** Minutes of practice on the days of a week, from Monday, where nothing is said: six days, one of rest [start]. */
    public const MINUTES = [20, 20, 20, 20, 20, 20, 0];

    /** What a form shows and changes. */
    public const DETAILS = [
        'name', 'instrument', 'half_pedal', 'sostenuto', 'lowest_key', 'highest_key', 'action', 'soft_pedal', 'piano_id', 'foot_comfortable', 'foot_catches',
        'run_rate', 'repetition_rate', 'weak_fingers', 'skill', ...self::REACHES,
    ];

    protected $fillable = [...self::DETAILS, 'practice_minutes'];

    protected $attributes = ['lowest_key' => Piano::LOWEST_KEY, 'highest_key' => Piano::HIGHEST_KEY, 'action' => 'medium', 'soft_pedal' => 'works', 'weak_fingers' => false, 'skill' => 'intermediate'];

    protected static function booted(): void
    {
        self::deleting(fn (self $student) => $student->copies()->get(['id'])->each(fn (StudentCopy $copy) => (new Kept($copy))->forget()));
    }

    /**
     * @return BelongsTo<User, $this>
     */
    public function teacher(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    /**
     * @return HasMany<StudentCopy, $this>
     */
    public function copies(): HasMany
    {
        return $this->hasMany(StudentCopy::class)->chaperone();
    }

    /**
     * @return HasMany<Lesson, $this>
     */
    public function lessons(): HasMany
    {
        return $this->hasMany(Lesson::class);
    }

    /**
     * @return HasMany<WeeklyTime, $this>
     */
    public function weeklyTimes(): HasMany
    {
        return $this->hasMany(WeeklyTime::class);
    }

    /**
     * Instruments she has played on, as they tell velocities.
     *
     * @return HasMany<Calibration, $this>
     */
    public function calibrations(): HasMany
    {
        return $this->hasMany(Calibration::class)->orderBy('id');
    }

    /**
     * @return HasMany<FootRound, $this>
     */
    public function footRounds(): HasMany
    {
        return $this->hasMany(FootRound::class)->orderBy('id');
    }

    public function week(): Week
    {
        return new Week($this->practice_minutes ?? self::MINUTES);
    }

    /**
     * The instrument as the teacher has adjusted it; none for as its kind is.
     *
     * @return BelongsTo<AdjustedPiano, $this>
     */
    public function adjusted(): BelongsTo
    {
        return $this->belongsTo(AdjustedPiano::class, 'piano_id');
    }

    public function instrumentLabel(): string
    {
        return $this->adjusted->name ?? $this->instrument->label();
    }

    public function rates(): Rates
    {
        return new Rates($this->run_rate, $this->repetition_rate);
    }

    public function hands(): Hands
    {
        $reach = fn (?int $comfortable, ?int $largest): Reach => new Reach(
            $comfortable ?? min(Reach::PUBLISHED_COMFORTABLE, $largest ?? Reach::PUBLISHED_COMFORTABLE), $largest ?? max(Reach::PUBLISHED_LARGEST, $comfortable ?? 0),
        );

        return new Hands($reach($this->right_comfortable, $this->right_largest), $reach($this->left_comfortable, $this->left_largest), $this->weak_fingers);
    }

    public function piano(): Piano
    {
        return new Piano($this->instrument, $this->lowest_key, $this->highest_key, $this->action, $this->soft_pedal, $this->adjusted?->profile());
    }

    public function foot(): Footwork
    {
        return new Footwork($this->foot_comfortable ?? Footwork::COMFORTABLE, $this->foot_catches ?? Footwork::CATCHES);
    }

    /**
     * What hands, foot and piano can do, as the crafts ask for it.
     */
    public function profile(): Profile
    {
        return new Profile($this->hands(), $this->rates(), $this->piano(), $this->half_pedal, $this->sostenuto, $this->foot());
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return [
            'instrument' => Instrument::class, 'half_pedal' => 'boolean', 'sostenuto' => 'boolean', 'action' => Action::class, 'soft_pedal' => SoftPedal::class,
            'weak_fingers' => 'boolean', 'run_rate' => 'float', 'repetition_rate' => 'float', 'foot_comfortable' => 'float', 'foot_catches' => 'float', 'practice_minutes' => 'array', 'skill' => Skill::class,
        ];
    }
}
