<?php

declare(strict_types=1);

namespace App\Search;

use Illuminate\Database\Query\Builder;

/** What a list is sorted by; rows that are equal there are in the order of their identifiers. */
final readonly class Order
{
    /** The expression each order goes by, and its type. */
    private const KEYS = [
        'title' => ['questions.title', 'text'],
        'updated' => ['questions.updated_at', 'timestamptz'],
        'created' => ['questions.created_at', 'timestamptz'],
        'difficulty' => ['coalesce(questions.difficulty, 0)', 'int'],
        'points' => ['questions.points', 'numeric'],
        'uses' => ['questions.uses', 'int'],
    ];

    /** @param  list<string>  $bindings */
    private function __construct(private string $key, private string $type, private bool $descends, private array $bindings = [])
    {
    }

    public static function of(QuestionFilter $filter, bool $isBroad): self
    {
        if ($filter->sort === 'best') {
            return $isBroad
                ? new self('questions.updated_at', 'timestamptz', true)
                : new self('ts_rank(found.words, ?::tsquery)', 'float4', true, [$filter->words->tsquery()]);
        }
        if ($filter->sort === 'own') {
            return new self(
                '(SELECT position FROM placements WHERE question_id = questions.id AND folder_id = ?)',
                'int',
                false,
                [$filter->values['place'][0] ?? ''],
            );
        }

        return new self(...[...self::KEYS[ltrim($filter->sort, '-')], str_starts_with($filter->sort, '-')]);
    }

    /** Selects the key as `at`, sorts, and begins behind the cursor. */
    public function on(Builder $query, ?Cursor $from): void
    {
        $query->selectRaw("($this->key)::text AS at", $this->bindings);
        // Written so that the order's index begins here: an OR of both would read all that comes before and throw it away.
        if ($from !== null && $this->descends) {
            $query->whereRaw("$this->key <= ?::$this->type AND ($this->key < ?::$this->type OR questions.id > ?)", [
                ...$this->bindings,
                $from->at,
                ...$this->bindings,
                $from->at,
                $from->id,
            ]);
        } elseif ($from !== null) {
            $query->whereRaw("($this->key, questions.id) > (?::$this->type, ?::uuid)", [...$this->bindings, $from->at, $from->id]);
        }
        $query->orderByRaw($this->key.($this->descends ? ' DESC' : ' ASC'), $this->bindings)->orderBy('questions.id');
    }
}
