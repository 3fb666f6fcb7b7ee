<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\CoreException;

/** An expression that the standard has no element for: the values of one roll then stand for all. */
final class Unsayable extends \DomainException implements CoreException
{
    public static function of(string $what): self
    {
        return new self("There is no expression of the standard for $what.");
    }
}
