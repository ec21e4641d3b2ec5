<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use App\Support\Kept;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\File;

// What is worked out is kept in files here, as in an application that runs.

beforeEach(function (): void {
    $this->folder = sys_get_temp_dir().'/tarnwind-cache-'.getmypid();
    config(['cache.stores.file.path' => $this->folder, 'cache.stores.file.lock_path' => $this->folder, 'cache.default' => 'file']);
    Cache::purge('file');
    $teacher = User::factory()->create();
    $this->actingAs($teacher);
    $this->student = Student::factory()->for($teacher, 'teacher')->create();
    $this->piece = Piece::factory()->for($teacher, 'teacher')->create();
    $this->copy = StudentCopy::factory()->create(['student_id' => $this->student->id, 'piece_id' => $this->piece->id]);
});

afterEach(fn () => File::deleteDirectory($this->folder));

/**
 * What sounds is worked out again for every other length of a note.
 */
function askPedal($test, int $edits): void
{
    foreach (array_slice($test->piece->score()->notes, 0, $edits) as $note) {
        $marks = [['id' => 't', 'craft' => 'touch', 'kind' => 'articulation', 'notes' => [$note->id], 'articulation' => 'staccato']];
        $test->postJson("/copies/{$test->copy->id}/answers/pedal", ['plan' => [...$test->copy->planDocument()->toArray(), 'marks' => $marks]])->assertOk();
    }
}

function keptFiles($test): int
{
    return count(File::allFiles($test->folder));
}

it('keeps what rests on the newest few plans of a copy, however many edits there are', function (): void {
    askPedal($this, Kept::NEWEST);
    $full = keptFiles($this);
    askPedal($this, 4 * Kept::NEWEST);
    expect(keptFiles($this))->toBe($full);
});

it('forgets with a piece, a student or a copy what was worked out of it', function (string $url, bool $all): void {
    $read = keptFiles($this);
    askPedal($this, 2);
    expect(keptFiles($this))->toBeGreaterThan($read);
    $this->delete(strtr($url, ['PIECE' => $this->piece->id, 'STUDENT' => $this->student->id, 'COPY' => $this->copy->id]))->assertRedirect();
    // The upload is remembered for an hour.
    expect(keptFiles($this))->toBe($all ? 1 : $read);
})->with([
    'piece' => ['/pieces/PIECE', true], 'student' => ['/students/STUDENT', false], 'copy' => ['/copies/COPY', false],
]);

it('removes what has expired, and nothing else', function (): void {
    Cache::put('short', str_repeat('x', 3000), now()->addHour());
    Cache::put('long', 'kept', now()->addDays(3));
    $this->travel(2)->hours();
    expect(Artisan::call('tarnwind:prune'))->toBe(0)->and(Artisan::output())->toContain('expired entries removed, 0.')
        ->and(Cache::get('long'))->toBe('kept')->and(shell_exec('grep -rl xxxx '.$this->folder))->toBeNull();
});
