<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Indexing\QuestionIndex;
use App\Queries\Folders;
use App\Storage\MediaStore;
use Illuminate\Support\Facades\DB;
use WideQuarry\Bulk\QuestionState;

/**
 * Gives questions another home. Their media come along (a bank's content refers to its own media only), their topics are looked up by their
 * titles in the tree of the new bank, and the folders of the old one let them go.
 *
 * @phpstan-import-type QuestionRow from ReadStates
 */
final class MoveToBank
{
    public function __construct(private readonly WritePlaces $places)
    {
    }

    /**
     * @param  array<string, QuestionRow>  $rows  by id, with bank_id and home: the bank they go to, the one of the act when missing
     * @param  list<array{QuestionRow, QuestionState, QuestionState}>  $changes
     * @return list<array{question: string, field: string, before: mixed, after: mixed}> for the log
     */
    public function handle(array $rows, string $bankId, array $changes): array
    {
        $log = $byBanks = $topics = [];
        foreach ($changes as [$row, , $after]) {
            if (isset($rows[$row->id])) {
                $to = is_string($row->home ?? null) ? $row->home : $bankId;
                $byBanks["$row->bank_id $to"][] = $row->id;
                $topics[$to][$row->id] = $after->topics;
            }
        }
        foreach ($byBanks as $banks => $ids) {
            [$from, $to] = explode(' ', $banks);
            $list = '{'.implode(',', $ids).'}';
            $folders = Folders::paths($ids, $from);
            MediaStore::share($ids, $from, $to);
            DB::update('UPDATE questions SET bank_id = ?, updated_at = now() WHERE id = ANY (?::uuid[])', [$to, $list]);
            DB::delete(
                <<<'SQL'
                    DELETE FROM placements USING folders WHERE folders.id = folder_id AND folders.bank_id = ?
                        AND question_id = ANY (?::uuid[])
                    SQL,
                [$from, $list],
            );
            $back = [];
            foreach ($ids as $id) {
                /** @var list<list<string>> $paths */
                $paths = $rows[$id]->folders_back ?? [];
                if ($paths !== []) {
                    $back[$id] = $paths;
                }
            }
            if ($back !== []) {
                $this->places->folders($back, $to);
            }
            foreach ($ids as $id) {
                $log[] = [
                    'question' => $id,
                    'field' => 'home',
                    'before' => ['bank' => $from, 'folders' => $folders[$id] ?? []],
                    'after' => ['bank' => $to, 'folders' => $back[$id] ?? []],
                ];
            }
            QuestionIndex::note($ids);
        }
        foreach ($topics as $bank => $paths) {
            $this->places->topics($paths, (string) $bank);
        }

        return $log;
    }
}
