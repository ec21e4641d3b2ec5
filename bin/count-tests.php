<?php

declare(strict_types=1);

// Prints "passed failed" of a test report: JUnit XML, or the browser tests' JSON. Exits with 1 if there is none.

$path = $argv[1] ?? '';
$report = is_file($path) ? (string) file_get_contents($path) : '';
if (str_ends_with($path, '.xml')) {
    $suite = $report === '' ? false : simplexml_load_string($report)?->testsuite;
    if (! $suite) {
        exit(1);
    }
    $failed = (int) $suite['failures'] + (int) $suite['errors'];
    echo (int) $suite['tests'] - $failed, ' ', $failed;
    exit(0);
}
$stats = json_decode($report, true)['stats'] ?? exit(1);
echo $stats['expected'] + $stats['flaky'], ' ', $stats['unexpected'] + $stats['skipped'];
