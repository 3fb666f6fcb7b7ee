<?php

declare(strict_types=1);

namespace WideQuarry\Media;

use WideQuarry\CoreException;

/** A file that is no medium we take, or is not to be taken. */
final class UnusableMedium extends \DomainException implements CoreException
{
    /** The field that brought it. */
    public readonly string $path;

    public function __construct(public readonly string $rule, string $sentence)
    {
        parent::__construct($sentence);
        $this->path = '/file';
    }
}
