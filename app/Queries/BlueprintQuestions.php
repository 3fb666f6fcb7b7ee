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
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use WideQuarry\Blueprints\Blueprint;
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
 * @phpstan-type Row object{id: string, points: string, minutes: string|null, difficulty: int|null, reading_words: int, key_letter: string,
 *     tags: string, kinds: string, source: string, author: string, work: string, stimuli: string, topics: string}&\stdClass
 * @phpstan-type Shown object{id: string, kinds: string, points: string, minutes: string|null}&\stdClass
 * @phpstan-type Counted object{status: string, unused: bool, count: int, points: string}&\stdClass
 */
final class BlueprintQuestions
{
    private const ALL = 1_000_000;

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

    private bool $isShort = false;

    /** @param  list<string>  $banks  those that may be looked through */
    private function __construct(private readonly Blueprint $blueprint, public readonly array $banks)
    {
        $conditions = $blueprint->conditions();
        $assessments = $blueprint->assessments();
        $this->keys = [...array_keys($conditions), ...array_keys($assessments)];
        $expressions = [
            ...array_map(self::expression(...), array_values($conditions)),
            ...array_map(self::askedIn(...), array_values($assessments)),
        ];
        foreach (array_chunk($expressions, self::BITS) as $some) {
            $terms = $values = [];
            foreach ($some as $bit => [$sql, $bound]) {
                $terms[] = "CASE WHEN $sql THEN ".(1 << $bit).'::bigint ELSE 0 END';
                array_push($values, ...$bound);
            }
            $this->numbers[] = implode(' | ', $terms);
            $this->bound[] = $values;
        }
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
     * @param  array<string, list<string>>  $conditions
     * @return array{string, list<mixed>}
     */
    private static function expression(array $conditions): array
    {
        return Conditions::expression(self::filter($conditions));
    }

    /**
     * @param  list<string>  $assessments
     * @return array{string, list<mixed>}
     */
    private static function askedIn(array $assessments): array
    {
        return [
            'questions.id IN (SELECT question_id FROM assessment_uses WHERE assessment_id = ANY (?::uuid[]))',
            ['{'.implode(',', $assessments).'}'],
        ];
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
     * Enough of what may be taken: what no cell asks for stays where it is, and of questions that are the same only so many are fetched
     * as could be taken.
     *
     * @param  list<Tally>  $tallies
     * @param  list<string>  $named  questions that are needed whatever they are
     * @param  bool  $isWhole  whether all of them are fetched, not just enough
     * @return list<Candidate>
     */
    public function candidates(array $tallies, array $named, Seed $seed, int $tests, bool $isWhole): array
    {
        $this->isShort = false;
        $enough = [];
        foreach ($tallies as $tally) {
            $most = Reduction::enough($this->blueprint, $tally->keys, $tests);
            $this->isShort = $this->isShort || $most > 0 && $tally->count > $most && ! $isWhole;
            $enough[implode(' ', $this->bits($tally->keys))] = $isWhole ? min($most, 1) * self::ALL : $most;
        }
        $enough = array_filter($enough);
        if ($enough === [] && $named === []) {
            return [];
        }
        $isBundled = array_filter($this->blueprint->rules, fn ($rule): bool => $rule->rule === 'all_or_none') !== [];
        $columns = $this->columns();
        $apart = implode(', ', [...$columns, ...$this->measured($tests)]);
        $sql = $this->all()
            ->whereIn('questions.status', $this->blueprint->statuses)
            ->addSelect(self::COLUMNS);
        $ranked = DB::query()->fromSub($sql, 'question')->selectRaw(
            "question.*, row_number() OVER (PARTITION BY $apart ORDER BY md5(id::text || ?), id) AS place",
            [(string) $seed->value],
        );
        $rows = DB::query()->fromSub($ranked, 'question')->select('question.*')->selectRaw($this->attributes());
        $this->limit($rows, $enough);
        $isAlsoTaken = $isBundled ? ' OR EXISTS (SELECT 1 FROM question_stimuli WHERE question_stimuli.question_id = question.id)' : '';
        $rows->whereRaw("place <= limits.enough OR question.id = ANY (?::uuid[])$isAlsoTaken", ['{'.implode(',', $named).'}']);

        return array_values($rows->get()->map($this->candidate(...))->all());
    }

    /**
     * Joins how many of each bits are enough.
     *
     * @param  array<string, int>  $enough  numbers of the bits, with a blank between → how many
     */
    private function limit(Builder $rows, array $enough): void
    {
        $columns = $this->columns();
        $lists = array_fill_keys($columns, []);
        foreach (array_keys($enough) as $bits) {
            foreach ($columns === [] ? [] : explode(' ', (string) $bits) as $i => $number) {
                $lists["k$i"][] = $number;
            }
        }
        $given = implode(', ', [...array_fill(0, count($columns), '?::bigint[]'), '?::int[]']);
        $is = implode(' AND ', ['true', ...array_map(fn (string $k): string => "question.$k = limits.$k", $columns)]);
        $names = implode(', ', [...$columns, 'enough']);
        $bound = array_map(fn (array $list): string => '{'.implode(',', $list).'}', [...array_values($lists), array_values($enough)]);
        $rows->leftJoin(DB::raw("unnest($given) AS limits ($names)"), fn (JoinClause $join): JoinClause => $join->whereRaw($is));
        $rows->addBinding($bound, 'join');
    }

    /**
     * Some questions, as far as they are among those it looks through, in the order given.
     *
     * @param  list<string>  $ids
     * @return list<Candidate>
     */
    public function named(array $ids): array
    {
        $query = $this->all()->addSelect(self::COLUMNS)->whereIn('questions.id', $ids);
        $rows = DB::query()->fromSub($query, 'question')->select('question.*')->selectRaw($this->attributes())->get();
        $found = [];
        foreach ($rows as $row) {
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

    /** What only some rules ask for. */
    private function attributes(): string
    {
        $blueprint = $this->blueprint;
        $none = "'{}'::text[]";
        $stimuli = $blueprint->counts('stimulus')
            ? 'ARRAY(SELECT stimulus_id::text FROM question_stimuli WHERE question_stimuli.question_id = question.id)'
            : $none;
        $topics = $blueprint->counts('topic')
            ? 'ARRAY(SELECT topic_id::text FROM question_topics WHERE question_topics.question_id = question.id)'
            : $none;

        return "$stimuli AS stimuli, $topics AS topics";
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
            ...$blueprint->counts('key') ? ['key_letter'] : [],
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

    private function candidate(\stdClass $row): Candidate
    {
        /** @var Row $row */
        $one = fn (string|int|null $value): array => $value === null || $value === '' ? [] : [(string) $value];

        return new Candidate(
            $row->id,
            self::plain($row->points),
            $row->minutes === null ? null : self::plain($row->minutes),
            array_filter([
                ...array_fill_keys($this->met($row), ['1']),
                'difficulty' => $one($row->difficulty),
                'stimulus' => PostgresArray::read($row->stimuli),
                'topic' => PostgresArray::read($row->topics),
                'tag' => PostgresArray::read($row->tags),
                'kind' => PostgresArray::read($row->kinds),
                'source' => $one($row->source),
                'author' => $one($row->author),
                'work' => $one($row->work),
                'key' => $one($row->key_letter),
            ]),
            $row->reading_words,
        );
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
            [$sql, $bound] = self::expression($conditions[$key]);
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
