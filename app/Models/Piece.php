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
use Tarnwind\Core\Handout\Preparation;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Pedal\Examiner;
use Tarnwind\Core\Pedal\Moment;
use Tarnwind\Core\Pedal\PedalMark;
use Tarnwind\Core\Pedal\Timeline;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Student\Hands;
use Tarnwind\Core\Touch\GestureMark;
use Tarnwind\Core\Words\BarNote;

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
     */
    public function engraving(): string
    {
        return Cache::remember($this->cacheKey('engraving'), now()->addDays(30), fn (): string => $this->document()->only($this->score()->readParts)->toXml());
    }

    public function score(): Score
    {
        return $this->read()->whole()[0];
    }

    /**
     * The score read and set in time, as a plan has it for a student's hands.
     */
    public function preparation(Plan $plan, Hands $hands = new Hands): Preparation
    {
        [$score, $reading] = $this->readFor($plan);

        return new Preparation($plan->played($score), $reading, $this->texture($plan, $hands));
    }

    /**
     * The score and what it means, as a plan has it.
     *
     * @return array{Score, Reading}
     */
    public function readFor(Plan $plan): array
    {
        [$score, $reading] = $this->read()->whole();
        $marks = $plan->readingMarks();

        return [$score, $marks === [] ? $reading : Cache::remember(
            $this->cacheKey('reading:'.md5(serialize($marks))), now()->addDay(),
            fn (): Reading => $reading->corrected($score, $plan->corrections($score)),
        )];
    }

    /**
     * Some bars of it as a plan has them, with what they need from around, fetched without the rest.
     *
     * @return array{Score, Reading, Bars} with the bars to be answered
     */
    public function readAround(Bars $edited, Plan $plan): array
    {
        $kept = $this->read();
        $frame = $kept->frame();
        $answered = $frame->answered($edited);
        $needed = $frame->needed($answered, $plan);

        return [...$frame->excerpt($needed, $kept->pages($needed), $plan), $answered];
    }

    /**
     * It set in time for the foot, as a plan has it for a student's hands.
     */
    public function texture(Plan $plan, Hands $hands = new Hands): Timeline
    {
        return $this->setInTime($plan, $hands)->whole();
    }

    /**
     * Some of that: what bears on a stretch, widened to the whole of the pedals that touch it.
     */
    public function textureAround(Plan $plan, Hands $hands, Fraction $from, Fraction $to): Timeline
    {
        $kept = $this->setInTime($plan, $hands);
        $frame = $kept->frame();
        $bars = $frame->bearingOn(...Examiner::widened($plan->spans($frame->measures), $from, $to));

        return $frame->with(array_merge(...$kept->pages($bars)));
    }

    /**
     * @return PageStore<Timeline, Timeline, list<Moment>>
     */
    private function setInTime(Plan $plan, Hands $hands): PageStore
    {
        $marks = array_filter($plan->marks, fn (Mark $mark): bool => ! $mark instanceof PedalMark && ! $mark instanceof BarNote && ! $mark instanceof GestureMark);
        $rests = md5(serialize([$plan->tempo, array_values($marks), $plan->fingering, $plan->style, $hands]));

        return new PageStore($this->cacheKey("texture:$rests"), 1, function () use ($plan, $hands): Timeline {
            [$score, $reading] = $this->readFor($plan);

            return Preparation::planned($score, $reading, $plan, $hands)->texture;
        }, fn (Timeline $texture): array => [$texture->with([]), $texture->pages()]);
    }

    /**
     * The score as it stands and what it means: read once and kept.
     *
     * @return PageStore<array{Score, Reading}, Frame, Page>
     */
    private function read(): PageStore
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
    private function cacheKey(string $what): string
    {
        return 'piece:'.hash('xxh128', "$this->part $this->musicxml").":$what";
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['summary' => 'array'];
    }
}
