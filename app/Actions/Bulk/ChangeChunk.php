<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Bulk\QuestionSkipped;
use WideQuarry\Bulk\QuestionState;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;

/**
 * Some hundred questions changed in one transaction: each is judged on its own by the core, and what comes out is written together, a
 * statement for each table. So ten thousand cost about as many statements as two hundred.
 */
final class ChangeChunk
{
    public const SIZE = 500;

    public function __construct(private readonly WriteChanges $write)
    {
    }

    /**
     * @param  list<string>  $ids  at most SIZE
     * @param  string  $bankId  where they are changed: whose folders are meant
     * @param  callable(\stdClass, QuestionState): QuestionState  $change  of a row and how it stands; may throw QuestionSkipped or
     *     Malformed, and may set a note on the row of what it could not do
     * @param  bool  $counts  whether the act says how far it is
     * @return array{changed: int, left: list<array{id: string, title: string, why: string}>}
     */
    public function handle(
        string $act,
        array $ids,
        string $bankId,
        FieldsNeeded $needs,
        callable $change,
        User $person,
        bool $counts = true,
    ): array {
        /** @var array{changed: int, left: list<array{id: string, title: string, why: string}>} */
        return DB::transaction(function () use ($act, $ids, $bankId, $needs, $change, $person, $counts): array {
            $left = [];
            $changed = [];
            foreach (ReadStates::of($ids, $bankId, $needs, $person) as [$row, $now]) {
                try {
                    $changed[] = [$row, $now, $change($row, $now)];
                    if (isset($row->note)) {
                        $left[] = ['id' => $row->id, 'title' => $row->title, 'why' => $row->note];
                    }
                } catch (QuestionSkipped|Malformed $problem) {
                    $left[] = ['id' => $row->id, 'title' => $row->title, 'why' => $problem->getMessage()];
                }
            }
            $count = $this->write->handle($changed, $bankId, $person, $act);
            if ($left !== []) {
                DB::insert(
                    <<<'SQL'
                        INSERT INTO bulk_skips (operation_id, question_id, why) SELECT ?, id, why
                            FROM jsonb_to_recordset(?::jsonb) AS one (id uuid, why text) ON CONFLICT DO NOTHING
                        SQL,
                    [$act, Json::encode($left)],
                );
            }
            if ($counts) {
                DB::update('UPDATE bulk_operations SET done = done + ?, changed = changed + ?, last = ? WHERE id = ?', [
                    count($ids),
                    $count,
                    $ids[count($ids) - 1] ?? null,
                    $act,
                ]);
            }

            return ['changed' => $count, 'left' => $left];
        });
    }
}
