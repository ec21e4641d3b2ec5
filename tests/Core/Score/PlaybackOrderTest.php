<?php

declare(strict_types=1);

use Tarnwind\Core\Score\MeasureFlow;
use Tarnwind\Core\Score\PlaybackOrder;

/**
 * Bars from shorthand: "|:" opens and ":|" closes a repeat (":|3" thrice), "[1" begins an ending, "]" ends one,
 * "S" segno, "O" coda, "to" to coda, "fine", "dc", "ds".
 */
function bars(string ...$bars): array
{
    return array_map(function (string $bar): MeasureFlow {
        $words = explode(' ', $bar);
        preg_match('/:\|(\d*)/', $bar, $close);
        preg_match_all('/\[([\d,]+)/', $bar, $ending);

        return new MeasureFlow(
            in_array('|:', $words, true), $close === [] ? 0 : max(2, (int) $close[1]),
            $ending[1] === [] ? [] : array_map(intval(...), explode(',', $ending[1][0])), in_array(']', $words, true),
            in_array('S', $words, true), in_array('O', $words, true), in_array('to', $words, true),
            in_array('fine', $words, true), in_array('dc', $words, true), in_array('ds', $words, true),
        );
    }, $bars);
}

it('unfolds', function (array $bars, array $order): void {
    expect(PlaybackOrder::unfold($bars))->toBe($order);
})->with([
    'nothing to repeat' => [bars('', '', ''), [0, 1, 2]],
    'a repeat from the beginning' => [bars('', ':|', ''), [0, 1, 0, 1, 2]],
    'an opened repeat' => [bars('', '|:', ':|', ''), [0, 1, 2, 1, 2, 3]],
    'three times' => [bars('|: :|3', ''), [0, 0, 0, 1]],
    'a closing repeat goes back to just after the one before' => [bars(':|', '', ':|'), [0, 0, 1, 2, 1, 2]],
    'two endings' => [bars('|:', '[1 ] :|', '[2 ]', ''), [0, 1, 0, 2, 3]],
    'an ending of two bars and one for two passes' => [bars('|:', '[1,2 ', '] :|3', '[3 ]', ''), [0, 1, 2, 0, 1, 2, 0, 3, 4]],
    'after endings a closing repeat goes back to just after them' => [bars('|:', '[1 ] :|', '[2 ]', '', ':|'), [0, 1, 0, 2, 3, 4, 3, 4]],
    'da capo al fine, without repeats again' => [bars('|: :|', 'fine', 'dc'), [0, 0, 1, 2, 0, 1]],
    'da capo takes the last ending' => [bars('|:', '[1 ] :|', '[2 ] fine', 'dc'), [0, 1, 0, 2, 3, 0, 2]],
    'dal segno al coda' => [bars('', 'S', 'to', 'ds', 'O', ''), [0, 1, 2, 3, 1, 2, 4, 5]],
]);

it('ends even where the marks of a file never would', function (): void {
    expect(PlaybackOrder::unfold(bars('|: :|4000000'), 100))->toHaveCount(100);
});
