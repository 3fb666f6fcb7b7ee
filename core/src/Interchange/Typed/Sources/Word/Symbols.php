<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources\Word;

/** Boxes, ticks and bullets of the symbol fonts that word processors use, as Unicode. */
final class Symbols
{
    private const WINGDINGS = [
        0x6C => '●', 0x6E => '■', 0x6F => '☐', 0x70 => '☐', 0x71 => '☐', 0x72 => '☐', 0xA1 => '○', 0xA8 => '☐', 0xFB => '✗', 0xFC => '✓',
        0xFD => '☒', 0xFE => '☑', 0xE0 => '→', 0xA7 => '▪', 0x76 => '❖', 0x4A => '☺',
    ];

    private const WINGDINGS2 = [0x50 => '✓', 0x4F => '✗', 0x51 => '☒', 0x52 => '☑', 0x54 => '☒', 0xA3 => '☐', 0x30 => '☐'];

    private const SYMBOL = [0xB7 => '•', 0xB0 => '°', 0xB1 => '±', 0xB4 => '×', 0xAE => '→', 0x6D => 'μ', 0x57 => 'Ω', 0x70 => 'π'];

    public static function text(string $font, string $hex): string
    {
        $code = hexdec($hex) & 0xFF;
        $map = match (strtolower($font)) {
            'wingdings' => self::WINGDINGS,
            'wingdings 2' => self::WINGDINGS2,
            'symbol' => self::SYMBOL,
            default => [],
        };

        return $map[$code] ?? '□';
    }
}
