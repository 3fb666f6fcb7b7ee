<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Actions\Assembly\SaveAssessment;
use App\Models\Assessment;
use App\Models\User;
use App\Queries\Topics;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Json;

/** Assessments that are carried over with their questions: new ones, as drafts, which ask the copies. */
final readonly class CarriedAssessments
{
    public function __construct(private SaveAssessment $save)
    {
    }

    /** Once, when all questions are there; in one transaction, so that one who goes on after a stop finds all of them or none. */
    public function make(string $act, string $bank, CarryPlan $plan, User $person): void
    {
        DB::transaction(function () use ($act, $bank, $plan, $person): void {
            $stored = DB::table('bulk_operations')->where('id', $act)->lockForUpdate()->value('what');
            $what = is_string($stored) ? Json::decode($stored) : null;
            if (! $what instanceof \stdClass || isset($what->made)) {
                return;
            }
            $there = $plan->isCopying ? self::copies($act) : null;
            $made = [];
            /** @var list<Assessment> $originals */
            $originals = Assessment::query()
                ->whereIn('id', $plan->assessments)
                ->where('bank_id', $plan->from)
                ->orderBy('title')
                ->get()
                ->all();
            foreach ($originals as $one) {
                $document = $one->document();
                $json = $plan->carryOver()->standards($there === null ? $document->toJson() : $document->asking($there));
                [$json->id, $json->state] = [(string) Str::uuid7(), 'draft'];
                $made[] = $this->save->create($json, $bank, $person, $document)->id;
            }
            $what->made = (object) ['assessments' => $made, ...self::newNodes($act, $bank)];
            DB::table('bulk_operations')->where('id', $act)->update(['what' => Json::encode($what)]);
        });
    }

    /** @return array<string, array{string, int}> question → its copy, and the revision of that */
    private static function copies(string $act): array
    {
        /** @var list<object{original: string, question_id: string, revision: int}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT after->>'from' AS original, question_id, revision FROM changes JOIN questions ON questions.id = question_id
            WHERE operation_id = ? AND field = 'copy'
            SQL,
            [$act],
        );
        $copies = [];
        foreach ($rows as $row) {
            $copies[$row->original] = [$row->question_id, $row->revision];
        }

        return $copies;
    }

    /**
     * Folders and topics that were made for what the act brought: identifiers are in the order of time (RFC 9562, 5.7).
     *
     * @return array{folders: list<string>, topics: list<string>} from the top down
     */
    private static function newNodes(string $act, string $bank): array
    {
        return [
            'folders' => self::newIn('folders', 'placements', 'folder_id', $act, ['bank_id' => $bank]),
            'topics' => self::newIn('topics', 'question_topics', 'topic_id', $act, array_filter(Topics::owner($bank))),
        ];
    }

    /**
     * @param  array<string, string>  $owner  whose tree it is
     * @return list<string>
     */
    private static function newIn(string $tree, string $joins, string $column, string $act, array $owner): array
    {
        $whose = array_key_first($owner);
        $rows = DB::select(
            <<<SQL
            SELECT above.id
            FROM (SELECT DISTINCT $column AS node FROM $joins JOIN changes USING (question_id) WHERE operation_id = ?) AS used
                JOIN $tree AS node ON node.id = used.node JOIN $tree AS above ON node.path <@ above.path AND above.id > ?::uuid
            WHERE above.$whose = ? GROUP BY above.id, above.path ORDER BY nlevel(above.path), above.id
            SQL,
            [$act, $act, $owner[$whose] ?? null],
        );

        return array_values(array_filter(array_column($rows, 'id'), is_string(...)));
    }

    /** Takes out what was made around the questions and nobody has changed or used since. */
    public function takeOut(\stdClass $what): void
    {
        $made = ($what->made ?? null) instanceof \stdClass ? $what->made : new \stdClass;
        $assessments = is_array($made->assessments ?? null) ? $made->assessments : [];
        DB::table('assessments')->whereIn('id', $assessments)->where('version', 1)->delete();
        $uses = [
            'folders' => <<<'SQL'
                SELECT 1 FROM placements JOIN questions ON questions.id = question_id AND binned_at IS NULL WHERE folder_id = folders.id
                UNION ALL SELECT 1 FROM stimulus_placements WHERE folder_id = folders.id
                SQL,
            'topics' => <<<'SQL'
                SELECT 1 FROM question_topics JOIN questions ON questions.id = question_id AND binned_at IS NULL
                WHERE topic_id = topics.id
                SQL,
        ];
        foreach ($uses as $tree => $use) {
            foreach (array_reverse(is_array($made->{$tree} ?? null) ? $made->{$tree} : []) as $node) {
                DB::delete(
                    <<<SQL
                    DELETE FROM $tree WHERE id = ? AND NOT EXISTS ($use)
                        AND NOT EXISTS (SELECT 1 FROM $tree AS below WHERE below.parent_id = $tree.id)
                    SQL,
                    [$node],
                );
            }
        }
    }
}
