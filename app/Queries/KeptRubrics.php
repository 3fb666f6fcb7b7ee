<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Bank;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Rubrics kept in banks, by their names: rows of `rubrics` with `bank_name` and `bank_slug`. */
final class KeptRubrics
{
    private const AT_MOST = 1000;

    /** @return list<\stdClass> of all banks the person may read */
    public static function readableBy(User $person): array
    {
        /** @var list<\stdClass> */
        return DB::select(
            <<<'SQL'
                SELECT rubrics.*, banks.name AS bank_name, banks.slug AS bank_slug FROM rubrics JOIN banks ON banks.id = rubrics.bank_id
                    JOIN bank_roles(?) AS mine ON mine.bank_id = rubrics.bank_id ORDER BY rubrics.title, rubrics.id LIMIT ?
                SQL,
            [$person->id, self::AT_MOST],
        );
    }

    /** @return list<\stdClass> */
    public static function of(Bank $bank): array
    {
        /** @var list<\stdClass> */
        return DB::select(
            <<<'SQL'
                SELECT rubrics.*, banks.name AS bank_name, banks.slug AS bank_slug FROM rubrics JOIN banks ON banks.id = rubrics.bank_id
                    WHERE bank_id = ? ORDER BY rubrics.title, rubrics.id LIMIT ?
                SQL,
            [$bank->id, self::AT_MOST],
        );
    }
}
