<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Feel;
use App\Models\PracticeEntry;
use App\Practice\CopyPractice;
use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/**
 * What was practised, told by the teacher, or by the student from her link.
 */
final class PracticeEntryRequest extends FormRequest
{
    use OfCopyOrLink;

    /** Days back that may be told of. */
    private const BACK = 21;

    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        $today = $this->copy()->student->teacher->today();

        return [
            'uuid' => ['required', 'uuid'],
            'step' => ['required', 'string', 'max:300'],
            // Where the student is it may be tomorrow already.
            'day' => ['required', 'date_format:Y-m-d', 'after_or_equal:'.$today->copy()->subDays(self::BACK)->toDateString(), 'before_or_equal:'.$today->copy()->addDay()->toDateString()],
            'minutes' => ['required', 'integer', 'between:1,240'],
            'tempo' => ['nullable', 'numeric', 'between:10,400'],
            'feel' => ['nullable', Rule::enum(Feel::class)],
            'passed' => ['required', 'boolean'],
            'note' => ['nullable', 'string', 'max:500'],
        ];
    }

    /**
     * @return list<Closure(Validator): void>
     */
    public function after(): array
    {
        return [function (Validator $validator): void {
            if ($validator->errors()->isEmpty() && ! (new CopyPractice($this->copy()))->knows($this->string('step')->value())) {
                $validator->errors()->add('step', 'This step is no longer planned.');
            }
        }];
    }

    /**
     * Keeps it, once however often it is sent.
     */
    public function entry(string $by): PracticeEntry
    {
        /** @var array<string, mixed> $values */
        $values = $this->safe()->except('uuid');

        return $this->copy()->practiceEntries()->updateOrCreate(['uuid' => $this->string('uuid')->lower()->value()], [...$values, 'by' => $by]);
    }
}
