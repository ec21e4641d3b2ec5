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
 * @property ?array<string, list<string>> $palettes by palette; without one for what it begins with
 * @property-read Collection<int, Student> $students
 * @property-read Collection<int, Piece> $pieces
 * @property-read Collection<int, Piano> $pianos
 */
final class User extends Authenticatable
{
    /** @use HasFactory<UserFactory> */
    use HasFactory;

    protected $fillable = ['name', 'email', 'password', 'palettes'];

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
     * @return HasMany<Piano, $this>
     */
    public function pianos(): HasMany
    {
        return $this->hasMany(Piano::class);
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
        return ['password' => 'hashed', 'palettes' => 'array'];
    }
}
