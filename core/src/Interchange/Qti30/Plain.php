<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/** QTI 3.0 as it is. */
final class Plain implements Dialect
{
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
        return $xml;
    }
}
