<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/** Which attribute values may pass. */
final class Attributes
{
    private const SAFE_MATHS = '/^[A-Za-z0-9 .,%+\-#|()\[\]{}<>\x{2016}\x{2329}\x{232A}\x{27E8}\x{27E9}]{0,60}$/u';

    /** @return string|null the value as it is kept; null when it may not pass */
    public static function clean(string $name, string $value): ?string
    {
        return match ($name) {
            'href' => self::address($value),
            'data-part', 'data-gap', 'data-of', 'data-piece', 'data-media', 'data-captions' => self::matching(
                '/^[^\s\p{Cc}]([^\p{Cc}]*[^\s\p{Cc}])?$/uD',
                $value,
                255,
            ),
            'data-value' => self::matching('/^[A-Za-z][A-Za-z0-9_]{0,39}$/D', $value, 40),
            'width', 'height' => self::whole($value, 1, 20000),
            'colspan', 'rowspan' => self::whole($value, 1, 200),
            'start' => self::whole($value, 0, 100000),
            'scope' => self::matching('/^(row|col|rowgroup|colgroup)$/D', $value, 10),
            'type' => self::matching('/^[1aAiI]$/D', $value, 1),
            'dir' => self::matching('/^(ltr|rtl|auto)$/D', $value, 4),
            'lang' => self::matching('/^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/D', $value, 35),
            'alt' => mb_strimwidth($value, 0, 2000),
            default => null,
        };
    }

    public static function cleanMaths(string $name, string $value): ?string
    {
        return in_array($name, AllowList::MATHS_ATTRIBUTES, true) && preg_match(self::SAFE_MATHS, $value) === 1 ? $value : null;
    }

    /** Only http, https and mailto; what browsers skip inside a scheme (tabs, line breaks, leading controls) is looked through. */
    private static function address(string $value): ?string
    {
        $plain = (string) preg_replace('/[\x00-\x20\x7f-\x9f\p{Cf}]+/u', '', $value);
        if (mb_strlen($plain) > 2000) {
            return null;
        }

        return preg_match('~^(?:https?://[^/\s\\\\]|mailto:[^\s])~i', $plain) === 1 ? $plain : null;
    }

    private static function matching(string $pattern, string $value, int $max): ?string
    {
        return mb_strlen($value) <= $max && preg_match($pattern, $value) === 1 ? $value : null;
    }

    private static function whole(string $value, int $min, int $max): ?string
    {
        return preg_match('/^\d{1,6}$/D', $value) === 1 && (int) $value >= $min && (int) $value <= $max ? (string) (int) $value : null;
    }
}
