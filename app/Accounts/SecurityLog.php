<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;

/** What happened to accounts and rights: who, when, from where. Never a password, a token or a question. */
final class SecurityLog
{
    /** @param  array<string, mixed>  $details  ids and names */
    public static function write(string $kind, ?User $person, array $details = []): void
    {
        $request = app()->bound('request') ? request() : null;
        DB::table('security_log')->insert([
            'kind' => $kind,
            'user_id' => $person?->id,
            'person' => $person->email ?? '',
            'address' => $request?->ip() ?? '',
            'details' => Json::encode((object) $details),
        ]);
    }
}
