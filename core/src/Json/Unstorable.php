<?php

declare(strict_types=1);

namespace WideQuarry\Json;

/**
 * Characters that JSON can name and no database text can hold: U+0000 and halves of surrogate pairs (RFC 8259, 8.2; Unicode 15, 3.9 D75).
 * They come from broken clipboards. Refusing a text for them would lose what somebody typed, so they are removed, and counted.
 */
final class Unstorable
{
    // A pair of surrogates, then what has to go, then any other escape, so that "\\u0000" (a backslash and five letters) stays.
    private const ESCAPE = '~\\\\(?:(?<pair>u[dD][89abAB][0-9a-fA-F]{2}\\\\u[dD][c-fC-F][0-9a-fA-F]{2})|(?<gone>u0000|u[dD][89a-fA-F][0-9a-fA-F]{2})|.)~s';

    // The same halves written as bytes, which UTF-8 does not allow.
    private const BYTES = '~\xED[\xA0-\xBF][\x80-\xBF]~';

    /** @return array{string, int} the JSON text without them, and how many there were */
    public static function remove(string $json): array
    {
        $removed = 0;
        if (preg_match('~\\\\u(?:0000|[dD][89a-fA-F])~', $json) === 1) {
            $json = (string) preg_replace_callback(
                self::ESCAPE,
                function (array $found) use (&$removed): string {
                    if (($found['gone'] ?? '') === '') {
                        return $found[0];
                    }
                    $removed++;

                    return '';
                },
                $json,
            );
        }
        if (str_contains($json, "\xED")) {
            $json = (string) preg_replace(self::BYTES, '', $json, -1, $bytes);
            $removed += $bytes;
        }

        return [$json, $removed];
    }
}
