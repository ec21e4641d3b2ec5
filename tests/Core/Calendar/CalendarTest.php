<?php

declare(strict_types=1);

use Tarnwind\Core\Calendar\Day;
use Tarnwind\Core\Calendar\Event;
use Tarnwind\Core\Calendar\Holiday;
use Tarnwind\Core\Calendar\ICalendar;
use Tarnwind\Core\Calendar\Slot;
use Tarnwind\Core\Calendar\WeeklyTime;
use Tarnwind\Core\Calendar\Weeks;

it('makes lessons of weekly times, and says for which holiday one does not take place', function (): void {
    $times = [
        new WeeklyTime('oona', 1, '16:30', 45, Day::of('2027-02-24')),
        new WeeklyTime('bram', 1, '15:00', 30, Day::of('2027-01-01'), Day::of('2027-03-09')),
    ];
    $slots = Weeks::slots($times, [new Holiday('Thaw week', Day::of('2027-03-08'), Day::of('2027-03-12'))], Day::of('2027-02-22'), Day::of('2027-03-16'));
    expect(array_map(fn (Slot $slot): string => Day::date($slot->day)." {$slot->time->key} ".($slot->holiday->name ?? ''), $slots))->toBe([
        '2027-02-23 bram ', '2027-03-02 bram ', '2027-03-02 oona ', '2027-03-09 bram Thaw week', '2027-03-09 oona Thaw week', '2027-03-16 oona ',
    ]);
});

it('writes a calendar that an independent reader reads as it is meant', function (): void {
    $long = 'Lantern; first, the left hand alone — very softly, like water in the dark, and then the whole line from bar 4 on';
    $calendar = ICalendar::write([
        new Event('a@tarnwind', Day::of('2027-03-28'), '23:30', 45, 'Oona', "$long\nand \\ what is left"),
        new Event('b@tarnwind', Day::of('2027-03-30'), '09:05', 30, 'Bram', '', true),
    ], 'Lessons of Ines', 1_800_000_000);
    foreach (explode("\r\n", $calendar) as $line) {
        expect(strlen($line))->toBeLessThanOrEqual(75)->and(mb_check_encoding($line, 'UTF-8'))->toBeTrue();
    }
    $script = "import ICAL from 'ical.js'; let text = ''; for await (const part of process.stdin) text += part; const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((one) => new ICAL.Event(one)); "
        .'console.log(JSON.stringify(events.map((one) => [one.uid, one.startDate.toString(), one.endDate.toString(), one.startDate.zone.tzid, one.summary, one.description, one.component.getFirstPropertyValue("status")])));';
    $process = proc_open(['node', '--input-type=module', '-e', $script], [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes, dirname(__DIR__, 3));
    fwrite($pipes[0], $calendar);
    fclose($pipes[0]);
    $read = json_decode((string) stream_get_contents($pipes[1]), true);
    proc_close($process);
    expect($read)->toBe([
        ['a@tarnwind', '2027-03-28T23:30:00', '2027-03-29T00:15:00', 'floating', 'Oona', "$long\nand \\ what is left", null],
        ['b@tarnwind', '2027-03-30T09:05:00', '2027-03-30T09:35:00', 'floating', 'Bram', null, 'CANCELLED'],
    ]);
});
