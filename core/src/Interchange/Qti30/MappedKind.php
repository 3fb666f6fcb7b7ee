<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Question\PartKind;

/** A kind that open formats can carry. */
interface MappedKind extends PartKind
{
    public function mapping(): KindMapping;
}
