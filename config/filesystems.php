<?php

declare(strict_types=1);

// Media are served by our own route, which checks every request; the framework's open one is off.
return [
    'disks' => ['local' => ['driver' => 'local', 'root' => storage_path('app/private'), 'serve' => false, 'throw' => true]],
];
