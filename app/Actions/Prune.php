<?php

declare(strict_types=1);

namespace App\Actions;

use App\Actions\Backup\Backup;
use App\Actions\Media\ReceivePieces;
use App\Storage\StoredFiles;
use App\Storage\StoredReferences;
use Illuminate\Support\Facades\DB;

/**
 * Deletes what nobody needs any more: made files, prints, keys, ended sessions and links. Questions, imports in review and receipts
 * stay.
 */
final class Prune
{
    public const FILE_DAYS = 30;

    /** A file is stored a moment before the row that names it. */
    private const GRACE = 86400; // seconds

    /** Table, column and age. The rows of each are of no use once they are so old. */
    private const OLD_ROWS = [
        ['idempotency_keys', 'created_at', '1 day'],
        ['prints', 'created_at', '30 days'],
        ['print_orders', 'created_at', '1 day'],
        ['password_links', 'expires_at', '0 days'],
        ['personal_access_tokens', 'expires_at', '30 days'],
        ['outbox', 'created_at', '30 days'],
        ['notifications', 'created_at', '1 year'],
        ['failed_jobs', 'failed_at', '30 days'],
        ['queue_turns', 'served_at', '1 day'],
        ['work_tries', 'begun_at', '7 days'],
        ['workers', 'beat_at', '1 day'],
    ];

    /** @return array<string, int> what was deleted, by name */
    public function handle(): array
    {
        $deleted = [];
        foreach (self::OLD_ROWS as [$table, $column, $age]) {
            $deleted[$table] = DB::delete("DELETE FROM $table WHERE $column < now() - ?::interval", [$age]);
        }
        $deleted['sessions'] = DB::table('sessions')
            ->where('last_activity', '<', now()->subMinutes(config()->integer('session.lifetime'))->getTimestamp())
            ->delete();
        $deleted['dispatches'] = DB::update(
            'UPDATE dispatches SET sha256 = NULL WHERE sha256 IS NOT NULL AND updated_at < now() - make_interval(days => ?)',
            [self::FILE_DAYS],
        );
        $deleted['intakes'] = DB::delete(
            <<<'SQL'
                DELETE FROM intakes WHERE state IN ('cancelled', 'failed') AND updated_at < now() - make_interval(days => ?)
                    AND NOT EXISTS (SELECT 1 FROM receipts WHERE intake_id = intakes.id)
                SQL,
            [self::FILE_DAYS],
        );
        // a picture that comes again is to get its copies again
        $deleted['media_sizes'] = DB::delete('DELETE FROM media_sizes WHERE sha256 NOT IN (SELECT sha256 FROM media)');
        $deleted['uploads'] = ReceivePieces::sweep(self::GRACE);
        $deleted['files'] = $this->files();

        return $deleted;
    }

    private function files(): int
    {
        if (DB::scalar('SELECT pg_try_advisory_lock(hashtextextended(?, 0))', [Backup::LOCK]) !== true) {
            return 0; // a backup copies them right now
        }
        $deleted = 0;
        try {
            foreach (['media', 'files'] as $folder) {
                $store = new StoredFiles($folder);
                $named = StoredReferences::in($folder);
                foreach ($store->all() as $sha256) {
                    if (! isset($named[$sha256]) && (int) @filemtime($store->path($sha256)) < time() - self::GRACE) {
                        $store->forget($sha256);
                        $deleted++;
                    }
                }
                $deleted += $store->sweep(self::GRACE);
            }
            foreach (glob(storage_path('framework/heavy/*')) ?: [] as $file) {
                if ((int) @filemtime($file) < time() - self::GRACE) {
                    @unlink($file);
                }
            }
        } finally {
            DB::scalar('SELECT pg_advisory_unlock(hashtextextended(?, 0))', [Backup::LOCK]);
        }

        return $deleted;
    }
}
