<?php

declare(strict_types=1);

namespace App\Models;

use Database\Factories\UserFactory;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * A teacher.
 *
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property ?list<string> $gestures null for those a palette begins with
 * @property-read Collection<int, Student> $students
 * @property-read Collection<int, Piece> $pieces
 */
final class User extends Authenticatable
{
    /** @use HasFactory<UserFactory> */
    use HasFactory;

    /** What a palette begins with [trade]. */
    private const GESTURES = ['wrist rises', 'drop and roll', 'forearm turns', 'fingers stay close', 'hand moves early', 'breathe', 'arm weight'];

    protected $fillable = ['name', 'email', 'password', 'gestures'];

    protected $hidden = ['password', 'remember_token'];

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
     * How this teacher calls what hand and arm do.
     *
     * @return list<string>
     */
    public function gesturePalette(): array
    {
        return $this->gestures ?? self::GESTURES;
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['password' => 'hashed', 'gestures' => 'array'];
    }
}
