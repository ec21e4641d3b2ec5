<?php

declare(strict_types=1);

use App\Support\WithoutPersonalData;
use Monolog\Formatter\JsonFormatter;
use Monolog\Handler\RotatingFileHandler;
use Monolog\Handler\StreamHandler;

// One line of JSON for each entry, without addresses of people.
return [
    'channels' => [
        'daily' => [
            'driver' => 'monolog',
            'level' => env('LOG_LEVEL', 'warning'),
            'handler' => RotatingFileHandler::class,
            'handler_with' => ['filename' => storage_path('logs/tarnwind.log'), 'maxFiles' => (int) env('LOG_DAILY_DAYS', 14), 'filePermission' => 0600],
            'formatter' => JsonFormatter::class,
            'processors' => [WithoutPersonalData::class],
        ],
        'stderr' => [
            'driver' => 'monolog',
            'level' => env('LOG_LEVEL', 'warning'),
            'handler' => StreamHandler::class,
            'handler_with' => ['stream' => 'php://stderr'],
            'formatter' => JsonFormatter::class,
            'processors' => [WithoutPersonalData::class],
        ],
    ],
];
