<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/** QTI 3.0 as it is; names in capitals are told by what they must be. */
final class StandardDialect implements Dialect
{
    /** An element whose name is not in small letters. */
    private const WRONG_CASE = '~</?(?:[\w.-]+:)?(?!(?-i:qti-[a-z0-9-]+)[\s/>])qti-~i';

    private const TAG = '~<(/?(?:[\w.-]+:)?)(qti-[a-z0-9-]+)((?:\s++[^\s<>"\'=/]++\s*+=\s*+(?:"[^"<]*+"|\'[^\'<]*+\'))*+)~i';

    public function speaks(string $head): bool
    {
        return preg_match('/<(?:[\w.-]+:)?qti-assessment-(?:item|test|stimulus)[\s>]/i', $head) === 1;
    }

    public function format(string $head): string
    {
        return 'qti30';
    }

    public function lift(string $xml): string
    {
        if (preg_match(self::WRONG_CASE, $xml) !== 1) {
            return $xml;
        }

        return preg_replace_callback(self::TAG, self::tag(...), $xml) ?? $xml;
    }

    /** @param  array<string>  $m */
    private static function tag(array $m): string
    {
        $attributes = preg_replace_callback(
            '~(\s)([^\s=:"\']+)(\s*=\s*(?:"[^"]*"|\'[^\']*\'))~',
            fn (array $one): string => $one[1].strtolower($one[2]).$one[3],
            $m[3],
        );

        return "<$m[1]".strtolower($m[2]).$attributes;
    }
}
