<?php

declare(strict_types=1);

use Tarnwind\Core\Performance\PrintedDynamics;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\Loudness;
use Tests\support\MusicXml;

/**
 * Two staves in crotchets, with directions before some of them.
 *
 * @param  array<int, string>  $upper  by crotchet, from 0
 * @param  array<int, string>  $lower
 */
function staves(array $upper, array $lower = []): Score
{
    $bars = [];
    foreach ([0, 1, 2] as $bar) {
        $staff = fn (array $signs, int $number): string => implode('', array_map(fn (int $beat): string => onStaff($signs[4 * $bar + $beat] ?? '', $number).MusicXml::note($number === 1 ? 'C5' : 'C3', 4, '', '', $number, $number === 1 ? '1' : '5'), [0, 1, 2, 3]));
        $bars[] = ($bar === 0 ? MusicXml::attributes(4, '4/4', 0, 2) : '').$staff($upper, 1).MusicXml::backup(16).$staff($lower, 2);
    }

    return MusicXml::score(MusicXml::part(...$bars));
}

/**
 * Signs on a staff: "p", "crescendo", "stop" …, several divided by spaces; others are words.
 */
function onStaff(string $signs, int $staff): string
{
    $direction = fn (string $type): string => "<direction><direction-type>$type</direction-type><staff>$staff</staff></direction>";

    return implode('', array_map(fn (string $sign): string => $direction(match (true) {
        in_array($sign, ['crescendo', 'diminuendo', 'stop'], true) => "<wedge type=\"$sign\"/>",
        isset(Loudness::MARKS[$sign]) => "<dynamics><$sign/></dynamics>",
        default => "<words>$sign</words>",
    }), array_filter(explode(' ', $signs))));
}

/**
 * @return array{list<float>, list<float>} velocities of both staves by crotchet
 */
function inBothStaves(Score $score): array
{
    $printed = new PrintedDynamics($score);
    $of = fn (int $staff): array => array_map(fn (int $beat): float => round(Loudness::velocity($printed->at($staff, Fraction::of($beat))), 1), range(0, 11));

    return [$of(1), $of(2)];
}

it('lets a hairpin in one staff grow in both, to the mark it leads to', function (string $sign, string $end): void {
    [$upper, $lower] = inBothStaves(staves([0 => 'p', 4 => $sign, 8 => $end]));
    expect($upper)->toBe($lower)->and($upper[4])->toBe(49.0)->and($upper[6])->toBe(72.5)->and($upper[8])->toBe(96.0);
})->with([['crescendo', 'stop f'], ['crescendo', 'f stop'], ['cresc.', 'f']]);

it('leaves the other staff alone where it has dynamics of its own', function (): void {
    // The left hand falls while the right one grows.
    [$upper, $lower] = inBothStaves(staves([0 => 'mp', 4 => 'crescendo', 8 => 'stop f'], [4 => 'diminuendo', 8 => 'stop pp']));
    expect($upper[6])->toBe(80.0)->and($lower[6])->toBe(48.5)->and($upper[8])->toBe(96.0)->and($lower[8])->toBe(33.0);
    // It has a mark of its own on the way.
    [$upper, $lower] = inBothStaves(staves([0 => 'p', 4 => 'crescendo', 8 => 'stop f'], [6 => 'pp']));
    expect($upper[7])->toBe(84.3)->and($lower[5])->toBe(49.0)->and($lower[7])->toBe(33.0);
    // A mark beside the beginning is none on the way.
    [$upper, $lower] = inBothStaves(staves([4 => 'p crescendo', 8 => 'stop f'], [4 => 'p']));
    expect($upper)->toBe($lower);
});

it('goes by one grade where nothing tells how far, and to a mark inside it', function (): void {
    expect(inBothStaves(staves([0 => 'p', 4 => 'crescendo', 8 => 'stop']))[1][8])->toBe(65.0)
        ->and(inBothStaves(staves([0 => 'p', 4 => 'crescendo', 6 => 'f', 8 => 'stop']))[0])->toBe([49.0, 49.0, 49.0, 49.0, 49.0, 72.5, 96.0, 96.0, 96.0, 96.0, 96.0, 96.0])
        // A mark that goes the other way is a surprise, and the hairpin keeps its grade.
        ->and(inBothStaves(staves([0 => 'p', 4 => 'crescendo', 8 => 'stop p']))[0][7])->toBe(61.0);
});

it('reads a dynamic and a hairpin where they are drawn, also where the file does not say that this sounds', function (string $sound): void {
    $score = MusicXml::score(MusicXml::part(
        MusicXml::attributes()."<direction><direction-type><dynamics><f/></dynamics></direction-type><offset$sound>8</offset></direction>".MusicXml::line('C5:4 D5:4 E5:4 F5:4'),
        // A sixteenth to the side is where the engraver found room.
        "<direction><direction-type><dynamics><p/></dynamics></direction-type><offset$sound>1</offset></direction>".MusicXml::line('C5:16'),
    ));
    $marks = array_map(fn ($sign): string => "$sign->onset $sign->value", $score->signsOf('dynamics'));
    expect($marks)->toBe(['2 f', $sound === '' ? '4 p' : '17/4 p']);
})->with(['', ' sound="yes"']);
