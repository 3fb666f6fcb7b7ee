<?php

declare(strict_types=1);

namespace App\Actions\Accounts;

use App\Accounts\SecurityLog;
use App\Errors\Refused;
use App\Models\User;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Timebox;
use WideQuarry\Messages\Message;

/**
 * Checks who somebody says they are. A wrong password, an unknown address and a disabled account get the same sentence in the same time: a
 * hash is computed for each, and the answer waits until a fixed time has passed.
 */
final readonly class SignIn
{
    private const MICROSECONDS = 700_000;

    public function __construct(private SecondFactor $factor)
    {
    }

    /** @throws Refused */
    public function handle(string $email, string $password, string $code): User
    {
        $person = (new Timebox)->call(
            function (Timebox $box) use ($email, $password): ?User {
                $person = User::query()->where('email', mb_strtolower(trim($email)))->first();
                $isRight = Hash::check($password, $person->password ?? self::nobody());
                if ($person === null || ! $isRight || $person->disabled_at !== null) {
                    return null;
                }
                $box->returnEarly(); // who knows the password may know that it is right

                return $person;
            },
            app()->runningUnitTests() ? 0 : self::MICROSECONDS,
        );
        if ($person === null) {
            SecurityLog::write('sign_in_failed', User::query()->where('email', mb_strtolower(trim($email)))->first());
            throw Refused::because('session.refused', Message::of('app.actions.accounts.sign-in-refused'));
        }
        if ($person->second_factor_on) {
            $this->factor->pass($person, $code);
        }
        SecurityLog::write('sign_in', $person);

        return $person;
    }

    /** A hash that no password has, as costly as a real one. */
    private static function nobody(): string
    {
        /** @var string */
        return Cache::rememberForever('sign-in.nobody', fn (): string => Hash::make(bin2hex(random_bytes(16))));
    }
}
