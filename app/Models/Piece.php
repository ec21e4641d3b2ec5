<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\Kept;
use App\Support\StoredScore;
use Database\Factories\PieceFactory;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Tarnwind\Core\Score\Score;

/**
 * A score in a teacher's library, shared by the copies of all her students.
 *
 * @property int $id
 * @property int $user_id
 * @property string $title
 * @property ?string $part id of the part read; null for the default
 * @property array<string, mixed> $summary what was read, for lists
 * @property ?list<string> $tags the teacher's
 * @property int $revision goes up by one with every corrected file
 * @property string $musicxml with the ids that plans refer to
 */
final class Piece extends Model
{
    /** @use HasFactory<PieceFactory> */
    use HasFactory;

    /** Columns for lists, without the score itself. */
    public const LISTED = ['id', 'user_id', 'title', 'part', 'summary', 'tags', 'revision', 'created_at'];

    protected $attributes = ['revision' => 1];

    protected $fillable = ['title', 'part', 'summary', 'tags', 'musicxml'];

    protected $hidden = ['musicxml'];

    protected static function booted(): void
    {
        self::deleting(fn (self $piece) => $piece->forgetWork());
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
     * Its file, with what is worked out of it.
     */
    public function stored(): StoredScore
    {
        return new StoredScore($this->musicxml, $this->part);
    }

    /**
     * Forgets what was worked out of its file and the plans made on it.
     */
    public function forgetWork(): void
    {
        $this->stored()->forget();
        $this->copies()->get(['id'])->each(fn (StudentCopy $copy) => (new Kept($copy))->forget());
    }

    public function score(): Score
    {
        return $this->stored()->score();
    }

    /**
     * Puts a corrected file in the place of the earlier one.
     */
    public function replaceWith(StoredScore $corrected): void
    {
        $this->forgetWork();
        $this->revision++;
        $this->fill(['summary' => $corrected->summary(), 'musicxml' => $corrected->musicxml])->save();
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['summary' => 'array', 'tags' => 'array'];
    }
}
