<?php

declare(strict_types=1);

namespace App\Infrastructure;

use App\Queries\Topics;
use Illuminate\Support\Facades\DB;

/** Lets one transaction at a time change a tree of folders or topics, so that two moves cannot make a ring and two people no twin. */
final class TreeLock
{
    /**
     * @template Result
     *
     * @param  'folders'|'topics'  $tree
     * @param  callable(): Result  $do  in a transaction; the lock is held to the end of the outermost one
     * @return Result
     */
    public static function hold(string $tree, string $bankId, callable $do): mixed
    {
        $owner = $tree === 'folders' ? $bankId : implode('', array_filter(Topics::owner($bankId), is_string(...)));

        return DB::transaction(function () use ($tree, $owner, $do): mixed {
            DB::select('SELECT pg_advisory_xact_lock(hashtextextended(?, 0))', ["$tree $owner"]);

            return $do();
        });
    }
}
