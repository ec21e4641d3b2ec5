<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Process;

it('replaces a file while its plans are being saved', function (): void {
    $result = Process::path(base_path())->timeout(120)->run(['bin/stress-replacements', '10', '4']);
    expect($result->errorOutput())->toBe('')->and($result->output())->toContain('10 replacements beside 4 savers of 10 plans each: all went well');
})->skip(! function_exists('pcntl_fork'), 'Processes cannot be forked here.');
