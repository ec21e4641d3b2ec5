<?php

declare(strict_types=1);

namespace App\Models;

use Database\Factories\UserFactory;
use Illuminate\Contracts\Auth\MustVerifyEmail;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasManyThrough;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Notifications\Notifiable;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * A teacher.
 *
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property ?Carbon $email_verified_at
 * @property ?string $second_factor secret of her authenticator app; null without one
 * @property ?list<string> $recovery_codes hashes of those that are left
 * @property ?array<string, list<string>> $palettes by palette; without one for what it begins with
 * @property ?string $timezone in which she gives lessons; null for the application's
 * @property ?array<string, float> $limits of what is heard in takes, by kind of measure, where she has them otherwise
 * @property-read Collection<int, Student> $students
 * @property-read Collection<int, Piece> $pieces
 * @property-read Collection<int, Piano> $pianos
 * @property-read Collection<int, Invitation> $invitations
 * @property-read Collection<int, Holiday> $holidays
 */
final class User extends Authenticatable implements MustVerifyEmail
{
    /** @use HasFactory<UserFactory> */
    use HasFactory;

    use Notifiable;

    protected $fillable = ['name', 'email', 'password', 'palettes', 'timezone', 'limits'];

    protected $hidden = ['password', 'remember_token', 'second_factor', 'recovery_codes'];

    /**
     * @return HasMany<Student, $this>
     */
    public function students(): HasMany
    {
        return $this->hasMany(Student::class);
    }

    /**
     * @return HasMany<Piece, $this>
     */
    public function pieces(): HasMany
    {
        return $this->hasMany(Piece::class);
    }

    /**
     * @return HasMany<Piano, $this>
     */
    public function pianos(): HasMany
    {
        return $this->hasMany(Piano::class);
    }

    /**
     * @return HasMany<Holiday, $this>
     */
    public function holidays(): HasMany
    {
        return $this->hasMany(Holiday::class);
    }

    /**
     * Lessons of all her students.
     *
     * @return HasManyThrough<Lesson, Student, $this>
     */
    public function lessons(): HasManyThrough
    {
        return $this->hasManyThrough(Lesson::class, Student::class);
    }

    /**
     * The day it is where she is.
     */
    public function today(): Carbon
    {
        return Carbon::today($this->timezone ?? config()->string('tarnwind.timezone'));
    }

    /**
     * @return HasMany<Invitation, $this>
     */
    public function invitations(): HasMany
    {
        return $this->hasMany(Invitation::class);
    }

    /**
     * Deletes the account with everything in it, and what was worked out of it.
     */
    public function erase(): void
    {
        DB::transaction(function (): void {
            $this->students()->get()->each(fn (Student $student) => $student->delete());
            $this->pieces()->select(Piece::LISTED)->addSelect('musicxml')->get()->each(fn (Piece $piece) => $piece->delete());
            DB::table('password_reset_tokens')->where('email', $this->email)->delete();
            $this->delete();
        });
    }

    /**
     * This teacher's words of a palette.
     *
     * @return list<string>
     */
    public function palette(Palette $palette): array
    {
        return $this->palettes[$palette->value] ?? $palette->beginning();
    }

    /**
     * @return array<string, list<string>> her words by palette
     */
    public function allPalettes(): array
    {
        return array_combine(array_column(Palette::cases(), 'value'), array_map($this->palette(...), Palette::cases()));
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['password' => 'hashed', 'palettes' => 'array', 'limits' => 'array', 'email_verified_at' => 'datetime', 'second_factor' => 'encrypted', 'recovery_codes' => 'array'];
    }
}
