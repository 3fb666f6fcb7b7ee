<?php

declare(strict_types=1);

namespace App\Storage;

use App\Errors\Refused;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Messages\Message;

/**
 * How much one person, and one bank, may hold, so that nobody fills the disk for everybody. Set with QUARRY_QUOTA_…; see
 * docs/operators.
 */
final class Quota
{
    private const AUTOSAVES = 500;

    /** @throws Refused when files of so many bytes are more than a person may have waiting or kept from imports */
    public static function allowUpload(User $person, int $bytes): void
    {
        $limit = config()->integer('app.quota.person_mb') * 1_000_000;
        $used = self::whole(DB::table('intake_files')
            ->join('intakes', 'intakes.id', '=', 'intake_id')
            ->where('user_id', $person->id)
            ->sum('bytes'));
        if ($used + $bytes > $limit) {
            throw Refused::because(
                'quota.person',
                Message::of('app.storage.your-imports-would-take', ['limit' => intdiv($limit, 1_000_000)]),
                '/files',
            );
        }
    }

    /** @throws Refused when the pictures and recordings of an import do not fit into a bank */
    public static function allowMedia(string $bankId, string $intakeId): void
    {
        $new = self::whole(DB::scalar(
            "SELECT coalesce(sum((value->>'bytes')::bigint), 0) FROM staged_things WHERE intake_id = ? AND type = 'medium'",
            [$intakeId],
        ));
        self::allowBytes($bankId, $new, '/bank');
    }

    /** @throws Refused when so many bytes more do not fit into a bank */
    public static function allowBytes(string $bankId, int $new, string $path = '/file'): void
    {
        $limit = config()->integer('app.quota.bank_mb') * 1_000_000;
        if ($new > 0 && self::whole(DB::table('media')->where('bank_id', $bankId)->sum('bytes')) + $new > $limit) {
            throw Refused::because(
                'quota.bank',
                Message::of('app.storage.pictures-recordings-bank-would', ['limit' => intdiv($limit, 1_000_000)]),
                $path,
            );
        }
    }

    /** @throws Refused when somebody keeps more unsaved drafts than one could ever look through */
    public static function allowAutosave(User $person, string $subject): void
    {
        $others = DB::table('autosaves')->where('user_id', $person->id)->where('subject', '<>', $subject)->count();
        if ($others >= self::AUTOSAVES) {
            throw Refused::because(
                'quota.autosaves',
                Message::of('app.storage.you-unsaved-drafts-save', ['autosaves' => self::AUTOSAVES]),
            );
        }
    }

    /** A sum as PostgreSQL gives it: a text, since it may be larger than any integer. */
    private static function whole(mixed $sum): int
    {
        return is_numeric($sum) ? (int) $sum : 0;
    }
}
