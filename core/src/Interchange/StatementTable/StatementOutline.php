<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\StatementTable;

use WideQuarry\Documents\DelimitedText;

/** A framework as people type one: a statement a line, its code first if it has one, deeper by indentation, bullets or code. */
final class StatementOutline
{
    /** What begins a line and is a code: it has a digit, or is capitals joined by marks. */
    private const CODE = <<<'PATTERN'
        /^(?<code>(?=\S*\d)[\p{L}\d]+(?:[.\-\/_:][\p{L}\d]+)*|\p{Lu}+(?:[.\-]\p{Lu}+)*(?=\s*[:–—\t]))
        [.):]?\s*[:–—-]?\s+(?<text>\S.*)$/xuD
        PATTERN;

    public static function table(string $bytes): DelimitedText
    {
        $rows = [['line' => 0, 'cells' => ['code', 'statement']]];
        foreach (explode("\n", DelimitedText::decoded($bytes)) as $i => $line) {
            if (trim($line) === '') {
                continue;
            }
            $space = substr($line, 0, strspn($line, "\t "));
            $rest = (string) preg_replace('/^[-*•–+]\s+/u', '', ltrim($line));
            $has = preg_match(self::CODE, $rest, $m) === 1;
            $rows[] = ['line' => $i + 1, 'cells' => [$has ? $m['code'] : '', $space.($has ? $m['text'] : $rest)]];
        }

        return DelimitedText::ofRows($rows);
    }
}
