<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Standards\Association;
use WideQuarry\Standards\Framework;
use WideQuarry\Standards\Statement;

/** Frameworks of standards, as everybody of the organisation may see them; uses are counted in what a person may read. */
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

    /** @return list<\stdClass> in tree order */
    public static function statements(string $framework): array
    {
        /** @var list<\stdClass> */
        return DB::select(
            'SELECT id, parent_id, code, title, text, level, notes, retired FROM statements WHERE framework_id = ? ORDER BY position',
            [$framework],
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
                    coalesce(frameworks.title || CASE WHEN frameworks.version = '' THEN '' ELSE ' ' || frameworks.version END, '') AS framework
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
        $row = DB::table('frameworks')->where('id', $id)->first();
        if (! $row instanceof \stdClass) {
            return null;
        }
        $rows = DB::select('SELECT * FROM statements WHERE framework_id = ? ORDER BY position', [$id]);
        $outside = array_column($rows, 'identifier', 'id');
        $statements = array_map(
            fn (\stdClass $one): Statement => new Statement(
                $one->identifier,
                $one->code,
                $one->text,
                $one->parent_id === null ? null : $outside[$one->parent_id],
                $one->retired,
                $one->title,
                $one->level,
                $one->notes,
                self::object($one->kept),
            ),
            $rows,
        );
        $associations = array_map(
            fn (\stdClass $one): Association => new Association(
                $outside[$one->from_id] ?? $one->from_id,
                $outside[$one->to_id] ?? $one->to_id,
                $one->kind,
            ),
            DB::select('SELECT from_id, to_id, kind FROM statement_associations WHERE framework_id = ? ORDER BY 1, 2, 3', [$id]),
        );

        return new Framework(
            $row->identifier,
            $row->title,
            $row->version,
            array_values($statements),
            array_values($associations),
            $row->publisher,
            $row->language,
            $row->notes,
            self::object($row->kept),
        );
    }

    /**
     * Where statements are used, in and out of what anybody may read: what keeps one from being deleted.
     *
     * @param  list<string>  $statements
     */
    public static function uses(array $statements): int
    {
        $count = DB::scalar(
            'SELECT count(DISTINCT question_id) FROM question_standards WHERE statement_id = ANY (?::uuid[])',
            ['{'.implode(',', $statements).'}'],
        );

        return is_int($count) ? $count : 0;
    }

    /** Whether the person may change frameworks. */
    public static function keptBy(User $person): bool
    {
        return DB::scalar('SELECT keeps_frameworks(?)', [$person->id]) === true;
    }

    private static function object(?string $json): ?\stdClass
    {
        $value = $json === null ? null : Json::decode($json);

        return $value instanceof \stdClass ? $value : null;
    }
}
