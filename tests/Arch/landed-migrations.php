<?php

declare(strict_types=1);

// Migrations that have landed are never edited again: installations have run them. Their hashes are in landed-migrations.json; add a
// line there when a release lands, with: sha256sum database/migrations/NAME.php

$folder = __DIR__.'/../../database/migrations';
$landed = json_decode((string) file_get_contents(__DIR__.'/landed-migrations.json'), true, 4, JSON_THROW_ON_ERROR);
$changed = array_keys(
    array_filter($landed, fn (string $hash, string $name): bool => @hash_file('sha256', "$folder/$name") !== $hash, ARRAY_FILTER_USE_BOTH),
);
foreach ($changed as $name) {
    fwrite(STDERR, "$name has landed and was changed. Put it back, and write a new migration.\n");
}
exit($changed === [] ? 0 : 1);
