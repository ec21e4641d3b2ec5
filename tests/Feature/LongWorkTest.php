<?php

declare(strict_types=1);

use App\Models\User;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Route;
use Symfony\Component\ErrorHandler\Error\FatalError;

it('reads one file of a teacher at a time, and those of others meanwhile', function (): void {
    [$one, $other] = User::factory()->count(2)->create();
    $file = fn (): UploadedFile => UploadedFile::fake()->createWithContent('weather.musicxml', (string) file_get_contents(database_path('demo/slow-weather.musicxml')));
    $lock = Cache::lock("reading:$one->id", 10);
    $lock->get();
    $this->actingAs($one)->postJson('/pieces/reading', ['file' => $file()])->assertTooManyRequests()
        ->assertHeader('Retry-After', '1')->assertJsonPath('message', 'Another score of yours is still being read. Try again when it is done.');
    $this->actingAs($other)->postJson('/pieces/reading', ['file' => $file()])->assertOk();
    $lock->release();
    $this->actingAs($one)->postJson('/pieces/reading', ['file' => $file()])->assertOk();
    $this->actingAs($one)->postJson('/pieces/engraving', ['file' => $file()])->assertOk()->assertJsonCount(16, 'bars');
});

it('says in words that something was too much work', function (string $error, int $status): void {
    Route::get('/work', fn () => throw new FatalError($error, 0, ['type' => E_ERROR, 'message' => $error, 'file' => __FILE__, 'line' => 1]));
    $this->getJson('/work')->assertStatus($status)->assertJsonPath('message', $status === 503
        ? 'This was too much work to be done at once and was given up; nothing was changed. It may be an odd place in the score: try a file with fewer bars.'
        : 'Server Error');
})->with([
    'time' => ['Maximum execution time of 20 seconds exceeded', 503],
    'memory' => ['Allowed memory size of 134217728 bytes exhausted (tried to allocate 20480 bytes)', 503],
    'another' => ['Cannot redeclare function work()', 500],
]);
