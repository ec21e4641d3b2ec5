<?php

declare(strict_types=1);

namespace App\Models;

use Database\Factories\PianoFactory;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Tarnwind\Core\Sound\InstrumentProfile;

/**
 * An instrument a teacher has adjusted to what she hears, for the students who practise on it.
 *
 * @property int $id
 * @property int $user_id
 * @property string $name
 * @property float $ring
 * @property float $dampers
 * @property float $room seconds
 * @property float $soft dB
 * @property float $softest MIDI velocity
 * @property-read User $teacher
 */
final class Piano extends Model
{
    /** @use HasFactory<PianoFactory> */
    use HasFactory;

    /** What a form shows and changes. */
    public const DETAILS = ['name', 'ring', 'dampers', 'room', 'soft', 'softest'];

    protected $fillable = self::DETAILS;

    /**
     * @return BelongsTo<User, $this>
     */
    public function teacher(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    public function profile(): InstrumentProfile
    {
        return new InstrumentProfile($this->ring, $this->dampers, $this->room, $this->soft, $this->softest);
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['ring' => 'float', 'dampers' => 'float', 'room' => 'float', 'soft' => 'float', 'softest' => 'float'];
    }
}
