<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources;

use WideQuarry\Interchange\Typed\Document\Line;

/** Text without looks: a line is a paragraph, and its number that in the file. */
final class PlainText
{
    /** @return list<Line> */
    public static function lines(string $text): array
    {
        $lines = [];
        $isApart = true;
        foreach (preg_split('/\R/u', $text) ?: [] as $i => $line) {
            // tabs and wide gaps stay: they part columns
            $line = trim((string) preg_replace(['/[\x{200B}-\x{200D}\x{FEFF}\x{00AD}]/u', '/[\p{Zs}]/u'], ['', ' '], $line));
            if ($line !== '') {
                $lines[] = Line::plain($i + 1, $line, $isApart);
            }
            $isApart = $line === '';
        }

        return $lines;
    }
}
