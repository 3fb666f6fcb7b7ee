<?php

declare(strict_types=1);

namespace WideQuarry\Bulk;

use WideQuarry\CoreException;

/** Why one question stays as it is while others are changed; its message is a sentence for who asked. */
final class Left extends \DomainException implements CoreException
{
}
