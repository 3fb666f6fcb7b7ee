<?php

declare(strict_types=1);

// Only what differs from the framework's own defaults.
return [
    'name' => 'Wide Quarry',
    'demo' => (bool) env('QUARRY_DEMO', false),
    'timezone' => 'UTC',
    'locale' => 'en',
];
