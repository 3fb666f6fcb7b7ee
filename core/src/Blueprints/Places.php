<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

/** What places of tables are called: `t1|r2|c3`, in the margins `t1|r2|` and `t1||c3`. Demands of a problem have the same ids. */
final class Places
{
    public const TOTAL = 'total';

    public static function id(Table $table, ?string $row, ?string $column): string
    {
        return "$table->id|$row|$column";
    }

    /** Of the demand that nothing is taken that no cell of a table asks for. */
    public static function outside(Table $table): string
    {
        return "$table->id|outside";
    }
}
