<?php

declare(strict_types=1);

namespace App\Queries;

use App\Actions\Bulk\CarryPlan;
use App\Models\Bank;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Bulk\CarryOver;
use WideQuarry\Json\Json;

/** What a carry-over would do: what comes along, where it would lie, how it would be classified. */
final readonly class CarryPreview
{
    /** Statements without a counterpart that are named. */
    private const NAMED = 20;

    public function __construct(private CarriedQuestions $carried)
    {
    }

    /**
     * @param  Bank|null  $into  null for one that is still to be made
     * @return array<string, mixed>
     */
    public function of(CarryPlan $plan, ?Bank $into, User $person): array
    {
        ['chosen' => $chosen, 'asked' => $asked] = $this->carried->of($plan, $person);
        $ids = [...$chosen, ...$asked];
        $carry = $plan->carryOver();

        return [
            'questions' => count($ids),
            'asked' => count($asked),
            'there' => $into === null ? 0 : self::there($ids, $into, $plan->isCopying),
            'not_lent' => $plan->isCopying ? 0 : self::notLent($ids, $into),
            'unfiled' => self::unfiled($ids, $carry, $plan->from),
            'folders' => self::folders($ids, $carry, $plan->from, $into),
            'topics' => $plan->isCopying ? self::topics($ids, $carry, self::tree($plan, $into, $person)) : [],
            'frameworks' => $plan->isCopying ? self::frameworks($ids, $plan->frameworks) : [],
            'assessments' => self::assessments($plan->assessments),
        ];
    }

    /**
     * How many of them were carried there before.
     *
     * @param  list<string>  $ids
     */
    private static function there(array $ids, Bank $into, bool $isCopying): int
    {
        $sql = $isCopying
            ? <<<'SQL'
                SELECT count(DISTINCT changes.after->>'from') FROM questions JOIN changes ON changes.question_id = questions.id
                WHERE questions.bank_id = ? AND binned_at IS NULL AND field = 'copy' AND (changes.after->>'from')::uuid = ANY (?::uuid[])
                SQL
            : <<<'SQL'
                SELECT count(DISTINCT question_id) FROM placements JOIN folders ON folders.id = folder_id
                WHERE folders.bank_id = ? AND question_id = ANY (?::uuid[])
                SQL;
        $count = DB::scalar($sql, [$into->id, self::list($ids)]);

        return is_int($count) ? $count : 0;
    }

    /**
     * How many cannot lie in a folder of another bank, because theirs does not lend them (QuestionSkipped::notLent).
     *
     * @param  list<string>  $ids
     */
    private static function notLent(array $ids, ?Bank $into): int
    {
        $count = DB::scalar(
            <<<'SQL'
            SELECT count(*) FROM questions JOIN banks ON banks.id = bank_id
            WHERE questions.id = ANY (?::uuid[]) AND NOT lends AND bank_id IS DISTINCT FROM ?::uuid
            SQL,
            [self::list($ids), $into?->id],
        );

        return is_int($count) ? $count : 0;
    }

    /** @param  list<string>  $ids */
    private static function unfiled(array $ids, CarryOver $carry, string $from): int
    {
        $paths = Folders::paths($ids, $from);

        return count(array_filter($ids, fn (string $id): bool => $carry->folders($paths[$id] ?? []) === []));
    }

    /**
     * @param  list<string>  $ids
     * @return list<array{path: list<string>, questions: int, is_new: bool}>
     */
    private static function folders(array $ids, CarryOver $carry, string $from, ?Bank $into): array
    {
        $counts = [];
        $paths = Folders::paths($ids, $from);
        foreach ($ids as $id) {
            foreach ($carry->folders($paths[$id] ?? []) as $path) {
                $key = Json::encode($path);
                $counts[$key] = [$path, ($counts[$key][1] ?? 0) + 1];
            }
        }
        $there = $into === null ? [] : self::known('folders', 'name', ['bank_id' => $into->id]);
        uasort($counts, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_map(
            fn (string $key, array $one): array => ['path' => $one[0], 'questions' => $one[1], 'is_new' => ! isset($there[$key])],
            array_keys($counts),
            array_values($counts),
        );
    }

    /** @return array<string, string|null>|null whose tree of topics the bank has; null for one without any yet */
    private static function tree(CarryPlan $plan, ?Bank $into, User $person): ?array
    {
        if ($into !== null) {
            return Topics::owner($into->id);
        }
        $owner = Topics::owner($plan->from); // a new bank has that of the team, as MakeBank says
        $isMine = DB::table('memberships')->where('user_id', $person->id)->where('team_id', $owner['team_id'])->exists();

        return $owner['team_id'] !== null && $isMine ? $owner : null;
    }

    /**
     * @param  list<string>  $ids
     * @param  array<string, string|null>|null  $owner
     * @return list<array{from: list<string>, to: list<string>|null, questions: int, is_new: bool}>
     */
    private static function topics(array $ids, CarryOver $carry, ?array $owner): array
    {
        $counts = [];
        foreach (Topics::paths($ids) as $paths) {
            foreach ($paths as $path) {
                $key = Json::encode($path);
                $counts[$key] = [$path, ($counts[$key][1] ?? 0) + 1];
            }
        }
        $there = $owner === null ? [] : self::known('topics', 'title', $owner);
        uasort($counts, fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $topics = [];
        foreach ($counts as [$path, $questions]) {
            $to = $carry->topics([$path])[0] ?? null;
            $isNew = $to !== null && ! isset($there[Json::encode($to)]);
            $topics[] = ['from' => $path, 'to' => $to, 'questions' => $questions, 'is_new' => $isNew];
        }

        return $topics;
    }

    /**
     * @param  'folders'|'topics'  $tree
     * @param  'name'|'title'  $name
     * @param  array<string, string|null>  $owner
     * @return array<string, true> paths that are there, as JSON
     */
    private static function known(string $tree, string $name, array $owner): array
    {
        $paths = $known = [];
        /** @var list<object{id: string, parent_id: string|null, name: string}&\stdClass> $nodes */
        $nodes = DB::table($tree)->where($owner)->orderByRaw('nlevel(path)')->get(['id', 'parent_id', "$name AS name"])->all();
        foreach ($nodes as $node) {
            $paths[$node->id] = [...$paths[$node->parent_id ?? ''] ?? [], $node->name];
            $known[Json::encode($paths[$node->id])] = true;
        }

        return $known;
    }

    /**
     * @param  list<string>  $ids
     * @param  array<string, string|null>  $chosen  framework → as CarryPlan has it; one that has no entry stays
     * @return list<array<string, mixed>>
     */
    private static function frameworks(array $ids, array $chosen): array
    {
        /** @var list<object{id: string, title: string, version: string, questions: int, statements: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT frameworks.id, frameworks.title, frameworks.version, count(DISTINCT question_id) AS questions,
                json_agg(DISTINCT statement_id) AS statements
            FROM question_standards JOIN statements ON statements.id = statement_id
                JOIN frameworks ON frameworks.id = framework_id
            WHERE question_id = ANY (?::uuid[]) GROUP BY frameworks.id ORDER BY frameworks.title, frameworks.version
            SQL,
            [self::list($ids)],
        );
        $frameworks = [];
        foreach ($rows as $row) {
            $used = array_values(array_filter((array) json_decode($row->statements), is_string(...)));
            $to = array_key_exists($row->id, $chosen) ? $chosen[$row->id] : $row->id;
            $crosswalk = $to !== null && $to !== $row->id ? Crosswalks::between($row->id, $to) : array_combine($used, $used);
            $lost = $to === null ? [] : array_values(array_diff($used, array_keys($crosswalk)));
            $frameworks[] = [
                'id' => $row->id,
                'title' => trim("$row->title $row->version"),
                'questions' => $row->questions,
                'statements' => count($used),
                'to' => $to,
                'without' => count($lost),
                'named' => DB::table('statements')
                    ->whereIn('id', array_slice($lost, 0, self::NAMED))
                    ->orderBy('position')
                    ->pluck('code')
                    ->all(),
            ];
        }

        return $frameworks;
    }

    /**
     * @param  list<string>  $ids
     * @return list<\stdClass> id, title, asked (how many questions), pinned (how many of its entries)
     */
    private static function assessments(array $ids): array
    {
        return array_values(array_filter(
            DB::select(
                <<<'SQL'
                SELECT id, title, asked, (SELECT count(*) FROM jsonb_path_query(content, '$.sections[*].entries[*].follow') AS one
                    WHERE one #>> '{}' = 'pinned') AS pinned
                FROM assessments WHERE id = ANY (?::uuid[]) ORDER BY title
                SQL,
                [self::list($ids)],
            ),
            fn (mixed $row): bool => $row instanceof \stdClass,
        ));
    }

    /** @param  list<string>  $ids */
    private static function list(array $ids): string
    {
        return '{'.implode(',', $ids).'}';
    }
}
