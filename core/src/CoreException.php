<?php

declare(strict_types=1);

namespace WideQuarry;

/** Marks every exception that the core throws on purpose: its message is a sentence for people. */
interface CoreException extends \Throwable
{
}
