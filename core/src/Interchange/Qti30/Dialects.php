<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Interchange\Qti2\Qti2Dialect;

/** The versions whose items are read as those of 3.0. One line for each. */
final class Dialects
{
    /** So much of a document is looked at to see what it is. */
    public const HEAD = 4000;

    /** @param  string  $document  or its beginning */
    public static function of(string $document): ?Dialect
    {
        $head = str_replace("\0", '', substr($document, 0, self::HEAD));
        foreach ([new StandardDialect, new Qti2Dialect] as $dialect) {
            if ($dialect->speaks($head)) {
                return $dialect;
            }
        }

        return null;
    }

    /** @return (\Closure(string): string)|null what makes its words those of 3.0 */
    public static function words(string $document): ?\Closure
    {
        $dialect = self::of($document);

        return $dialect === null ? null : $dialect->lift(...);
    }

    /** @return string|null what its version is called; null when it is of none */
    public static function format(string $document): ?string
    {
        return self::of($document)?->format(str_replace("\0", '', substr($document, 0, self::HEAD)));
    }

    /** @return 'item'|'test'|'stimulus'|null */
    public static function kind(string $document): ?string
    {
        $kind =
            preg_match(
                '/<(?:[\w.-]+:)?(?:qti-)?assessment-?(item|test|stimulus)[\s>]/i',
                str_replace("\0", '', substr($document, 0, self::HEAD)),
                $m,
            ) === 1
                ? strtolower($m[1])
                : '';

        return match ($kind) {
            'item', 'test', 'stimulus' => $kind,
            default => null,
        };
    }
}
