<?php

declare(strict_types=1);

namespace App\Infrastructure;

use Illuminate\Cache\FileStore;
use Illuminate\Support\Facades\Cache;

/**
 * Counts requests in files, which is cheaper than six queries each; in the database while the disk takes no files. A full disk neither
 * stops everybody nor lifts the limits.
 */
final class LimiterStore extends FileStore
{
    /** @param  string  $key */
    public function add($key, $value, $seconds): bool
    {
        try {
            return parent::add($key, $value, $seconds);
        } catch (\Throwable) {
            return Cache::store('database')->add($key, $value, $seconds);
        }
    }

    /** @param  string  $key */
    public function put($key, $value, $seconds): bool
    {
        try {
            return parent::put($key, $value, $seconds);
        } catch (\Throwable) {
            return Cache::store('database')->put($key, $value, $seconds);
        }
    }

    /**
     * @param  string  $key
     * @param  int  $value
     */
    public function increment($key, $value = 1): int
    {
        try {
            $count = parent::increment($key, $value);
        } catch (\Throwable) {
            $count = Cache::store('database')->increment($key, $value);
        }

        return (int) $count;
    }
}
