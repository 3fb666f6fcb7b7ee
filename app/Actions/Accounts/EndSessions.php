<?php

declare(strict_types=1);

namespace App\Actions\Accounts;

use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Signs a person out everywhere, or everywhere but here. Sessions that lie elsewhere than in the table end by their time of sign-in. */
final class EndSessions
{
    public function handle(User $person, ?string $keep): void
    {
        DB::table('sessions')
            ->where('user_id', $person->id)
            ->when($keep !== null, fn ($query) => $query->where('id', '<>', $keep))
            ->delete();
        $person->forceFill(['signed_out_before' => now(), 'remember_token' => null])->save();
    }
}
