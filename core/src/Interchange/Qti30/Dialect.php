<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/** A version of QTI whose documents say what those of 3.0 say, in other words. */
interface Dialect
{
    /** Whether a document is of this version. @param  string  $head  its beginning */
    public function speaks(string $head): bool;

    /** What the version is called in `origin.format`. @param  string  $head  the beginning of a document */
    public function format(string $head): string;

    /** A document in the words of 3.0, line for line. @param  string  $xml  in UTF-8 */
    public function lift(string $xml): string;
}
