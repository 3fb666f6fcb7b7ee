<?php

declare(strict_types=1);

// Only what differs from the framework's own defaults.
return [
    'name' => 'Wide Quarry',
    'demo' => (bool) env('QUARRY_DEMO', false),
    // where the stand-in of the demo keeps what it counted
    'receiving_desk' => env('QUARRY_RECEIVING_DESK', storage_path('app/stand-ins/receiving')),
    'timezone' => 'UTC',
    'locale' => 'en',
];
