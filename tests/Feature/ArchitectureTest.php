<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;
use Tests\Arch\Diagrams;

it('shows the data in the architecture page as the database has it', function (): void {
    $keys = DB::select(
        <<<'SQL'
        SELECT conrelid::regclass::text AS child, confrelid::regclass::text AS parent FROM pg_constraint
        WHERE contype = 'f' AND connamespace = 'public'::regnamespace
        SQL,
    );
    $drawn = Diagrams::data(array_map(fn (stdClass $key): array => [(string) $key->child, (string) $key->parent], $keys));

    expect(Diagrams::isCurrent('data', $drawn))->toBeTrue('docs/developers/architecture.md is out of date: run this test with '.
        'QUARRY_DRAW=1.');
});
