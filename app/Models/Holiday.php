<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Tarnwind\Core\Calendar\Day;
use Tarnwind\Core\Calendar\Holiday as Days;

/**
 * Days on which a teacher gives no lessons.
 *
 * @property int $id
 * @property int $user_id
 * @property string $name
 * @property Carbon $first
 * @property Carbon $last
 */
final class Holiday extends Model
{
    public const DETAILS = ['name', 'first', 'last'];

    protected $fillable = self::DETAILS;

    /**
     * @return BelongsTo<User, $this>
     */
    public function teacher(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    public function days(): Days
    {
        return new Days($this->name, Day::of($this->first->toDateString()), Day::of($this->last->toDateString()));
    }

    /**
     * @return array{id: int, name: string, first: string, last: string}
     */
    public function listed(): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'first' => $this->first->toDateString(), 'last' => $this->last->toDateString()];
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['first' => 'date', 'last' => 'date'];
    }
}
