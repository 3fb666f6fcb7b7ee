<?php

declare(strict_types=1);

namespace App\Infrastructure;

use Illuminate\Support\Facades\DB;

/** Whether what the application needs is there. */
final class Health
{
    private const ROOM = 100_000_000; // bytes on the disk below which nothing large can be stored

    /** @return array{database: bool, disk: bool, worker: bool} */
    public static function parts(): array
    {
        return ['database' => self::database(), 'disk' => self::disk(), 'worker' => self::worker()];
    }

    private static function database(): bool
    {
        try {
            return DB::scalar('SELECT 1') === 1;
        } catch (\Throwable) {
            return false;
        }
    }

    private static function disk(): bool
    {
        $folder = storage_path('app/private');
        $probe = $folder.'/.probe-'.getmypid();
        $isWritten = @file_put_contents($probe, str_repeat('x', 4096)) === 4096;
        @unlink($probe);

        return $isWritten && (float) @disk_free_space($folder) > self::ROOM;
    }

    private static function worker(): bool
    {
        try {
            return WorkerHeartbeat::isAnyAlive();
        } catch (\Throwable) {
            return false;
        }
    }
}
