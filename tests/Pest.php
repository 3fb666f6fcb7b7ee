<?php

declare(strict_types=1);

require_once __DIR__.'/../core/tests/Helpers.php';

use Tests\TestCase;

// Processes that test side by side have a folder of files each, as Laravel gives them a database each.
$process = getenv('TEST_TOKEN');
if ($process !== false && $process !== '') {
    $_SERVER['QUARRY_STORAGE'] = $_ENV['QUARRY_STORAGE'] = getenv('QUARRY_STORAGE')."-$process";
    putenv("QUARRY_STORAGE=$_SERVER[QUARRY_STORAGE]");
}

pest()->extend(TestCase::class)->in('Feature');
