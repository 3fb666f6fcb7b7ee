<?php

declare(strict_types=1);

namespace WideQuarry\Numbers;

/** The decimal sign and the thousands mark of a language, from Unicode's locale data (CLDR, by ICU). */
final readonly class NumberSymbols
{
    private function __construct(public string $decimal, public string $group, public bool $known)
    {
    }

    /** $known is false for a language without customs of its own, such as und. */
    public static function of(string $language): self
    {
        /** @var array<string, self> $made */
        static $made = [];

        return $made[$language] ??= self::make($language);
    }

    private static function make(string $language): self
    {
        // ICU takes no language for the system's own, which differs from machine to machine
        $primary = $language === '' ? '' : \Locale::getPrimaryLanguage($language) ?? '';
        if ($primary === '' || $primary === 'und' || $primary === 'mul' || $primary === 'zxx') {
            return new self('.', ',', false);
        }
        $formatter = new \NumberFormatter($language, \NumberFormatter::DECIMAL);
        $decimal = (string) $formatter->getSymbol(\NumberFormatter::DECIMAL_SEPARATOR_SYMBOL);
        $group = (string) $formatter->getSymbol(\NumberFormatter::GROUPING_SEPARATOR_SYMBOL);

        return new self($decimal === ',' ? ',' : '.', in_array($group, ['.', ','], true) && $group !== $decimal ? $group : ' ', true);
    }
}
