<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\PostgresArray;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Search\Conditions;
use App\Search\QuestionFilter;
use App\Search\Scope;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WideQuarry\Blueprints\Blueprint;
use WideQuarry\Blueprints\BlueprintRule;
use WideQuarry\Blueprints\FoundAt;
use WideQuarry\Blueprints\Reduction;
use WideQuarry\Blueprints\Tally;
use WideQuarry\Numbers\Exact;
use WideQuarry\Random\Seed;
use WideQuarry\Selection\Candidate;

/**
 * The questions that a blueprint looks through, told apart by what it tells apart. The database gives every condition a bit; questions
 * with the same bits are the same to it, and are counted instead of fetched.
 *
 * @phpstan-type Row object{id?: string, points?: string, minutes?: string|null, difficulty?: int|null, reading_words?: int,
 *     key_letter?: string, tags?: string, kinds?: string, source?: string, author?: string, work?: string, stimuli?: string,
 *     topics?: string}&\stdClass
 * @phpstan-type Shown object{id: string, kinds: string, points: string, minutes: string|null}&\stdClass
 * @phpstan-type Counted object{status: string, unused: bool, count: int, points: string}&\stdClass
 */
final class BlueprintQuestions
{
    public const ALL = 1_000_000;

    /** Candidates that are looked at first: what one request has memory for. */
    private const POOL = 60_000;

    private const COLUMNS = [
        'questions.id', 'questions.points', 'questions.minutes', 'questions.difficulty', 'questions.reading_words', 'questions.key_letter',
        'questions.tags', 'questions.source', 'questions.author', 'questions.work', 'questions.kinds',
    ];

    private const SHOWN = [
        'questions.id', 'questions.title', 'questions.stem', 'questions.kinds', 'questions.points', 'questions.difficulty',
        'questions.minutes', 'questions.status', 'questions.revision', 'banks.slug AS bank', 'banks.name AS bank_name',
    ];

    /** Bits of a bigint that are used. */
    private const BITS = 62;

    /** @var list<string> the key of each bit */
    private array $keys;

    /** @var list<string> an expression for each number of 62 bits */
    private array $numbers = [];

    /** @var list<list<mixed>> what is bound in each */
    private array $bound = [];

    /** @var list<array{int, int, string, list<mixed>}> number, bit, a SELECT of the questions that have it, and what is bound in it */
    private array $members = [];

    private bool $isShort = false;

    /** @param  list<string>  $banks  those that may be looked through */
    private function __construct(private readonly Blueprint $blueprint, public readonly array $banks)
    {
        $conditions = array_map(self::filter(...), $blueprint->conditions());
        $assessments = array_map(self::askedIn(...), $blueprint->assessments());
        $this->keys = [...array_keys($conditions), ...array_keys($assessments)];
        foreach (array_chunk([...array_values($conditions), ...array_values($assessments)], self::BITS) as $number => $some) {
            $this->number($number, $some);
        }
    }

    /** @param  list<QuestionFilter|array{string, list<mixed>}>  $conditions  filters, or SELECTs */
    private function number(int $number, array $conditions): void
    {
        $terms = $values = [];
        foreach ($conditions as $bit => $one) {
            $members = is_array($one) ? $one : Conditions::members($one);
            if ($members !== null) {
                $this->members[] = [$number, 1 << $bit, ...$members];
            } elseif ($one instanceof QuestionFilter) {
                [$sql, $bound] = Conditions::expression($one);
                $terms[] = "CASE WHEN $sql THEN ".(1 << $bit).'::bigint ELSE 0 END';
                array_push($values, ...$bound);
            }
        }
        $isJoined = array_filter($this->members, fn (array $one): bool => $one[0] === $number) !== [];
        $this->numbers[] = implode(' | ', [...$terms, ...$isJoined ? ["coalesce(member.m$number, 0)"] : [], '0::bigint']);
        $this->bound[] = $values;
    }

    /** Which questions have which of the bits that are found by joining, in one table. */
    private function members(): ?Builder
    {
        $numbers = array_keys($this->numbers);
        $all = null;
        foreach ($this->members as [$number, $bit, $sql, $bound]) {
            $bits = implode(', ', array_map(fn (int $one): string => ($one === $number ? $bit : 0)."::bigint AS b$one", $numbers));
            $one = DB::query()->selectRaw("given.question_id, $bits")->fromRaw("($sql) AS given (question_id)", $bound);
            $all = $all === null ? $one : $all->unionAll($one);
        }
        if ($all === null) {
            return null;
        }
        $sums = implode(', ', array_map(fn (int $one): string => "bit_or(b$one) AS m$one", $numbers));

        return DB::query()->fromSub($all, 'given')->selectRaw("question_id, $sums")->groupBy('question_id');
    }

    public static function of(Blueprint $blueprint, User $person): self
    {
        return new self($blueprint, array_keys(ReadableIds::of($person)->banks($blueprint->banks)));
    }

    /** How many of its banks cannot be viewed any more. */
    public function hidden(): int
    {
        return count($this->blueprint->banks) - count($this->banks);
    }

    /**
     * @param  list<string>  $assessments
     * @return array{string, list<mixed>}
     */
    private static function askedIn(array $assessments): array
    {
        return ['SELECT question_id FROM assessment_uses WHERE assessment_id = ANY (?::uuid[])', ['{'.implode(',', $assessments).'}']];
    }

    /** @param  array<string, list<string>>  $conditions */
    private static function filter(array $conditions): QuestionFilter
    {
        $pairs = [];
        foreach ($conditions as $name => $values) {
            foreach ($values as $value) {
                $pairs[] = urlencode($name).'='.urlencode($value);
            }
        }

        return QuestionFilter::fromQuery(implode('&', $pairs));
    }

    /** Every question of its banks that meets its conditions, with its bits as k0, k1 … */
    private function all(): Builder
    {
        $query = Conditions::on(Scope::banks($this->banks), self::filter($this->blueprint->conditions))
            ->where('questions.is_complete', true)
            ->whereRaw("questions.kinds <> '{}'");
        $members = $this->members();
        if ($members !== null) {
            $query->leftJoinSub($members, 'member', 'member.question_id', '=', 'questions.id');
        }
        foreach ($this->numbers as $i => $sql) {
            $query->selectRaw("($sql) AS k$i", $this->bound[$i]);
        }

        return $query;
    }

    /** @return list<string> */
    private function columns(): array
    {
        return array_map(fn (int $i): string => "k$i", array_keys($this->numbers));
    }

    /** @return list<Tally> */
    public function tallies(): array
    {
        $query = $this->all()->selectRaw('questions.status, questions.points');
        $since = $this->blueprint->unusedSince;
        if ($since === null) {
            $query->selectRaw('true AS unused');
        } else {
            $used = 'SELECT question_id FROM question_occasions WHERE used_on >= ?::date';
            $query->selectRaw("questions.id NOT IN ($used) AS unused", [$since]);
        }
        $by = [...$this->columns(), 'status', 'unused'];
        $rows = DB::query()
            ->fromSub($query, 'question')
            ->select([...$by, DB::raw('count(*) AS count'), DB::raw('sum(points)::text AS points')])
            ->groupBy($by)
            ->get();

        $tally = function (\stdClass $row): Tally {
            /** @var Counted $row */
            return new Tally($this->met($row), $row->status, $row->unused, $row->count, $row->points);
        };

        return array_values($rows->map($tally)->all());
    }

    /** @return list<string> keys of the conditions that a row meets */
    private function met(\stdClass $row): array
    {
        $met = [];
        foreach ($this->keys as $i => $key) {
            $number = $row->{'k'.intdiv($i, self::BITS)};
            assert(is_int($number));
            if (($number & (1 << $i % self::BITS)) !== 0) {
                $met[] = $key;
            }
        }

        return $met;
    }

    /**
     * Enough of what may be taken: what no cell asks for stays where it is, and of questions that are the same to every demand and rule
     * only so many come as could be needed, in one row. What nobody asks for is not looked up.
     *
     * @param  list<Tally>  $tallies
     * @param  list<string>  $named  questions that are needed whatever they are
     * @param  int|null  $most  how many of a group are fetched; null for as many as are enough
     * @return list<Candidate>
     */
    public function candidates(array $tallies, array $named, Seed $seed, int $tests, ?int $most = null): array
    {
        $enough = Reduction::enough($this->blueprint, $tests);
        $asked = array_filter($tallies, fn (Tally $tally): bool => Reduction::isCandidate($this->blueprint, $tally->keys));
        $this->isShort = $most === null && Reduction::isDaring($this->blueprint)
            && array_filter($asked, fn (Tally $tally): bool => $tally->count > $enough['count']) !== [];
        if ($asked === [] && $named === []) {
            return [];
        }
        $by = [...$this->columns(), ...$this->measured($tests), ...$this->attributes()];
        $rows = DB::query()
            ->fromSub($this->told($named), 'question')
            ->select([...$by, 'own'])
            ->selectRaw(...$this->ids($seed, $most ?? $enough, $by))
            ->groupBy([...$by, 'own']);
        $this->limit($rows, $asked);

        return $this->apart(array_values($rows->get()->all()), $most === null && ! $this->isBundled() ? self::POOL : self::ALL);
    }

    /**
     * The identifiers of a group, as many as are enough: where points are to be reached, questions of half a point have to be more.
     *
     * @param  array{count: int, points: string, minutes: string, words: string}|int  $enough
     * @param  list<string>  $by  the columns they have in common
     * @return array{string, list<mixed>} SQL and what is bound in it
     */
    private function ids(Seed $seed, array|int $enough, array $by): array
    {
        $bound = [(string) $seed->value];
        if (is_int($enough)) {
            return ['(array_agg(id ORDER BY md5(id::text || ?)))[1:?] AS ids', [...$bound, $enough]];
        }
        $most = ['?::int'];
        $bound[] = $enough['count'];
        foreach (['points' => 'points', 'minutes' => 'minutes', 'reading_words' => 'words'] as $column => $measure) {
            if (in_array($column, $by, true)) {
                $most[] = "CASE WHEN $column > 0 THEN ceil(?::numeric / $column)::int ELSE 0 END";
                $bound[] = $enough[$measure];
            }
        }
        // all of a stimulus or none: then all of them have to be there
        $all = in_array('stimuli', $by, true) && $this->isBundled() ? "CASE WHEN stimuli <> '{}' THEN ".self::ALL.' ELSE 0 END' : '0';

        return ['(array_agg(id ORDER BY md5(id::text || ?)))[1:greatest('.implode(', ', $most).", $all)] AS ids", $bound];
    }

    private function isBundled(): bool
    {
        return array_filter($this->blueprint->rules, fn (BlueprintRule $rule): bool => $rule->rule === 'all_or_none') !== [];
    }

    /**
     * Everything there is to be told apart, with those that are named by themselves.
     *
     * @param  list<string>  $named
     */
    private function told(array $named): Builder
    {
        $stimuli = 'ARRAY(SELECT stimulus_id::text FROM question_stimuli WHERE question_id = questions.id ORDER BY 1)';
        $topics = 'ARRAY(SELECT topic_id::text FROM question_topics WHERE question_id = questions.id ORDER BY 1)';

        return $this->all()
            ->whereIn('questions.status', $this->blueprint->statuses)
            ->addSelect(self::COLUMNS)
            ->when($this->blueprint->counts('stimulus'), fn (Builder $query) => $query->selectRaw("$stimuli AS stimuli"))
            ->when($this->blueprint->counts('topic'), fn (Builder $query) => $query->selectRaw("$topics AS topics"))
            ->selectRaw('CASE WHEN questions.id = ANY (?::uuid[]) THEN questions.id END AS own', ['{'.implode(',', $named).'}']);
    }

    /**
     * Only what may be taken, what is named, and what shares a stimulus with others where it is all of them or none.
     *
     * @param  array<int, Tally>  $asked
     */
    private function limit(Builder $rows, array $asked): void
    {
        $columns = $this->columns();
        $also = 'own IS NOT NULL'.($this->isBundled() ? " OR stimuli <> '{}'" : '');
        if ($columns === []) {
            $rows->whereRaw($asked === [] ? $also : 'true');

            return;
        }
        $lists = array_fill_keys($columns, []);
        foreach ($asked as $tally) {
            foreach ($this->bits($tally->keys) as $i => $number) {
                $lists["k$i"][] = $number;
            }
        }
        $given = implode(', ', array_fill(0, count($columns), '?::bigint[]'));
        $rows->whereRaw(
            '(('.implode(', ', $columns).") IN (SELECT * FROM unnest($given)) OR $also)",
            array_map(fn (array $list): string => '{'.implode(',', $list).'}', array_values($lists)),
        );
    }

    /**
     * A candidate for each question of some rows; the same share of every row where there are too many.
     *
     * @param  list<\stdClass>  $rows
     * @return list<Candidate>
     */
    private function apart(array $rows, int $most): array
    {
        $ids = array_map(fn (\stdClass $row): array => is_string($row->ids) ? PostgresArray::read($row->ids) : [], $rows);
        for ($each = self::ALL; array_sum(array_map(fn (array $its): int => min($each, count($its)), $ids)) > $most && $each > 1;) {
            $each = intdiv(min($each, $most) + 1, 2);
            $this->isShort = true;
        }
        $candidates = [];
        foreach ($rows as $i => $row) {
            $one = $this->candidate($row);
            foreach (array_slice($ids[$i], 0, $each) as $id) {
                $candidates[] = new Candidate($id, $one->points, $one->minutes, $one->attributes, $one->words, "g$i");
            }
        }

        return $candidates;
    }

    /**
     * Some questions, as far as they are among those it looks through, in the order given.
     *
     * @param  list<string>  $ids
     * @return list<Candidate>
     */
    public function named(array $ids): array
    {
        $found = [];
        foreach ($this->all()->addSelect(self::COLUMNS)->whereIn('questions.id', $ids)->get() as $row) {
            $candidate = $this->candidate($row);
            $found[$candidate->id] = $candidate;
        }

        return array_values(array_filter(array_map(fn (string $id): ?Candidate => $found[$id] ?? null, $ids)));
    }

    /**
     * The cells that ask for something each of some questions counts for.
     *
     * @param  list<string>  $ids
     * @return array<string, list<string>> question → cells
     */
    public function cells(array $ids): array
    {
        $cells = [];
        foreach ($this->named($ids) as $candidate) {
            $cells[$candidate->id] = FoundAt::of($this->blueprint, $candidate);
        }

        return $cells;
    }

    /**
     * Questions of the first cell that a question counts for.
     *
     * @return list<string>
     */
    public function alike(string $question, int $most): array
    {
        $cell = $this->cells([$question])[$question][0] ?? null;
        $needs = $cell === null ? null : $this->blueprint->needs($cell);

        return $needs === null ? [] : array_values(array_filter(array_column($this->rows($needs, $most, 0), 'id'), is_string(...)));
    }

    /** Whether some of what may be taken was not fetched the last time. */
    public function leftOut(): bool
    {
        return $this->isShort;
    }

    /** @return list<string> columns that only some rules ask for */
    private function attributes(): array
    {
        $columns = [
            'stimulus' => 'stimuli', 'topic' => 'topics', 'tag' => 'tags', 'kind' => 'kinds', 'source' => 'source', 'author' => 'author',
            'work' => 'work', 'key' => 'key_letter',
        ];

        return array_values(array_filter($columns, $this->blueprint->counts(...), ARRAY_FILTER_USE_KEY));
    }

    /** @return list<string> columns that tell questions apart beside the conditions */
    private function measured(int $tests): array
    {
        $blueprint = $this->blueprint;
        $ranges = [$blueprint->total];
        foreach ($blueprint->tables as $table) {
            foreach ($table->cells as $cell) {
                $ranges[] = $cell->ranges;
            }
        }
        foreach ($blueprint->rules as $rule) {
            $ranges[] = $rule->ranges;
        }
        $asked = array_merge(...$ranges);

        return [
            ...isset($asked['points']) || $tests > 1 ? ['points'] : [],
            ...isset($asked['minutes']) || $tests > 1 ? ['minutes'] : [],
            ...isset($asked['words']) ? ['reading_words'] : [],
            ...$blueprint->counts('difficulty') || $tests > 1 ? ['difficulty'] : [],
        ];
    }

    /**
     * @param  list<string>  $keys
     * @return list<int>
     */
    private function bits(array $keys): array
    {
        $bits = array_fill(0, count($this->numbers), 0);
        foreach (array_flip($this->keys) as $key => $i) {
            if (in_array($key, $keys, true)) {
                $bits[intdiv($i, self::BITS)] |= 1 << $i % self::BITS;
            }
        }

        return array_values($bits);
    }

    /** What a row says of a question; of columns that it does not have, nothing is known. */
    private function candidate(\stdClass $row): Candidate
    {
        /** @var Row $row */
        $minutes = $row->minutes ?? null;

        return new Candidate(
            $row->id ?? '',
            self::plain($row->points ?? '0'),
            $minutes === null ? null : self::plain($minutes),
            array_filter([...array_fill_keys($this->met($row), ['1']), ...self::values($row)]),
            $row->reading_words ?? 0,
        );
    }

    /** @return array<string, list<string>> by attribute */
    private static function values(\stdClass $row): array
    {
        /** @var Row $row */
        $one = fn (string|int|null $value): array => $value === null || $value === '' ? [] : [(string) $value];

        return [
            'difficulty' => $one($row->difficulty ?? null),
            'stimulus' => PostgresArray::read($row->stimuli ?? '{}'),
            'topic' => PostgresArray::read($row->topics ?? '{}'),
            'tag' => PostgresArray::read($row->tags ?? '{}'),
            'kind' => PostgresArray::read($row->kinds ?? '{}'),
            'source' => $one($row->source ?? null),
            'author' => $one($row->author ?? null),
            'work' => $one($row->work ?? null),
            'key' => $one($row->key_letter ?? null),
        ];
    }

    private static function plain(string $decimal): string
    {
        return str_contains($decimal, '.') ? rtrim(rtrim($decimal, '0'), '.') : $decimal;
    }

    /**
     * The questions of a place of a table, as a list shows them.
     *
     * @param  list<string>  $needs  keys of the conditions they meet
     * @return list<array<string, mixed>>
     */
    public function rows(array $needs, int $limit, int $offset): array
    {
        $conditions = $this->blueprint->conditions();
        $query = Conditions::on(Scope::banks($this->banks), self::filter($this->blueprint->conditions))
            ->where('questions.is_complete', true)
            ->whereRaw("questions.kinds <> '{}'");
        foreach ($needs as $key) {
            [$sql, $bound] = Conditions::expression(self::filter($conditions[$key]));
            $query->whereRaw("($sql)", $bound);
        }

        $query->orderByRaw("(questions.status <> 'approved'), questions.title, questions.id");

        return self::shown($query->limit($limit)->offset($offset));
    }

    /**
     * Questions as a list shows them, those that somebody may view.
     *
     * @param  list<string>  $ids
     * @return array<string, array<string, mixed>> by id
     */
    public static function rowsOf(array $ids, User $person): array
    {
        $query = DB::table('questions')->whereIn('questions.id', $ids)->whereRaw(
            'EXISTS (SELECT 1 FROM visible_questions(?) AS visible WHERE visible.id = questions.id OFFSET 0)',
            [$person->id],
        );

        $rows = [];
        foreach (self::shown($query) as $row) {
            assert(is_string($row['id']));
            $rows[$row['id']] = $row;
        }

        return $rows;
    }

    /** @return list<array<string, mixed>> */
    private static function shown(Builder $query): array
    {
        $rows = $query
            ->join('banks', 'banks.id', '=', 'questions.bank_id')
            ->addSelect(self::SHOWN)
            ->selectRaw('(SELECT max(used_on) FROM question_occasions WHERE question_id = questions.id)::text AS used_on')
            ->get();
        $shown = [];
        foreach ($rows as $row) {
            /** @var Shown $row */
            $shown[] = [
                ...self::fields($row),
                'kinds' => PostgresArray::read($row->kinds),
                'points' => Exact::number(Exact::of($row->points)),
                'minutes' => $row->minutes === null ? null : Exact::number(Exact::of($row->minutes)),
            ];
        }

        return $shown;
    }

    /** @return array<string, mixed> */
    private static function fields(\stdClass $row): array
    {
        $fields = [];
        foreach (get_object_vars($row) as $name => $value) {
            $fields[(string) $name] = $value;
        }

        return $fields;
    }
}
