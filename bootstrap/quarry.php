<?php

declare(strict_types=1);

use App\Console\QuarryConsole;

// The commands that need the database: boots the application and hands over.
return function (array $arguments): int {
    /** @var Illuminate\Foundation\Application $app */
    $app = require __DIR__.'/app.php';
    $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
    $code = $app->make(QuarryConsole::class)->run(array_values(array_filter($arguments, is_string(...))));
    // Run as root beside a server of another user, what was stored is for that user too.
    $owner = fileowner(storage_path('app'));
    if (function_exists('posix_geteuid') && posix_geteuid() === 0 && $owner > 0) {
        Illuminate\Support\Facades\Process::run(['chown', '-R', (string) $owner, storage_path('app')]);
    }

    return $code;
};
