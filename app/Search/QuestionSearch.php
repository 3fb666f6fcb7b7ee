<?php

declare(strict_types=1);

namespace App\Search;

use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** Pages of the questions that meet a filter, by keyset: the next page begins after the last row, whatever was added meanwhile. */
final class QuestionSearch
{
    public const PAGE = 60;

    private const MANY = 10_000;

    /** The expression each order goes by, and its type. */
    private const ORDERS = [
        'title' => ['questions.title', 'text'],
        'updated' => ['questions.updated_at', 'timestamptz'],
        'created' => ['questions.created_at', 'timestamptz'],
        'difficulty' => ['coalesce(questions.difficulty, 0)', 'int'],
        'points' => ['questions.points', 'numeric'],
        'uses' => ['questions.uses', 'int'],
    ];

    private const COLUMNS = [
        'questions.id',
        'questions.bank_id',
        'questions.title',
        'questions.stem',
        'questions.kinds',
        'questions.points',
        'questions.difficulty',
        'questions.status',
        'questions.uses',
        'questions.named',
        'questions.revision',
        'questions.has_variables',
        'questions.is_complete',
        'questions.specimens',
        'questions.specimens_failing',
        'questions.tags',
        'questions.author',
        'questions.updated_at',
    ];

    /**
     * @param  int|null  $found  how many there are, where that is known; a cursor remembers whether they are many
     * @return array{list<\stdClass>, string|null} rows, and the cursor of the next page
     *
     * @throws Malformed
     */
    public function page(Scope $scope, QuestionFilter $filter, ?string $cursor, ?int $found = null): array
    {
        [$at, $id, $few] = $cursor === null ? [null, null, ($found ?? 0) <= self::MANY] : $this->read($cursor);
        $query = Conditions::on($scope, $filter, few: $few)->select(self::COLUMNS);
        [$key, $type, $descending, $bindings] = $this->order($filter);
        $query->selectRaw("($key)::text AS at", $bindings);
        if ($cursor !== null) {
            // Written so that the order's index begins here: an OR of both would read all that comes before and throw it away.
            if ($descending) {
                $query->whereRaw("$key <= ?::$type AND ($key < ?::$type OR questions.id > ?)", [
                    ...$bindings,
                    $at,
                    ...$bindings,
                    $at,
                    $id,
                ]);
            } else {
                $query->whereRaw("($key, questions.id) > (?::$type, ?::uuid)", [...$bindings, $at, $id]);
            }
        }
        $query
            ->orderByRaw($key.($descending ? ' DESC' : ' ASC'), $bindings)
            ->orderBy('questions.id')
            ->limit(self::PAGE + 1);
        $rows = array_values($query->get()->all());
        $next = null;
        if (count($rows) > self::PAGE) {
            array_pop($rows);
            $last = $rows[self::PAGE - 1];
            $next = rtrim(strtr(base64_encode(json_encode([$last->at, $last->id, $few], JSON_THROW_ON_ERROR)), '+/', '-_'), '=');
        }

        return [$rows, $next];
    }

    public function count(Scope $scope, QuestionFilter $filter): int
    {
        return Conditions::on($scope, $filter)->count();
    }

    /** Whether more than so many meet a filter; those beyond are not looked at. */
    public function exceeds(Scope $scope, QuestionFilter $filter, int $many): bool
    {
        return DB::query()
            ->fromSub(
                Conditions::on($scope, $filter, few: false)
                    ->select('questions.id')
                    ->limit($many + 1),
                'some',
            )
            ->count() > $many;
    }

    /**
     * The ids that meet a filter, in their order.
     *
     * @param  string|null  $after  only those behind this one
     * @param  string|null  $until  only those made by then
     * @return list<string>
     */
    public function ids(Scope $scope, QuestionFilter $filter, ?string $after = null, ?int $most = null, ?string $until = null): array
    {
        $query = Conditions::on($scope, $filter)->orderBy('questions.id');
        if ($after !== null) {
            $query->where('questions.id', '>', $after);
        }
        if ($until !== null) {
            $query->where('questions.created_at', '<=', $until);
        }
        if ($most !== null) {
            $query->limit($most);
        }

        return array_values(array_filter($query->pluck('questions.id')->all(), is_string(...)));
    }

    /** @return array{string, string, bool, list<string>} expression, type, whether it falls, bindings */
    private function order(QuestionFilter $filter): array
    {
        if ($filter->sort === 'best') {
            return ['ts_rank(found.words, ?::tsquery)', 'float4', true, [$filter->words->tsquery()]];
        }

        if ($filter->sort === 'own') {
            return [
                '(SELECT position FROM placements WHERE question_id = questions.id AND folder_id = ?)',
                'int',
                false,
                [$filter->values['place'][0] ?? ''],
            ];
        }

        return [...self::ORDERS[ltrim($filter->sort, '-')], str_starts_with($filter->sort, '-'), []];
    }

    /** @return array{string, string, bool} */
    private function read(string $cursor): array
    {
        $read = json_decode((string) base64_decode(strtr($cursor, '-_', '+/'), true));

        return is_array($read) &&
            count($read) === 3 &&
            is_bool($read[2]) &&
            is_string($read[0]) &&
            is_string($read[1]) &&
            preg_match('/^[0-9a-f-]{36}$/D', $read[1]) === 1
            ? [$read[0], $read[1], $read[2]]
            : throw Malformed::outOfRange('/cursor', Message::of('app.search.cursor-list-gave'), $cursor);
    }
}
