<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Support\StoredScore;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use Tarnwind\Core\Notation\MusicXml\Text;
use Tarnwind\Core\Notation\UnreadableFile;

/**
 * A score file to look at or to keep.
 */
final class ScoreFileRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return [
            'file' => ['required', 'file', 'max:'.intdiv(Text::MOST_BYTES, 1024)],
            'part' => ['nullable', 'string', 'max:100'],
            'title' => ['nullable', 'string', 'max:200'],
        ];
    }

    /**
     * @return array<string, string>
     */
    public function messages(): array
    {
        return [
            'file.max' => 'The file is larger than 20 MB, which is more than any piano piece needs.',
            'file.uploaded' => 'The file did not arrive whole; it may be larger than 20 MB.',
            'file.required' => 'Choose a score file first.',
        ];
    }

    /**
     * @param  ?string  $part  id of the part to read, unless the request names one
     *
     * @throws ValidationException in a teacher's words, if the file cannot be used
     */
    public function stored(?string $part = null): StoredScore
    {
        $file = $this->file('file');
        try {
            return StoredScore::upload($file instanceof UploadedFile ? (string) $file->get() : '', $this->part() ?? $part);
        } catch (UnreadableFile $error) {
            throw ValidationException::withMessages(['file' => $error->getMessage()]);
        }
    }

    public function part(): ?string
    {
        return $this->filled('part') ? $this->string('part')->toString() : null;
    }
}
