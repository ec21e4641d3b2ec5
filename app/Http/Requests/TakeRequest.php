<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Take;
use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use Illuminate\Validation\Validator;
use Tarnwind\Core\Take\MidiReader;
use Tarnwind\Core\Take\Take as Played;
use Tarnwind\Core\Take\UnreadableTake;

/**
 * What was played, as a Standard MIDI File: dropped, or recorded in the browser.
 */
final class TakeRequest extends FormRequest
{
    use OfCopyOrLink;

    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return [
            'file' => ['required', 'file', 'max:'.intdiv(MidiReader::MOST_BYTES, 1024)],
            'uuid' => ['required', 'uuid'],
            'name' => ['nullable', 'string', 'max:80'],
            'device' => ['nullable', 'string', 'max:100'],
            'step' => ['nullable', 'string', 'max:300'],
        ];
    }

    /**
     * @return array<string, string>
     */
    public function messages(): array
    {
        return ['file.max' => 'This file is larger than a recording of a piece can be.', 'file.uploaded' => 'The file did not arrive whole.', 'file.required' => 'Choose a MIDI file first.'];
    }

    /**
     * @return list<Closure(Validator): void>
     */
    public function after(): array
    {
        return [function (Validator $validator): void {
            if ($validator->errors()->has('uuid')) {
                return;
            }
            $isNew = ! $this->copy()->takes()->where('uuid', $this->string('uuid')->lower()->value())->exists();
            if ($isNew && $this->copy()->takes()->count() >= Take::MOST) {
                $validator->errors()->add('file', Take::MOST.' takes of this piece are kept; delete some that are not needed any more.');
            }
        }];
    }

    /**
     * @throws ValidationException in a teacher's words, if it cannot be used
     */
    public function played(): Played
    {
        $file = $this->file('file');
        try {
            return MidiReader::read($file instanceof UploadedFile ? (string) $file->get() : '');
        } catch (UnreadableTake $error) {
            throw ValidationException::withMessages(['file' => $error->getMessage()]);
        }
    }

    /**
     * @return array{uuid: string, name: ?string, device: ?string, step: ?string}
     */
    public function details(): array
    {
        $text = fn (string $name): ?string => $this->filled($name) ? $this->string($name)->trim()->value() : null;

        return ['uuid' => $this->string('uuid')->lower()->value(), 'name' => $text('name'), 'device' => $text('device'), 'step' => $text('step')];
    }
}
