<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Assessment;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;

/** What was printed of an assessment. */
final readonly class PrintReceipts
{
    /** So many are listed. */
    private const MOST = 200;

    private const SELECT = <<<'SQL'
        SELECT print_receipts.id, title, which, forms, seeds, settings, revisions, pages, users.name AS printed_by,
            to_char(printed_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') AS printed_at
        FROM print_receipts LEFT JOIN users ON users.id = printed_by WHERE assessment_id = ?
        SQL;

    /** @return list<array<mixed>> */
    public static function of(Assessment $assessment): array
    {
        $newest = ' ORDER BY print_receipts.printed_at DESC, print_receipts.id DESC LIMIT ?';
        /** @var list<\stdClass> $rows */
        $rows = DB::select(self::SELECT.$newest, [$assessment->id, self::MOST]);

        return array_map(self::shown(...), $rows);
    }

    /** @return array<mixed>|null */
    public static function find(Assessment $assessment, string $id): ?array
    {
        $row = DB::selectOne(self::SELECT.' AND print_receipts.id = ?', [$assessment->id, $id]);

        return $row instanceof \stdClass ? self::shown($row) : null;
    }

    /** @return array<mixed> */
    private static function shown(\stdClass $row): array
    {
        /** @var object{forms: string, seeds: string, settings: string, revisions: string}&\stdClass $row */
        return [
            ...get_object_vars($row),
            'forms' => $row->forms === '' ? [] : explode(',', $row->forms),
            'seeds' => Json::decode($row->seeds),
            'settings' => Json::decode($row->settings),
            'revisions' => Json::decode($row->revisions),
        ];
    }
}
