<?php

declare(strict_types=1);

// Only what differs from the framework's own defaults.
return [
    'name' => 'Wide Quarry',
    'demo' => (bool) env('QUARRY_DEMO', false),
    // where the stand-in of the demo keeps what it counted
    'receiving_desk' => env('QUARRY_RECEIVING_DESK', storage_path('app/stand-ins/receiving')),
    // megabytes that one person's imports, and one bank's pictures and recordings, may take
    'quota' => ['person_mb' => (int) env('QUARRY_QUOTA_PERSON_MB', 5000), 'bank_mb' => (int) env('QUARRY_QUOTA_BANK_MB', 20000)],
    'timezone' => 'UTC',
    'locale' => 'en',
];
