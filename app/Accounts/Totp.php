<?php

declare(strict_types=1);

namespace App\Accounts;

/**
 * Time-based one-time passwords: RFC 6238 (TOTP) over RFC 4226 (HOTP), SHA-1, six digits, 30 seconds, as authenticator apps expect
 * them.
 */
final class Totp
{
    private const STEP = 30;

    private const DIGITS = 6;

    /** Steps before and after now that are taken too: clocks differ. */
    private const DRIFT = 1;

    private const BASE32 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'; // RFC 4648, 6

    /** @return string 20 random bytes, as RFC 4226 (4, R6) recommends */
    public static function secret(): string
    {
        return random_bytes(20);
    }

    public static function code(string $secret, int $step, int $digits = self::DIGITS, string $hash = 'sha1'): string
    {
        $mac = hash_hmac($hash, pack('J', $step), $secret, true);
        $offset = ord($mac[-1]) & 0xF;
        $number = unpack('N', substr($mac, $offset, 4));
        assert($number !== false && is_int($number[1]));

        return str_pad((string) (($number[1] & 0x7FFFFFFF) % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    /**
     * @param  int  $last  the step of the last code that was taken; a code works once
     * @return int|null the step of the code, null when it is wrong, old or used
     */
    public static function verify(string $secret, string $code, int $now, int $last): ?int
    {
        $code = (string) preg_replace('/\s/', '', $code);
        $step = intdiv($now, self::STEP);
        $found = null;
        for ($try = $step - self::DRIFT; $try <= $step + self::DRIFT; $try++) {
            if (hash_equals(self::code($secret, $try), $code) && $try > $last) {
                $found = $try;
            }
        }

        return $found;
    }

    public static function base32(string $bytes): string
    {
        $bits = implode('', array_map(fn (string $byte): string => str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT), str_split($bytes)));

        return implode(
            '',
            array_map(fn (string $five): string => self::BASE32[(int) bindec(str_pad($five, 5, '0'))], str_split($bits, 5)),
        );
    }

    /** The address that authenticator apps read. */
    public static function address(string $secret, string $issuer, string $account): string
    {
        return 'otpauth://totp/'.
            rawurlencode("$issuer:$account").
            '?'.
            http_build_query(['secret' => self::base32($secret), 'issuer' => $issuer], '', '&', PHP_QUERY_RFC3986);
    }
}
