<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Models\User;
use App\Queries\Folders;
use App\Queries\Topics;
use App\Storage\MediaStore;
use Illuminate\Support\Facades\DB;
use WideQuarry\Bulk\QuestionFacts;
use WideQuarry\Bulk\QuestionState;
use WideQuarry\Json\Json;

/**
 * Reads how some questions stand; those that may be changed stay locked to the end of the transaction.
 *
 * @phpstan-type QuestionRow object{id: string, title: string, bank_id: string, revision: int, approved_revision: int|null, record: string,
 *     is_complete: bool, specimens_failing: int, uses: int, binned_at: string|null, updated_at: string, lends: bool}&\stdClass
 */
final class ReadStates
{
    /**
     * @param  list<string>  $ids
     * @param  string  $bankId  where they are changed; of other banks only what the person may read, unless they are named
     * @return list<array{QuestionRow, QuestionState}> in the order of their ids
     */
    public static function of(array $ids, string $bankId, FieldsNeeded $needs, User $person, bool $lock = true): array
    {
        $list = '{'.implode(',', $ids).'}';
        $elsewhere = $needs->named
            ? 'OR true'
            : ($needs->elsewhere
                ? 'OR EXISTS (SELECT 1 FROM visible_questions(?) AS visible WHERE visible.id = questions.id OFFSET 0) OR '.
                    "questions.bank_id IN (SELECT bank_id FROM bank_roles(?) WHERE role <> 'reader')"
                : '');
        $binned = $needs->binned ? '' : 'AND questions.binned_at IS NULL';
        /** @var list<QuestionRow> $rows */
        $rows = DB::select(
            <<<SQL
            SELECT questions.id, questions.title, questions.bank_id, questions.revision, questions.approved_revision,
                questions.record, questions.is_complete, questions.specimens_failing, CASE WHEN questions.uses = 0 THEN 0
                ELSE counted_uses(questions.id) END AS uses, questions.binned_at, questions.updated_at, banks.lends
            FROM questions JOIN banks ON banks.id = questions.bank_id
            WHERE questions.id = ANY (?::uuid[]) AND (questions.bank_id = ? $elsewhere) $binned ORDER BY questions.id
            SQL
            .($lock ? ' FOR UPDATE OF questions' : ''),
            [$list, $bankId, ...$needs->elsewhere && ! $needs->named ? [$person->id, $person->id] : []],
        );
        $found = array_column($rows, 'id');
        $topics = $needs->topics ? Topics::paths($found) : [];
        $folders = $needs->folders ? Folders::paths($found, $bankId) : [];
        $contents = $needs->content ? self::contents($found) : [];
        $clashes = $needs->home ? MediaStore::clashes($found, $bankId) : [];
        $roles = $needs->elsewhere
            ? DB::table(DB::raw('bank_roles(?) AS mine'))
                ->setBindings([$person->id])
                ->pluck('role', 'bank_id')
            : collect();
        $standing = [];
        foreach ($rows as $row) {
            $record = Json::object($row->record);
            $home = $row->bank_id === $bankId;
            $facts = new QuestionFacts(
                $row->is_complete,
                $row->specimens_failing,
                $row->lends,
                $home || in_array($roles[$row->bank_id] ?? '', ['writer', 'keeper'], true),
                $row->uses,
                $clashes[$row->id] ?? null,
            );
            $standing[] = [
                $row,
                new QuestionState(
                    $row->title,
                    $record,
                    $topics[$row->id] ?? [],
                    $folders[$row->id] ?? [],
                    $contents[$row->id] ?? null,
                    $row->binned_at !== null,
                    $home,
                    $facts,
                ),
            ];
        }

        return $standing;
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, \stdClass> of their newest revisions
     */
    public static function contents(array $ids): array
    {
        /** @var list<object{id: string, content: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
                SELECT questions.id, content FROM questions
                    JOIN revisions ON question_id = questions.id AND number = questions.revision WHERE questions.id = ANY (?::uuid[])
                SQL,
            ['{'.implode(',', $ids).'}'],
        );
        $contents = [];
        foreach ($rows as $row) {
            $json = Json::object($row->content);
            $contents[$row->id] = $json;
        }

        return $contents;
    }
}
