<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Standards\Association;
use WideQuarry\Standards\Framework;
use WideQuarry\Standards\Statement;
use WideQuarry\Standards\StatementCode;

/**
 * Frameworks of standards, as everybody of the organisation may see them; uses are counted in what a person may read.
 *
 * @phpstan-type Row object{id: string, parent_id: string|null, code: string, title: string, text: string, retired: bool}&\stdClass
 * @phpstan-type Stored object{identifier: string, title: string, version: string, publisher: string, language: string, notes: string,
 *     kept: string|null}&\stdClass
 * @phpstan-type Whole object{identifier: string, code: string, text: string, retired: bool, title: string, level: string, notes: string,
 *     kept: string|null}&\stdClass
 */
final class Frameworks
{
    /** @return list<\stdClass> */
    public static function all(User $person): array
    {
        /** @var list<\stdClass> */
        return DB::select(
            <<<'SQL'
                SELECT frameworks.id, frameworks.title, frameworks.version, frameworks.publisher, frameworks.retired,
                    (SELECT count(*) FROM statements WHERE framework_id = frameworks.id) AS statements,
                    (SELECT count(DISTINCT question_standards.question_id) FROM question_standards
                        JOIN statements ON statements.id = question_standards.statement_id
                        JOIN questions ON questions.id = question_standards.question_id AND questions.binned_at IS NULL
                        WHERE statements.framework_id = frameworks.id
                            AND questions.bank_id IN (SELECT bank_id FROM bank_roles(?))) AS questions
                FROM frameworks ORDER BY frameworks.retired, frameworks.title, frameworks.version DESC, frameworks.id
                SQL,
            [$person->id],
        );
    }

    public static function exists(string $framework): bool
    {
        return DB::table('frameworks')->where('id', $framework)->exists();
    }

    /** @return list<Row> in tree order */
    public static function statements(string $framework): array
    {
        /** @var list<Row> */
        return DB::select(
            'SELECT id, parent_id, code, title, text, level, notes, retired FROM statements WHERE framework_id = ? ORDER BY position',
            [$framework],
        );
    }

    /**
     * Statements by their code or by words of them, those that begin with what was typed first; or by their ids.
     *
     * @param  list<string>  $ids
     * @return list<\stdClass>
     */
    public static function find(string $words, ?string $framework, array $ids, int $most = 30): array
    {
        $each = array_map(
            fn (string $word): string => '%'.addcslashes($word, '%_\\').'%',
            array_slice(preg_split('/\s+/u', trim($words), -1, PREG_SPLIT_NO_EMPTY) ?: [], 0, 12),
        );

        /** @var list<\stdClass> */
        return DB::select(
            <<<'SQL'
                SELECT statements.id, statements.code, statements.title, statements.text, statements.retired, statements.framework_id,
                    frameworks.title AS framework, frameworks.version
                FROM statements JOIN frameworks ON frameworks.id = framework_id
                WHERE CASE WHEN ?::uuid[] <> '{}' THEN statements.id = ANY (?::uuid[])
                    ELSE NOT statements.retired AND NOT frameworks.retired AND (?::uuid IS NULL OR framework_id = ?::uuid)
                        AND (statements.code || ' ' || statements.title || ' ' || statements.text) ILIKE ALL (?::text[]) END
                ORDER BY starts_with(folded, ?) DESC, frameworks.title, frameworks.version DESC, position LIMIT ?
                SQL,
            [
                '{'.implode(',', $ids).'}',
                '{'.implode(',', $ids).'}',
                $framework,
                $framework,
                '{'.implode(',', array_map(fn (string $one): string => '"'.addcslashes($one, '"\\').'"', $each)).'}',
                StatementCode::folded($words) === '' ? ' ' : StatementCode::folded($words),
                $most,
            ],
        );
    }

    /** @return list<\stdClass> those with an end here, with what the other end is called where it is known */
    public static function associations(string $framework): array
    {
        /** @var list<\stdClass> */
        return DB::select(
            <<<'SQL'
                SELECT link.from_id, link.to_id, link.kind, other.id AS other, coalesce(other.code, '') AS code,
                    coalesce(nullif(other.title, ''), left(other.text, 200), '') AS text,
                    coalesce(trim(frameworks.title || ' ' || frameworks.version), '') AS framework
                FROM statement_associations AS link
                JOIN statements AS here ON here.framework_id = ? AND here.id IN (link.from_id, link.to_id)
                LEFT JOIN statements AS other ON other.id = CASE WHEN here.id = link.from_id THEN link.to_id ELSE link.from_id END
                LEFT JOIN frameworks ON frameworks.id = other.framework_id
                ORDER BY here.position, link.kind, other.position LIMIT 20000
                SQL,
            [$framework],
        );
    }

    /** The whole framework, by the identifiers it goes out with. */
    public static function whole(string $id): ?Framework
    {
        /** @var Stored|null $row */
        $row = DB::table('frameworks')->where('id', $id)->first();
        if ($row === null) {
            return null;
        }
        $rows = self::stored($id);
        $outside = array_column($rows, 'identifier', 'id');
        $statements = array_map(
            fn (\stdClass $one): Statement => self::statement($one, $one->parent_id === null ? null : $outside[$one->parent_id]),
            $rows,
        );
        /** @var list<object{from_id: string, to_id: string, kind: string}&\stdClass> $links */
        $links = DB::select('SELECT from_id, to_id, kind FROM statement_associations WHERE framework_id = ? ORDER BY 1, 2, 3', [$id]);
        $associations = array_map(
            fn (\stdClass $one): Association => new Association(
                $outside[$one->from_id] ?? $one->from_id,
                $outside[$one->to_id] ?? $one->to_id,
                $one->kind,
            ),
            $links,
        );

        return new Framework(
            $row->identifier,
            $row->title,
            $row->version,
            $statements,
            $associations,
            $row->publisher,
            $row->language,
            $row->notes,
            self::object($row->kept),
        );
    }

    /**
     * How many questions, stimuli, assessments and rubrics name statements, in and out of what anybody may read: what keeps one from being
     * deleted.
     *
     * @param  list<string>  $statements
     */
    public static function uses(array $statements): int
    {
        $list = '{'.implode(',', $statements).'}';
        $count = DB::scalar(
            <<<'SQL'
                SELECT (SELECT count(DISTINCT question_id) FROM question_standards WHERE statement_id = ANY (?::uuid[]))
                    + (SELECT count(*) FROM stimuli, unnest(?::text[]) AS one (id)
                        WHERE standards <> '[]' AND standards @> jsonb_build_array(jsonb_build_object('statement', one.id)))
                    + (SELECT count(*) FROM assessments, unnest(?::text[]) AS one (id)
                        WHERE content->'standards' @> jsonb_build_array(jsonb_build_object('statement', one.id)))
                    + (SELECT count(*) FROM rubrics, unnest(?::text[]) AS one (id) WHERE content::text LIKE '%' || one.id || '%')
                    + (SELECT count(*) FROM questions JOIN revisions ON question_id = questions.id AND number = revision,
                        unnest(?::text[]) AS one (id)
                        WHERE questions.has && '{rubric}' AND revisions.content::text LIKE '%' || one.id || '%')
                SQL,
            [$list, $list, $list, $list, $list],
        );

        return is_int($count) ? $count : 0;
    }

    /** Whether the person may change frameworks. */
    public static function keptBy(User $person): bool
    {
        return DB::scalar('SELECT keeps_frameworks(?)', [$person->id]) === true;
    }

    /** @return list<object{id: string, identifier: string, parent_id: string|null}&\stdClass> in tree order */
    private static function stored(string $framework): array
    {
        /** @var list<object{id: string, identifier: string, parent_id: string|null}&\stdClass> */
        return DB::select('SELECT * FROM statements WHERE framework_id = ? ORDER BY position', [$framework]);
    }

    private static function statement(\stdClass $row, ?string $parent): Statement
    {
        /** @var Whole $row */
        return new Statement(
            $row->identifier,
            $row->code,
            $row->text,
            $parent,
            $row->retired,
            $row->title,
            $row->level,
            $row->notes,
            self::object($row->kept),
        );
    }

    private static function object(?string $json): ?\stdClass
    {
        $value = $json === null ? null : Json::decode($json);

        return $value instanceof \stdClass ? $value : null;
    }
}
