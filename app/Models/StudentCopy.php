<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\Performances;
use Database\Factories\StudentCopyFactory;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Plan;

/**
 * One student's copy of a piece, with the plan the teacher made for her.
 *
 * @property int $id
 * @property int $student_id
 * @property int $piece_id
 * @property string $plan JSON, see schemas/plan.schema.json
 * @property int $revision goes up by one with every saved change
 * @property-read Student $student
 * @property-read Piece $piece
 */
final class StudentCopy extends Model
{
    /** @use HasFactory<StudentCopyFactory> */
    use HasFactory;

    protected $fillable = ['student_id', 'piece_id', 'plan', 'revision'];

    /**
     * @return BelongsTo<Student, $this>
     */
    public function student(): BelongsTo
    {
        return $this->belongsTo(Student::class);
    }

    /**
     * @return BelongsTo<Piece, $this>
     */
    public function piece(): BelongsTo
    {
        return $this->belongsTo(Piece::class);
    }

    public function planDocument(): Plan
    {
        return Crafts::registry()->plans->kept($this->plan);
    }

    /**
     * Its plan, resolved for its score and student.
     */
    public function performance(): Performance
    {
        return (new Performances($this))->of($this->planDocument());
    }
}
