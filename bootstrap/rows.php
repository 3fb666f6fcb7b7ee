<?php

declare(strict_types=1);

// Prepares rows of imported questions for the process that started it (App\Infrastructure\RowProcess): no framework, no database.

use App\Indexing\PreparedChunk;
use WideQuarry\Messages\Catalogue;
use WideQuarry\Parts\StandardKinds;

require __DIR__.'/../vendor/autoload.php';
ini_set('display_errors', '0');
const SECONDS = 60; // of the processor, for the questions of one line: a hundred take a tenth of one
Catalogue::add('app', __DIR__.'/../app');
$kinds = StandardKinds::all();
while (($line = fgets(STDIN)) !== false) {
    set_time_limit(SECONDS);
    fwrite(STDOUT, PreparedChunk::answer($line, $kinds));
}
