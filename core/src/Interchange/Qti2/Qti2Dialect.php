<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti2;

use WideQuarry\Interchange\Qti30\Dialect;

/** QTI 2.0, 2.1 and 2.2, told by the words of a document, whatever namespace it names or does not name. */
final class Qti2Dialect implements Dialect
{
    /** Comments and CDATA are passed over; attributes may hold anything but their own quotes. */
    private const TAG = '~<!--.*?-->|<!\[CDATA\[.*?\]\]>|<(/?)(?:[A-Za-z_][\w.-]*:)?([A-Za-z]\w*)((?:\s++[^\s<>"\'=/]++(?:\s*+=\s*+(?:"[^"<]*+"|\'[^\'<]*+\'))?+)*+)(\s*+/?+>)~s';

    public function speaks(string $head): bool
    {
        return preg_match('/<(?:[\w.-]+:)?assessment(?:Item|Test|Stimulus)[\s>]/i', $head) === 1;
    }

    public function format(string $head): string
    {
        return match (true) {
            preg_match('/imsqti_v2p2|qtiv2p2/i', $head) === 1 => 'qti22',
            preg_match('/imsqti_v2p0/i', $head) === 1 => 'qti20',
            default => 'qti21',
        };
    }

    public function lift(string $xml): string
    {
        return preg_replace_callback(self::TAG, self::tag(...), $xml) ?? $xml;
    }

    /** @param  array<string>  $m */
    private static function tag(array $m): string
    {
        $name = isset($m[2]) ? Vocabulary::element($m[2]) : null;
        if ($name === null) {
            return $m[0];
        }
        $attributes =
            $m[3] === ''
                ? ''
                : (string) preg_replace_callback(
                    '~([A-Za-z_][\w:.-]*+)(\s*+(?:=\s*+(?:"[^"]*+"|\'[^\']*+\'))?+)~',
                    fn (array $one): string => Vocabulary::attribute($one[1]).$one[2],
                    $m[3],
                );

        return "<$m[1]$name$attributes$m[4]";
    }
}
