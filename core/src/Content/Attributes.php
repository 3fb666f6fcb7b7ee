<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/** Which attribute values may pass. */
final class Attributes
{
    private const SAFE_MATHS = '/^[A-Za-z0-9 .,%+\-#|()\[\]{}<>\x{2016}\x{2329}\x{232A}\x{27E8}\x{27E9}]{0,60}$/u';

    /** Whole numbers: least and most. */
    private const WHOLE = [
        'width' => [1, 20_000],
        'height' => [1, 20_000],
        'colspan' => [1, 200],
        'rowspan' => [1, 200],
        'start' => [0, 100_000],
        'data-plays' => [1, 20],
    ];

    private const NAME = '/^[^\s\p{Cc}]([^\p{Cc}]*[^\s\p{Cc}])?$/uD';

    /** Values of one shape, and how long they may be. */
    private const SHAPES = [
        'data-part' => [self::NAME, 255],
        'data-gap' => [self::NAME, 255],
        'data-of' => [self::NAME, 255],
        'data-piece' => [self::NAME, 255],
        'data-remark' => [self::NAME, 255],
        'data-media' => [self::NAME, 255],
        'data-captions' => [self::NAME, 255],
        'data-value' => ['/^[A-Za-z][A-Za-z0-9_]{0,39}(\[\d{1,4}\])?$/D', 46],
        'data-align' => ['/^(left|center|right)$/D', 6],
        'data-colwidth' => ['/^[1-9]\d{0,3}(,[1-9]\d{0,3}){0,199}$/D', 1000],
        'scope' => ['/^(row|col|rowgroup|colgroup)$/D', 10],
        'type' => ['/^[1aAiI]$/D', 1],
        'dir' => ['/^(ltr|rtl|auto)$/D', 4],
        'lang' => ['/^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/D', 35],
    ];

    /** Words, and how many characters of them are kept. */
    private const WORDS = ['alt' => 2000, 'title' => 300];

    /** @return string|null the value as it is kept; null when it may not pass */
    public static function clean(string $name, string $value): ?string
    {
        return match (true) {
            isset(self::SHAPES[$name]) => self::matching(self::SHAPES[$name][0], $value, self::SHAPES[$name][1]),
            isset(self::WHOLE[$name]) => self::whole($value, ...self::WHOLE[$name]),
            isset(self::WORDS[$name]) => mb_strimwidth($value, 0, self::WORDS[$name]),
            $name === 'href' => self::address($value),
            $name === 'data-view' => PictureView::read($value)?->written(),
            $name === 'data-transcript' => self::matching(
                '/^[^\p{Cc}]*(?:\n[^\p{Cc}]*)*$/uD',
                strtr($value, ["\r\n" => "\n", "\r" => "\n", "\t" => ' ']),
                Limits::TRANSCRIPT,
            ),
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
