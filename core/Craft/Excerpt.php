<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

/**
 * What an edit in some bars is answered from, so that it is answered quickly however long the piece is.
 */
final readonly class Excerpt
{
    /**
     * @param  int  $answered  so many bars on each side of the edit are answered with it
     * @param  int  $around  so many more are looked at, so that what is answered does not feel where the excerpt ends
     * @param  bool  $isExact  whether it says what an answer about the whole would; else that is asked for when the teacher pauses
     * @param  ?class-string<Paged>  $part  what it is answered from, in place of the notes of those bars
     */
    private function __construct(
        public int $answered,
        public int $around,
        public bool $isExact,
        public ?string $part,
    ) {
    }

    /**
     * The notes of some bars, with all slurs over them.
     */
    public static function ofBars(int $answered, int $around): self
    {
        return new self($answered, $around, false, null);
    }

    /**
     * Some pages of what has been worked out of the whole piece.
     *
     * @param  class-string<Paged>  $part
     */
    public static function ofPart(string $part): self
    {
        return new self(0, 0, true, $part);
    }
}
