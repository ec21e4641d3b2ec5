<?php

declare(strict_types=1);

use Tests\support\Corpus;

/**
 * Runs a command as another program would.
 *
 * @return array{string, string, int} output, errors, exit code
 */
function command(string ...$arguments): array
{
    $process = proc_open(['php', base_path('artisan'), ...$arguments], [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes, base_path());
    $output = (string) stream_get_contents($pipes[1]);
    $errors = (string) stream_get_contents($pipes[2]);

    return [$output, $errors, proc_close($process)];
}

it('prints the score', function (): void {
    [$output, , $status] = command('tarnwind:score', Corpus::path('Saltarello.mxl'), '--json');
    $score = json_decode($output, true, 64, JSON_THROW_ON_ERROR);

    expect($status)->toBe(0)
        ->and($score['part'])->toBe('P1')->and($score['parts'])->toBe([['id' => 'P1', 'name' => 'MusicXML Part', 'staves' => 1]])
        ->and($score['measures'][1])->toMatchArray(['index' => 1, 'number' => '2', 'start' => '3', 'length' => '3', 'time' => '6/8', 'fifths' => 0])
        ->and($score['notes'][0])->toMatchArray(['measure' => 0, 'onset' => '0', 'duration' => '1/2', 'midi' => 60, 'pitch' => 'C4', 'staff' => 1, 'grace' => false])
        ->and(array_keys($score))->toContain('marks', 'playback_order', 'warnings');
});

it('prints harmonies and pedal', function (): void {
    [$harmony] = command('tarnwind:harmony', database_path('demo/slow-weather.musicxml'), '--json');
    [$pedal] = command('tarnwind:pedal', database_path('demo/slow-weather.musicxml'), '--school=clean', '--tempo=60', '--json');
    $harmony = json_decode($harmony, true, 64, JSON_THROW_ON_ERROR);
    $pedal = json_decode($pedal, true, 64, JSON_THROW_ON_ERROR);

    expect($harmony['keys'][0])->toBe(['from' => '0', 'to' => '64', 'tonic' => 'C', 'mode' => 'minor'])
        ->and($harmony['segments'][1])->toMatchArray(['from' => '3', 'to' => '4', 'root' => 'F', 'quality' => 'minor', 'inversion' => 1, 'numeral' => 'iv6', 'bass' => 'Ab'])
        ->and($pedal['school'])->toBe('clean')->and($pedal['quarters_per_minute'])->toEqual(60)
        ->and($pedal['spans'][1])->toMatchArray(['down' => '3', 'up' => '4', 'kind' => 'legato', 'depth' => 'full', 'catch_window_ms' => 980])
        ->and($pedal['blur'][0])->toBe(['onset' => '0', 'value' => 0.0]);
});

it('pedals as the piece itself suggests where no school is named', function (): void {
    [$output] = command('tarnwind:pedal', Corpus::path('BWV_0775.xml'), '--json');
    $pedal = json_decode($output, true, 64, JSON_THROW_ON_ERROR);
    expect($pedal['school'])->toBe('dampers-off')->and(count($pedal['spans']))->toBeLessThanOrEqual(6);
});

it('prints what each craft says, and all there is to say', function (): void {
    $piece = database_path('demo/slow-weather.musicxml');
    $json = fn (string ...$arguments): array => json_decode(command(...[...$arguments, '--json'])[0], true, 64, JSON_THROW_ON_ERROR);
    $hand = $json('tarnwind:hand', $piece);
    expect($hand)->toBe($json('tarnwind:answer', 'hand', $piece))->and(array_keys($hand))->toContain('fingers', 'joints', 'findings')
        ->and(array_keys($json('tarnwind:answer', 'read', $piece)))->toContain('harmonies');

    $all = $json('tarnwind:check', $piece)['findings'];
    $ofHands = $json('tarnwind:check', $piece, '--craft=hand')['findings'];
    expect($ofHands)->toHaveCount(count($hand['findings']))->and(array_values(array_filter($all, fn (array $finding): bool => $finding['craft'] === 'hand')))->toBe($ofHands)
        ->and(array_keys($all[0]))->toEqualCanonicalizing(['craft', 'kind', 'severity', 'measure', 'from', 'to', 'notes', 'value', 'limit', 'unit', 'reason', 'remedy']);
    [, $errors, $status] = command('tarnwind:answer', 'juggling', $piece, '--json');
    expect($status)->toBe(1)->and($errors)->toBe("There is no such craft that answers; there are read, count, hand, touch, shape, balance, pedal, time, practice, hear.\n");
});

it('plays and exports a plan', function (): void {
    $folder = sys_get_temp_dir();
    $piece = database_path('demo/lantern-on-the-water.musicxml');
    foreach (['json', 'musicxml', 'mxl', 'midi'] as $format) {
        [, $errors, $status] = command('tarnwind:export', $piece, "$folder/tarnwind-export.$format", "--to=$format");
        expect($status)->toBe(0, $errors);
    }
    [$rendition] = command('tarnwind:render', $piece, "--plan=$folder/tarnwind-export.json", '--json');
    $rendition = json_decode($rendition, true, 64, JSON_THROW_ON_ERROR);
    expect($rendition['events'][0])->toMatchArray(['midi' => 69, 'velocity' => 47])->and($rendition['events'][0]['ledger'][0])->toEqual(['reason' => 'p', 'value' => round(40 * log10(49 / 127), 3)])
        ->and(array_sum(array_column($rendition['events'][0]['ledger'], 'value')))->toEqualWithDelta($rendition['events'][0]['level_db'], 0.01)->and(127 * 10 ** ($rendition['events'][0]['level_db'] / 40))->toEqualWithDelta(47, 0.6)
        ->and($rendition['pedal'][0])->toMatchArray(['controller' => 64, 'value' => 127]);
    [$again] = command('tarnwind:pedal', "$folder/tarnwind-export.mxl", '--school=as-printed', '--json');
    [$first] = command('tarnwind:pedal', $piece, '--json');
    expect(json_decode($again, true)['spans'])->toEqual(json_decode($first, true)['spans']);
});

it('says which played note is which', function (): void {
    $folder = sys_get_temp_dir();
    $piece = database_path('demo/slow-weather.musicxml');
    command('tarnwind:export', $piece, "$folder/tarnwind-take.mid", '--to=midi');
    [$output, $errors, $status] = command('tarnwind:take', $piece, "--take=$folder/tarnwind-take.mid", '--json');
    expect($status)->toBe(0, $errors);
    $answer = json_decode($output, true, 64, JSON_THROW_ON_ERROR);
    expect([$answer['missing'], $answer['wrong'], $answer['extra'], $answer['again']])->toBe([[], [], [], []])->and($answer['tells'])->toBe(['pedal' => 'on-and-off', 'velocity' => true])
        ->and(array_keys($answer['matched'][0]))->toBe(['note', 'onset_ms', 'release_ms', 'velocity'])->and(count($answer['matched']))->toBeGreaterThan(100);
});

it('says in one line on stderr what is wrong', function (array $arguments, string $words): void {
    [$output, $errors, $status] = command(...$arguments);
    expect($status)->toBe(1)->and($output)->toBe('')->and(trim($errors))->toContain($words)->not->toContain("\n");
})->with([
    [['tarnwind:score', 'no-such-file.xml'], 'no file "no-such-file.xml"'],
    [['tarnwind:score', __DIR__.'/../../composer.json'], 'not a MusicXML score'],
    [['tarnwind:pedal', __DIR__.'/../../database/demo/slow-weather.musicxml', '--school=loud'], 'no such school'],
    [['tarnwind:pedal', __DIR__.'/../../database/demo/slow-weather.musicxml', '--tempo=fast'], 'quarters a minute'],
    [['tarnwind:harmony', __DIR__.'/../../database/demo/slow-weather.musicxml', '--part=P7'], 'no part "P7"'],
    [['tarnwind:export', __DIR__.'/../../database/demo/slow-weather.musicxml', '/tmp/x', '--to=pdf'], 'musicxml, mxl, midi or json'],
    [['tarnwind:export', __DIR__.'/../../database/demo/slow-weather.musicxml', '/no/such/folder/x'], 'cannot be written'],
    [['tarnwind:take', __DIR__.'/../../database/demo/slow-weather.musicxml', '--take='.__FILE__], 'not a MIDI file'],
    [['tarnwind:take', __DIR__.'/../../database/demo/slow-weather.musicxml'], 'no file ""'],
    [['tarnwind:render', __DIR__.'/../../database/demo/slow-weather.musicxml', '--plan='.__FILE__], 'not a plan'],
]);
