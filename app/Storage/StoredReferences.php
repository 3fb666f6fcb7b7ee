<?php

declare(strict_types=1);

namespace App\Storage;

use Illuminate\Support\Facades\DB;

/** Every place in the database that names a stored file by its hash. */
final class StoredReferences
{
    private const QUERIES = [
        'media' => [
            'SELECT sha256 FROM media',
            "SELECT value->>'sha256' FROM staged_things WHERE type = 'medium'",
            'SELECT file FROM media_sizes WHERE sha256 IN (SELECT sha256 FROM media)',
        ],
        'files' => [
            "SELECT sha256 FROM intake_files WHERE state <> 'failed'",
            'SELECT sha256 FROM dispatches WHERE sha256 IS NOT NULL',
            'SELECT sha256 FROM prints',
            'SELECT sha256 FROM print_receipts',
        ],
    ];

    /**
     * @param  'files'|'media'  $folder
     * @return array<string, true> by hash
     */
    public static function in(string $folder): array
    {
        $named = [];
        foreach (self::QUERIES[$folder] as $query) {
            /** @var list<object{sha256: string}&\stdClass> $rows */
            $rows = DB::select("SELECT DISTINCT named.sha256 FROM ($query) AS named (sha256) WHERE named.sha256 IS NOT NULL");
            foreach ($rows as $row) {
                $named[$row->sha256] = true;
            }
        }

        return $named;
    }
}
