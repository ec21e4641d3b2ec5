<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\PlanVersion;
use App\Models\StudentCopy;
use Closure;
use Illuminate\Validation\Validator;

/**
 * A plan that is to be kept under a name.
 */
final class PlanVersionRequest extends PlanRequest
{
    public const NAME = ['required', 'string', 'max:120'];

    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return [...parent::rules(), 'name' => self::NAME, 'unless_kept' => ['sometimes', 'boolean']];
    }

    /**
     * @return list<Closure(Validator): void>
     */
    public function after(): array
    {
        return [function (Validator $validator): void {
            /** @var StudentCopy $copy */
            $copy = $this->route('copy');
            if ($copy->versions()->count() >= PlanVersion::MOST) {
                $validator->errors()->add('name', PlanVersion::MOST.' versions are kept of this plan, and no more. Forget one you no longer need.');
            }
        }];
    }
}
