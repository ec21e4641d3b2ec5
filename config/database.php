<?php

declare(strict_types=1);

// One writer at a time, which others wait for; readers go on meanwhile. A transaction that reads and writes takes its
// turn when it begins; before PHP 8.4 it has to write first for that.
return [
    'connections' => [
        'sqlite' => [
            'driver' => 'sqlite',
            'database' => env('DB_DATABASE', database_path('database.sqlite')),
            'prefix' => '',
            'foreign_key_constraints' => true,
            'busy_timeout' => 10_000,
            'journal_mode' => 'WAL',
            'transaction_mode' => 'IMMEDIATE',
        ],
    ],
];
