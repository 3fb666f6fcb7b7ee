<?php

declare(strict_types=1);

namespace App\Actions\Accounts;

use App\Accounts\Notify;
use App\Accounts\SecurityLog;
use App\Errors\Refused;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Messages\Message;
use WideQuarry\Sharing\Role;

/** Gives the banks that one person manages to another, as when somebody leaves the school. */
final class HandOver
{
    /**
     * @return int how many banks
     *
     * @throws Refused
     */
    public function handle(User $from, User $to, User $by, string $words = ''): int
    {
        if ($from->id === $to->id || $to->disabled_at !== null) {
            throw Refused::because('hand_over.to', Message::of('app.actions.accounts.choose-another-person-can'), '/to');
        }
        $banks = self::granted($from, $to);
        SecurityLog::write('hand_over', $by, ['from' => $from->email, 'to' => $to->email, 'banks' => array_column($banks, 'slug')]);
        foreach ($banks as $bank) {
            Notify::tell(
                $to,
                'hand_over',
                Message::of('app.actions.accounts.handed-bank-over-you', [
                    'name' => $by->name,
                    'bank' => $bank->name,
                    'before' => $from->name,
                ]),
                $words,
                "/banks/$bank->slug",
            );
        }

        return count($banks);
    }

    /** @return list<object{id: string, slug: string, name: string}&\stdClass> the banks that the other manages now */
    private static function granted(User $from, User $to): array
    {
        /** @var list<object{id: string, slug: string, name: string}&\stdClass> */
        return DB::transaction(function () use ($from, $to): array {
            $banks = DB::table('bank_grants')
                ->join('banks', 'banks.id', '=', 'bank_id')
                ->where('user_id', $from->id)
                ->where('role', Role::Keeper->value)
                ->lockForUpdate()
                ->get(['banks.id', 'slug', 'name'])
                ->all();
            foreach ($banks as $bank) {
                DB::table('bank_grants')
                    ->where('bank_id', $bank->id)
                    ->whereIn('user_id', [$from->id, $to->id])
                    ->delete();
                DB::table('bank_grants')->insert(['bank_id' => $bank->id, 'user_id' => $to->id, 'role' => Role::Keeper->value]);
            }

            return $banks;
        });
    }
}
