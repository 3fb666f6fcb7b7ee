<?php

declare(strict_types=1);

namespace App\Accounts;

/** The network an address belongs to, as far as limits are concerned: one connection gets a whole /64 of IPv6, and often some IPv4. */
final class Network
{
    public static function of(string $address): string
    {
        $bytes = @inet_pton($address);

        return match (true) {
            $bytes === false => 'unknown',
            strlen($bytes) === 4 => bin2hex(substr($bytes, 0, 3)),
            default => bin2hex(substr($bytes, 0, 8)),
        };
    }
}
