<?php

declare(strict_types=1);

namespace App\Actions;

use App\Storage\StoredFiles;
use App\Storage\StoredReferences;

/** Walks every stored file and every reference to one. */
final class VerifyFiles
{
    /**
     * @return array{files: int, damaged: list<string>, missing: list<string>, unused: int} damaged: files whose bytes are not those of
     * their name
     */
    public function handle(): array
    {
        $report = ['files' => 0, 'damaged' => [], 'missing' => [], 'unused' => 0];
        foreach (['media', 'files'] as $folder) {
            $store = new StoredFiles($folder);
            $named = StoredReferences::in($folder);
            foreach ($store->all() as $sha256) {
                $report['files']++;
                if (! $store->isWhole($sha256)) {
                    $report['damaged'][] = "$folder/$sha256";
                }
                $report['unused'] += isset($named[$sha256]) ? 0 : 1;
                unset($named[$sha256]);
            }
            array_push(
                $report['missing'],
                ...array_map(fn (string $sha256): string => "$folder/$sha256", array_map(strval(...), array_keys($named))),
            );
        }

        return $report;
    }
}
