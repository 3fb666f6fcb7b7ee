<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Where a folder or topic is used. */
final class TreeUses
{
    /**
     * @param  'folders'|'topics'  $tree
     * @return array{banks: list<array{bank: string, name: string, here: int, below: int}>, others: int, stimuli: int, searches: int}
     *     others: questions of banks the person does not read; searches: those of the person and shared ones that ask for it
     */
    public static function of(string $tree, string $bankId, string $id, User $person): array
    {
        $nodes = $tree === 'folders' ? DB::table('folders')->where('bank_id', $bankId) : Topics::of($bankId);
        $path = $nodes->where('id', $id)->value('path') ?? abort(404);
        [$joins, $column] = $tree === 'folders' ? ['placements', 'folder_id'] : ['question_topics', 'topic_id'];
        /** @var list<object{bank: string, name: string, readable: bool, here: int, below: int}&\stdClass> $rows */
        $rows = DB::select(
            <<<SQL
            SELECT banks.slug AS bank, banks.name, mine.bank_id IS NOT NULL AS readable,
                count(DISTINCT question_id) FILTER (WHERE $column = ?) AS here, count(DISTINCT question_id) AS below
            FROM $joins JOIN $tree ON $tree.id = $column JOIN questions ON questions.id = question_id AND binned_at IS NULL
                JOIN banks ON banks.id = questions.bank_id LEFT JOIN bank_roles(?) AS mine ON mine.bank_id = banks.id
            WHERE $tree.path <@ ?::ltree GROUP BY banks.id, mine.bank_id ORDER BY 5 DESC, banks.name
            SQL,
            [$id, $person->id, $path],
        );
        $readable = array_values(array_filter($rows, fn (\stdClass $row): bool => $row->readable));
        $others = array_filter($rows, fn (\stdClass $row): bool => ! $row->readable);
        $stimuli =
            $tree === 'folders'
                ? DB::table('stimulus_placements')
                    ->join('folders', 'folders.id', '=', 'folder_id')
                    ->whereRaw('folders.path <@ ?::ltree', [$path])
                    ->distinct()
                    ->count('stimulus_id')
                : 0;
        $searches = DB::table('saved_searches')
            ->where('bank_id', $bankId)
            ->where(fn (Builder $query) => $query->where('shared', true)->orWhere('user_id', $person->id))
            ->where('filter', 'like', "%$id%")
            ->count();

        return [
            'banks' => array_map(
                fn (\stdClass $row): array => [
                    'bank' => $row->bank,
                    'name' => $row->name,
                    'here' => $row->here,
                    'below' => $row->below,
                ],
                $readable,
            ),
            'others' => (int) array_sum(array_column($others, 'below')),
            'stimuli' => $stimuli,
            'searches' => $searches,
        ];
    }
}
