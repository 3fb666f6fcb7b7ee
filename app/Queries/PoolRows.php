<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\PostgresArray;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Draw;
use WideQuarry\Numbers\Exact;

/**
 * The questions of a pool as a list shows them, those that somebody may view.
 *
 * @phpstan-type Row object{id: string, title: string, stem: string, kinds: string, points: string, bank: string,
 *     bank_name: string}&\stdClass
 */
final class PoolRows
{
    /** A list on the screen; the rest is looked at where its conditions are. */
    private const MOST = 300;

    /**
     * @param  list<string>  $first  those that are shown whatever else is
     * @return list<array{id: string, title: string, stem: string, kinds: list<string>, points: int|float, bank: string, bank_name: string}>
     *     in the order of the pool
     */
    public static function of(Draw $draw, array $first, User $person): array
    {
        $shown = array_flip([...$first, ...array_slice($draw->pool, 0, max(0, self::MOST - count($first)))]);
        $ids = array_values(array_filter($draw->pool, fn (string $id): bool => isset($shown[$id])));
        /** @var list<Row> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT questions.id, questions.title, stem, kinds, points, banks.slug AS bank, banks.name AS bank_name
            FROM unnest(?::uuid[]) WITH ORDINALITY AS given (id, place) JOIN questions ON questions.id = given.id
                JOIN banks ON banks.id = questions.bank_id
            WHERE EXISTS (SELECT 1 FROM visible_questions(?) AS visible WHERE visible.id = questions.id OFFSET 0) ORDER BY place
            SQL,
            ['{'.implode(',', $ids).'}', $person->id],
        );

        return array_map(
            fn (\stdClass $row): array => [
                'id' => $row->id,
                'title' => $row->title,
                'stem' => $row->stem,
                'kinds' => PostgresArray::read($row->kinds),
                'points' => Exact::number($draw->points(Exact::of($row->points))),
                'bank' => $row->bank,
                'bank_name' => $row->bank_name,
            ],
            $rows,
        );
    }
}
