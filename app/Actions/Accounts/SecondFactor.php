<?php

declare(strict_types=1);

namespace App\Actions\Accounts;

use App\Accounts\Notify;
use App\Accounts\SecurityLog;
use App\Accounts\Totp;
use App\Errors\Refused;
use App\Models\User;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** A second factor beside the password: codes of an authenticator app, and recovery codes for when it is lost. */
final class SecondFactor
{
    private const RECOVERY_CODES = 10;

    /** @return array{secret: string, address: string} for an app to read; it counts once a code was given */
    public function begin(User $person): array
    {
        if ($person->second_factor_on) {
            throw Refused::because('second_factor.on', Message::of('app.actions.accounts.second-factor-already-turn'));
        }
        $secret = Totp::secret();
        $person->forceFill(['second_factor' => Crypt::encryptString(base64_encode($secret)), 'second_factor_step' => 0])->save();

        return ['secret' => Totp::base32($secret), 'address' => Totp::address($secret, 'Wide Quarry', $person->email)];
    }

    /**
     * @return list<string> recovery codes, shown once
     *
     * @throws Refused
     */
    public function confirm(User $person, string $code): array
    {
        if ($person->second_factor === null || $person->second_factor_on || ! $this->spend($person, $code)) {
            throw Refused::because(
                'second_factor.wrong',
                Message::of('app.actions.accounts.code-not-right'),
                '/code',
            );
        }
        $codes = array_map(
            fn (): string => implode('-', str_split(strtolower(substr(Totp::base32(random_bytes(10)), 0, 12)), 4)),
            range(1, self::RECOVERY_CODES),
        );
        $person->forceFill(['second_factor_on' => true, 'recovery_codes' => Json::encode(array_map(self::hash(...), $codes))])->save();
        SecurityLog::write('second_factor_on', $person);
        Notify::mail(
            $person,
            Message::of('app.actions.accounts.second-factor-turned'),
            [
                Message::of('app.actions.accounts.signing-wide-quarry-now'),
            ],
            '/forgot',
        );

        return $codes;
    }

    public function off(User $person): void
    {
        $person->forceFill(['second_factor_on' => false, 'second_factor' => null, 'recovery_codes' => '[]'])->save();
        SecurityLog::write('second_factor_off', $person);
        Notify::mail(
            $person,
            Message::of('app.actions.accounts.second-factor-turned-off'),
            [Message::of('app.actions.accounts.signing-wide-quarry-longer')],
            '/forgot',
        );
    }

    /** @throws Refused when a code is asked for, or the one given is wrong */
    public function pass(User $person, string $code): void
    {
        if (trim($code) === '') {
            throw Refused::because('session.second_factor', Message::of('app.actions.accounts.enter-code-your-authenticator'), '/code');
        }
        if (! $this->spend($person, $code) && ! $this->recover($person, $code)) {
            SecurityLog::write('sign_in_failed', $person, ['factor' => 'second']);
            throw Refused::because(
                'session.second_factor',
                Message::of('app.actions.accounts.code-not-right-or-used-before'),
                '/code',
            );
        }
    }

    /** Compared and used up in one statement, so that a code works once even when it is sent twice at the same moment. */
    private function spend(User $person, string $code): bool
    {
        $secret = $person->second_factor === null ? '' : (string) base64_decode(Crypt::decryptString($person->second_factor), true);
        $step = $secret === '' ? null : Totp::verify($secret, $code, now()->getTimestamp(), $person->second_factor_step);

        return $step !== null &&
            DB::table('users')
                ->where('id', $person->id)
                ->where('second_factor_step', '<', $step)
                ->update(['second_factor_step' => $step]) === 1;
    }

    private function recover(User $person, string $code): bool
    {
        $hash = self::hash(strtolower(trim($code)));
        $isUsed =
            DB::update('UPDATE users SET recovery_codes = recovery_codes - ? WHERE id = ? AND jsonb_exists(recovery_codes, ?)', [
                $hash,
                $person->id,
                $hash,
            ]) === 1;
        if ($isUsed) {
            SecurityLog::write('recovery_code_used', $person);
        }

        return $isUsed;
    }

    /** Random codes of 60 bits need no slow hash. */
    private static function hash(string $code): string
    {
        return hash('sha256', $code);
    }
}
