<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/** Normal forms of Unicode (UAX #15); text that cannot be normalised comes back as it is. */
final class Unicode
{
    public static function nfc(string $text): string
    {
        return self::form($text, \Normalizer::FORM_C);
    }

    public static function nfkc(string $text): string
    {
        return self::form($text, \Normalizer::FORM_KC);
    }

    public static function nfkd(string $text): string
    {
        return self::form($text, \Normalizer::FORM_KD);
    }

    private static function form(string $text, int $form): string
    {
        $normal = \Normalizer::normalize($text, $form);

        return is_string($normal) ? $normal : $text;
    }
}
