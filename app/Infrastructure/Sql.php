<?php

declare(strict_types=1);

namespace App\Infrastructure;

use Illuminate\Support\Facades\DB;

/** Statements that are better written as SQL than built. */
final class Sql
{
    /**
     * @param  list<mixed>  $values
     * @return list<\stdClass>
     */
    public static function rows(string $sql, array $values = []): array
    {
        /** @var list<\stdClass> */
        return DB::select($sql, $values);
    }
}
