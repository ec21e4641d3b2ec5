<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\Cache;
use Tarnwind\Core\Craft\Frame;
use Tarnwind\Core\Craft\Page;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\ScoreReader;
use Tarnwind\Core\Notation\MusicXml\Text;
use Tarnwind\Core\Notation\UnreadableFile;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Score;

/**
 * A score in the form in which it is stored, with what is worked out of it. A file is read and analysed once: what a
 * preview has found is there when the piece is kept, and when its desk is opened.
 */
final readonly class StoredScore
{
    /** Days for which what is worked out is kept. */
    private const DAYS = 30;

    /** Minutes for which an upload is remembered, until it is kept. */
    private const UPLOAD_MINUTES = 60;

    /** So many bars can be engraved by themselves, so that they are soon seen. */
    public const FIRST_BARS = 24;

    /**
     * @param  string  $musicxml  with the ids that plans refer to
     * @param  ?string  $part  id of the part read; null for the default
     */
    public function __construct(
        public string $musicxml,
        public ?string $part,
    ) {
    }

    /**
     * @param  string  $bytes  of a file as it was uploaded
     *
     * @throws UnreadableFile in a teacher's words
     */
    public static function upload(string $bytes, ?string $part): self
    {
        $key = 'upload:'.hash('xxh128', "$part $bytes");
        /** @var ?string $known */
        $known = Cache::get($key);
        if ($known !== null) {
            return new self($known, $part);
        }
        $document = Document::open($bytes);
        $score = ScoreReader::read($document, $part);
        $stored = new self($document->toXml(), $part);
        Text::checkStored($stored->musicxml);
        $stored->read()->take([$score, Reading::of($score)]);
        $stored->keepEngraving($document->only($score->readParts));
        Cache::put($key, $stored->musicxml, now()->addMinutes(self::UPLOAD_MINUTES));

        return $stored;
    }

    /**
     * The score as it stands and what it means: read once and kept.
     *
     * @return PageStore<array{Score, Reading}, Frame, Page>
     */
    public function read(): PageStore
    {
        return new PageStore($this->key('read'), self::DAYS, function (): array {
            $score = ScoreReader::read($this->document(), $this->part);

            return [$score, Reading::of($score)];
        }, fn (array $whole): array => [Frame::of(...$whole), Frame::pages(...$whole)]);
    }

    public function score(): Score
    {
        return $this->read()->whole()[0];
    }

    public function document(): Document
    {
        return Document::open($this->musicxml);
    }

    /**
     * The part that is read, alone, as it is engraved on the desk.
     *
     * @param  bool  $isFirst  its first bars only
     */
    public function engraving(bool $isFirst = false): string
    {
        /** @var ?string $kept */
        $kept = Cache::get($this->key($isFirst ? 'engraving-first' : 'engraving'));

        return $kept ?? $this->keepEngraving($this->document()->only($this->score()->readParts))[$isFirst ? 1 : 0];
    }

    /**
     * @return array{title: string, parts: list<array{id: string, name: string, staves: int}>, part: string, bars: int, notes: int, key: string, metres: list<string>, tempo: int, seconds: int, warnings: list<string>}
     */
    public function summary(): array
    {
        return Cache::remember($this->key('summary'), now()->addDays(self::DAYS), fn (): array => PieceSummary::of(...$this->read()->whole()));
    }

    /**
     * Forgets all that was worked out of it. Another piece with the same file has it worked out again.
     */
    public function forget(): void
    {
        PageStore::forget($this->key('read'));
        foreach (['engraving', 'engraving-first', 'summary'] as $what) {
            Cache::forget($this->key($what));
        }
    }

    /**
     * What is kept goes by what the file holds: a corrected file, or another database, never meets what was kept before.
     */
    public function key(string $what): string
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
     * @return array{string, string} all of it, and its first bars
     */
    private function keepEngraving(Document $part): array
    {
        $engraving = [$part->toXml(), $part->first(self::FIRST_BARS)->toXml()];
        Cache::put($this->key('engraving'), $engraving[0], now()->addDays(self::DAYS));
        Cache::put($this->key('engraving-first'), $engraving[1], now()->addDays(self::DAYS));

        return $engraving;
    }
}
