<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Support\Facades\DB;
use WideQuarry\Standards\Association;
use WideQuarry\Standards\Crosswalk;

/** Statements of one framework as they are called in another. */
final class Crosswalks
{
    /**
     * @param  string|null  $to  null to leave its statements out
     * @return array<string, \stdClass|null> statement → the alignment it is there; those that are nowhere there have no entry
     */
    public static function alignments(string $from, ?string $to): array
    {
        if ($to === null) {
            return array_map(fn (): null => null, self::codes($from));
        }
        $codes = self::codes($to);
        $title = DB::table('frameworks')->where('id', $to)->value('title');

        return array_map(
            fn (string $statement): \stdClass => (object) [
                'framework' => is_string($title) ? $title : '',
                'code' => $codes[$statement],
                'statement' => $statement,
            ],
            self::between($from, $to),
        );
    }

    /** @return array<string, string> statement → the one it is there */
    public static function between(string $from, string $to): array
    {
        /** @var list<object{from_id: string, to_id: string, kind: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT from_id, to_id, kind FROM statement_associations JOIN statements AS one ON one.id = from_id
                JOIN statements AS other ON other.id = to_id
            WHERE (one.framework_id, other.framework_id) IN ((?::uuid, ?::uuid), (?::uuid, ?::uuid)) ORDER BY one.position, other.position
            SQL,
            [$from, $to, $to, $from],
        );
        $associations = array_map(fn (\stdClass $row): Association => new Association($row->from_id, $row->to_id, $row->kind), $rows);

        return Crosswalk::between(self::codes($from), self::codes($to, false), $associations);
    }

    /** @return array<string, string> statement → code */
    private static function codes(string $framework, bool $retired = true): array
    {
        $statements = DB::table('statements')->where('framework_id', $framework)->orderBy('position');

        /** @var array<string, string> */
        return ($retired ? $statements : $statements->where('retired', false))->pluck('code', 'id')->all();
    }
}
