<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\User;
use App\Policies\ReadableIds;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\DrawSource;

/** What the conditions of draws are called that name things by their identifiers. In one query, whatever the number of draws. */
final readonly class ConditionNames
{
    private const STATEMENT = "SELECT id::text, trim(code || ' ' || left(coalesce(nullif(title, ''), text), 80)) AS name FROM statements
        WHERE id = ANY (:ids)";

    private const FOLDER = 'SELECT id::text, name FROM folders WHERE id = ANY (:ids) AND bank_id = ANY (:banks)';

    private const PERSON = 'SELECT id::text, name FROM users WHERE id = ANY (:ids)';

    /** Condition → where what it names is, as far as somebody who reads the banks may see it, and how that is called. */
    private const NAMES = [
        'topic' => 'SELECT id::text, title AS name FROM topics WHERE id = ANY (:ids)
            AND (bank_id = ANY (:banks) OR team_id IN (SELECT team_id FROM banks WHERE id = ANY (:banks)))',
        'folder' => self::FOLDER,
        'place' => self::FOLDER,
        'standard' => self::STATEMENT,
        'assesses' => self::STATEMENT,
        'covers' => self::STATEMENT,
        'framework' => 'SELECT id::text, title AS name FROM frameworks WHERE id = ANY (:ids)',
        'stimulus' => "SELECT id::text, coalesce(nullif(title, ''), left(stem, 60)) AS name FROM stimuli WHERE id = ANY (:ids)
            AND bank_id = ANY (:banks)",
        'by' => self::PERSON,
        'editor' => self::PERSON,
    ];

    /**
     * @param  array<string, string>  $names  identifier → what it is called; those of things that are gone are missing
     * @param  array<string, string>  $banks  bank → its name, of those this person may read
     */
    private function __construct(private array $names, private array $banks)
    {
    }

    public static function of(Assessment $assessment, User $person): self
    {
        return self::in(array_values($assessment->namedConditions()), $person);
    }

    /** @param  list<DrawSource>  $sources */
    public static function in(array $sources, User $person): self
    {
        if ($sources === []) {
            return new self([], []);
        }
        $wanted = [];
        foreach (array_merge(...array_map(self::identifiers(...), $sources)) as [$name, $id]) {
            $wanted[self::NAMES[$name]][$id] = true;
        }
        $named = array_values(array_unique(array_merge(...array_map(fn (DrawSource $source): array => $source->banks, $sources))));
        $banks = array_keys(ReadableIds::of($person)->banks($named));
        $queries = ['SELECT id::text, name FROM banks WHERE id = ANY (:banks)'];
        $bound = ['banks' => '{'.implode(',', $banks).'}'];
        foreach (array_keys($wanted) as $i => $query) {
            $queries[] = str_replace(':ids', ":ids$i", $query);
            $bound["ids$i"] = '{'.implode(',', array_keys($wanted[$query])).'}';
        }
        $sql = preg_replace('/:(\w+)\)/', '(SELECT $1 FROM given)::uuid[])', implode(' UNION ALL ', $queries));
        $given = implode(', ', array_map(fn (string $name): string => "?::uuid[] AS $name", array_keys($bound)));
        /** @var list<object{id: string, name: string}&\stdClass> $rows */
        $rows = DB::select("WITH given AS (SELECT $given) $sql", array_values($bound));
        $names = array_column($rows, 'name', 'id');

        return new self($names, array_intersect_key($names, array_flip($banks)));
    }

    /** @return array<string, mixed> what a reader is told of a source */
    public function said(DrawSource $source): array
    {
        $isOpen = array_diff($source->banks, array_keys($this->banks)) === [];
        $ids = array_column(self::identifiers($source), 1);

        return [
            'pool' => count($source->pool),
            'open' => $isOpen,
            'banks' => array_values(array_intersect_key($this->banks, array_flip($source->banks))),
            'names' => (object) ($isOpen ? array_intersect_key($this->names, array_flip($ids)) : []),
            'gone' => count(array_diff($ids, array_keys($this->names))),
        ];
    }

    /** @return list<string> the conditions of a draw that name what is gone */
    public function gone(DrawSource $source): array
    {
        $gone = array_filter(self::identifiers($source), fn (array $one): bool => ! isset($this->names[$one[1]]));

        return array_values(array_unique(array_column($gone, 0)));
    }

    /** @return list<array{string, string}> condition and identifier */
    private static function identifiers(DrawSource $source): array
    {
        $named = [];
        foreach ($source->conditions ?? [] as $name => $values) {
            $plain = str_starts_with($name, 'not-') ? substr($name, 4) : $name;
            foreach (isset(self::NAMES[$plain]) ? $values : [] as $id) {
                $named[] = [$plain, $id];
            }
        }

        return $named;
    }
}
