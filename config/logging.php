<?php

declare(strict_types=1);

// A log that cannot be written, as on a full disk, stops nothing.
return [
    'channels' => [
        'files' => ['driver' => 'stack', 'channels' => ['daily'], 'ignore_exceptions' => true],
        'daily' => ['driver' => 'daily', 'path' => storage_path('logs/laravel.log'), 'level' => env('LOG_LEVEL', 'debug'), 'days' => (int) env('LOG_DAILY_DAYS', 14), 'permission' => 0640],
    ],
];
