<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Accounts\AccountRules;
use App\Models\User;
use Illuminate\Auth\Events\Registered;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Auth;

/**
 * A teacher who makes her account.
 */
final class NewAccountRequest extends FormRequest
{
    /**
     * @return array<string, list<mixed>>
     */
    public function rules(): array
    {
        return ['name' => AccountRules::name(), 'email' => AccountRules::email(), 'password' => AccountRules::password(), 'timezone' => AccountRules::timezone()];
    }

    /**
     * Makes the account and signs her in.
     */
    public function make(): User
    {
        /** @var array{name: string, email: string, password: string, timezone?: ?string} $given */
        $given = $this->safe(['name', 'email', 'password', 'timezone']);
        $teacher = User::query()->create($given);
        Auth::login($teacher);
        $this->session()->regenerate();
        event(new Registered($teacher));

        return $teacher;
    }
}
