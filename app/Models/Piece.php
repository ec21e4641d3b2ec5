<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\PageStore;
use App\Support\PieceSummary;
use Database\Factories\PieceFactory;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Facades\Cache;
use Tarnwind\Core\Craft\Frame;
use Tarnwind\Core\Craft\Page;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Score;

/**
 * A score in a teacher's library, shared by the copies of all her students.
 *
 * @property int $id
 * @property int $user_id
 * @property string $title
 * @property ?string $part id of the part read; null for the default
 * @property array<string, mixed> $summary what was read, for lists
 * @property int $revision goes up by one with every corrected file
 * @property string $musicxml with the ids that plans refer to
 */
final class Piece extends Model
{
    /** @use HasFactory<PieceFactory> */
    use HasFactory;

    /** Columns for lists, without the score itself. */
    public const LISTED = ['id', 'user_id', 'title', 'part', 'summary', 'revision', 'created_at'];

    protected $attributes = ['revision' => 1];

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

    /**
     * The part that is read, alone, as it is engraved on the desk.
     *
     * @param  ?int  $bars  the first ones only
     */
    public function engraving(?int $bars = null): string
    {
        return Cache::remember($this->cacheKey("engraving:$bars"), now()->addDays(30), function () use ($bars): string {
            $part = $this->document()->only($this->score()->readParts);

            return ($bars === null ? $part : $part->first($bars))->toXml();
        });
    }

    public function score(): Score
    {
        return $this->read()->whole()[0];
    }

    /**
     * The score as it stands and what it means: read once and kept.
     *
     * @return PageStore<array{Score, Reading}, Frame, Page>
     */
    public function read(): PageStore
    {
        return new PageStore($this->cacheKey('read'), 30, function (): array {
            $score = ScoreReader::read($this->document(), $this->part);

            return [$score, Reading::of($score)];
        }, fn (array $whole): array => [Frame::of(...$whole), Frame::pages(...$whole)]);
    }

    /**
     * Puts a corrected file in the place of the earlier one.
     */
    public function replaceWith(Document $document, Score $score): void
    {
        $this->read()->forget();
        $this->revision++;
        $this->fill(['summary' => PieceSummary::of($score), 'musicxml' => $document->toXml()])->save();
    }

    /**
     * What is kept goes by what the file holds: a corrected file, or another database, never meets what was kept before.
     */
    public function cacheKey(string $what): string
    {
        return "piece:{$this->fingerprint()}:$what";
    }

    /**
     * A short name for what the file holds.
     */
    public function fingerprint(): string
    {
        return hash('xxh128', "$this->part $this->musicxml");
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['summary' => 'array'];
    }
}
