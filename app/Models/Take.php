<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Take\MidiReader;
use Tarnwind\Core\Take\Take as Played;
use Tarnwind\Core\Take\TakeWriter;

/**
 * What a student really played of a copy, with the plan it was played by.
 *
 * @property int $id
 * @property int $student_copy_id
 * @property string $uuid made where it is recorded, so that it comes once however often it is sent
 * @property ?string $name
 * @property ?string $device what it was played on, as that calls itself; null for a file
 * @property string $by "student" or "teacher": who recorded it
 * @property ?string $step id of the step of practice it was recorded for
 * @property string $midi Standard MIDI File, base64
 * @property string $plan JSON, as it was then; see schemas/plan.schema.json
 * @property ?array<string, mixed> $summary what charts and lists tell of it, as it was judged last
 * @property Carbon $created_at
 * @property-read StudentCopy $copy
 */
final class Take extends Model
{
    /** More than are listened to again, and few enough for a list. */
    public const MOST = 200;

    /** What a list needs of it. */
    public const LISTED = ['id', 'student_copy_id', 'uuid', 'name', 'device', 'by', 'step', 'summary', 'created_at'];

    protected $fillable = ['uuid', 'name', 'device', 'by', 'step', 'midi', 'plan', 'summary'];

    /**
     * @return BelongsTo<StudentCopy, $this>
     */
    public function copy(): BelongsTo
    {
        return $this->belongsTo(StudentCopy::class, 'student_copy_id');
    }

    public function played(): Played
    {
        return MidiReader::read($this->file());
    }

    /**
     * It as a Standard MIDI File.
     */
    public function file(): string
    {
        return (string) base64_decode($this->midi, true);
    }

    /**
     * As it is stored: only keys and pedals of what was sent.
     */
    public static function encoded(Played $played, string $title): string
    {
        return base64_encode(TakeWriter::write($played, $title));
    }

    /**
     * The plan it was played by; of one that cannot be read what can be.
     */
    public function planDocument(): Plan
    {
        return Crafts::registry()->plans->salvaged($this->plan);
    }

    /**
     * @return array<string, mixed>
     */
    public function listed(): array
    {
        return [
            'id' => $this->id, 'name' => $this->name, 'device' => $this->device, 'by' => $this->by, 'step' => $this->step,
            'recorded' => (string) $this->created_at->toIso8601String(), 'summary' => $this->summary,
        ];
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['summary' => 'array'];
    }
}
