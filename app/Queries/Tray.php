<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\PostgresArray;
use App\Infrastructure\Sql;
use App\Models\User;

/** What lies in the tray of a person. */
final class Tray
{
    /** @return list<array<string, mixed>> in the order it was put there, as far as the person may see it */
    public static function of(User $user): array
    {
        /** @var list<object{kinds: string, points: string, may_write: bool|null}&\stdClass> $rows */
        $rows = Sql::rows(
            <<<'SQL'
            SELECT questions.id, questions.title, questions.kinds, questions.points, banks.slug AS bank, banks.name AS bank_name,
                mine.role >= 'writer' AS may_write
            FROM trays JOIN questions ON questions.id = trays.question_id JOIN banks ON banks.id = questions.bank_id LEFT
                JOIN bank_roles(?) AS mine ON mine.bank_id = banks.id
            WHERE trays.user_id = ? AND EXISTS (SELECT 1 FROM visible_questions(?) AS visible
                WHERE visible.id = questions.id OFFSET 0) ORDER BY trays.position
            SQL,
            [$user->id, $user->id, $user->id],
        );

        /** @var list<array<string, mixed>> */
        return array_map(
            fn (\stdClass $row): array => [
                ...get_object_vars($row),
                'kinds' => PostgresArray::read($row->kinds),
                'points' => (float) $row->points,
                'may_write' => $row->may_write === true,
            ],
            $rows,
        );
    }
}
