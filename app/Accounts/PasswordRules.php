<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Errors\Refused;
use App\Models\User;
use WideQuarry\Messages\Message;

/**
 * Length counts, and not being one of those that are tried first (NIST SP 800-63B, 5.1.1.2; OWASP ASVS 4.0.3, 2.1). No rules about signs
 * and capitals: they make passwords worse.
 */
final class PasswordRules
{
    public const LEAST = 12;

    private const MOST = 128;

    private const LIST = __DIR__.'/../../resources/security/common-passwords.txt';

    /** @throws Refused */
    public static function check(string $password, User $person, string $path = '/password'): void
    {
        $why = match (true) {
            mb_strlen($password) < self::LEAST => Message::of('app.accounts.use-least-characters-few', ['least' => self::LEAST]),
            mb_strlen($password) > self::MOST => Message::of('app.accounts.use-most-characters', ['most' => self::MOST]),
            self::isCommon($password) => Message::of('app.accounts.one-passwords-tried-first'),
            count(array_unique(mb_str_split(mb_strtolower($password)))) < 5 => Message::of('app.accounts.use-least-five-different'),
            self::names($password, $person) => Message::of('app.accounts.leave-your-name-address'),
            default => null,
        };
        if ($why !== null) {
            throw Refused::because('password.weak', $why, $path);
        }
    }

    /** Common by itself, or common with digits and signs around it. */
    private static function isCommon(string $password): bool
    {
        /** @var array<string, int>|null $common */
        static $common = null;
        $common ??= array_flip(
            file(self::LIST, FILE_IGNORE_NEW_LINES) ?: throw new \LogicException('The list of common passwords is missing.'),
        );
        $plain = mb_strtolower(trim($password));
        $stem = (string) preg_replace('/^[^\p{L}]+|[^\p{L}]+$/u', '', $plain);

        return isset($common[$plain]) || isset($common[$stem]) || isset($common[str_replace(' ', '', $plain)]);
    }

    private static function names(string $password, User $person): bool
    {
        $plain = mb_strtolower($password);
        foreach ([$person->name, strtok($person->email, '@') ?: ''] as $name) {
            if (mb_strlen($name) >= 4 && str_contains($plain, mb_strtolower($name))) {
                return true;
            }
        }

        return false;
    }
}
