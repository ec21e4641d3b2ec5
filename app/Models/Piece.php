<?php

declare(strict_types=1);

namespace App\Models;

use Database\Factories\PieceFactory;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Facades\Cache;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Pedal\Texture;
use Tarnwind\Core\Preparation\Preparation;
use Tarnwind\Core\Score\Score;

/**
 * A score in a teacher's library, shared by the copies of all her students.
 *
 * @property int $id
 * @property int $user_id
 * @property string $title
 * @property ?string $part id of the part read; null for the default
 * @property array<string, mixed> $summary what was read, for lists
 * @property string $musicxml with the ids that plans refer to
 */
final class Piece extends Model
{
    /** @use HasFactory<PieceFactory> */
    use HasFactory;

    /** Columns for lists, without the score itself. */
    public const LISTED = ['id', 'user_id', 'title', 'part', 'summary', 'created_at'];

    protected $fillable = ['title', 'part', 'summary', 'musicxml'];

    protected $hidden = ['musicxml'];

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
        return $this->hasMany(StudentCopy::class);
    }

    public function document(): Document
    {
        return Document::open($this->musicxml);
    }

    public function score(): Score
    {
        return ScoreReader::read($this->document(), $this->part);
    }

    /**
     * The score read and set in time. It is read once and kept.
     *
     * @param  ?float  $tempo  quarters a minute
     */
    public function preparation(?float $tempo): Preparation
    {
        $own = Cache::rememberForever("preparation:$this->id", fn (): Preparation => Preparation::of($this->score()));

        return $tempo === null ? $own : Preparation::of($own->score, $tempo, $own->reading);
    }

    /**
     * The part of it that a single edit needs; kept by itself for a day, since it is quicker to fetch.
     */
    public function texture(?float $tempo): Texture
    {
        return Cache::remember("texture:$this->id:$tempo", now()->addDay(), fn (): Texture => $this->preparation($tempo)->texture);
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['summary' => 'array'];
    }
}
