<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** One thing that somebody does to one question or many, as it is stored. */
final class BulkOperation
{
    /** Where more are changed, the work goes on in the background. */
    public const AT_ONCE = 500;

    public const STATES = ['waiting', 'running', 'done', 'stopped', 'failed'];

    /**
     * Begins one that is done step by step, under the id that is given back.
     *
     * @param  array<string, mixed>  $more  columns
     */
    public static function begin(string $kind, User $person, array $more = []): string
    {
        $id = (string) Str::uuid7();
        DB::table('bulk_operations')->insert(['id' => $id, 'user_id' => $person->id, 'kind' => $kind, ...$more]);

        return $id;
    }

    public static function ended(string $id, string $state): void
    {
        DB::table('bulk_operations')
            ->where('id', $id)
            ->whereIn('state', ['waiting', 'running'])
            ->update(['state' => $state, 'finished_at' => now()]);
    }
}
