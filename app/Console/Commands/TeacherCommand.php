<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Accounts\AccountRules;
use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Validator;

/**
 * Makes a teacher's account from the command line.
 */
final class TeacherCommand extends Command
{
    protected $signature = 'tarnwind:teacher {name} {email}';

    protected $description = "Make a teacher's account; the password is asked for.";

    public function handle(): int
    {
        $password = $this->secret('Password');
        $given = ['name' => $this->argument('name'), 'email' => $this->argument('email'), 'password' => $password, 'password_confirmation' => $this->secret('The same again')];
        $errors = Validator::make($given, ['name' => AccountRules::name(), 'email' => AccountRules::email(), 'password' => AccountRules::password()])->errors();
        if ($errors->isNotEmpty()) {
            $this->error($errors->first());

            return self::FAILURE;
        }
        User::query()->create(['name' => $given['name'], 'email' => $given['email'], 'password' => $password])->forceFill(['email_verified_at' => now()])->save();
        $this->info('She can sign in now.');

        return self::SUCCESS;
    }
}
