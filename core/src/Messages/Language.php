<?php

declare(strict_types=1);

namespace WideQuarry\Messages;

/** A language the application speaks; the codes are BCP 47, those with X are of private use, as in Unicode's CLDR. */
enum Language: string
{
    case English = 'en';
    /** English with accents and forty per cent longer: shows in tests which texts are in no catalogue, and what has too little room. */
    case Accented = 'en-XA';
    /** The same, read from right to left. */
    case Mirrored = 'ar-XB';

    /** @param  ?string  $asked  the value of Accept-Language (RFC 9110, 12.5.4); its first language counts */
    public static function asked(?string $asked): self
    {
        return self::tryFrom(trim(preg_split('/[,;]/', $asked ?? '')[0] ?? '')) ?? self::English;
    }

    /** How numbers and plurals are written: the made languages are English in other letters. */
    public function locale(): string
    {
        return 'en-GB';
    }

    /** @param  string  $english  an ICU pattern */
    public function pattern(string $english): string
    {
        return $this === self::English ? $english : (new PseudoLanguage)->pattern($english);
    }
}
