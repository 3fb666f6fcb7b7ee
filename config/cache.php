<?php

declare(strict_types=1);

// Counting requests costs six queries each in the database, so files do it; where there are several machines, CACHE_LIMITER names Redis.
return [
    'limiter' => env('CACHE_LIMITER', 'limiter'),
    'stores' => ['limiter' => ['driver' => 'limiter']],
];
