<?php

declare(strict_types=1);

namespace WideQuarry\CommandLine;

/** Whoever read the output has stopped, as "head" does after ten lines: nothing is wrong, and nothing more is wanted. */
final class OutputClosed extends \RuntimeException
{
    /** As of a program that SIGPIPE ended (POSIX.1-2017, Shell Command Language, 2.8.2). */
    public const CODE = 128 + 13;
}
