<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Patterns;

/** An expression says something that the other language cannot say. */
final class UnsupportedPattern extends \RuntimeException
{
}
