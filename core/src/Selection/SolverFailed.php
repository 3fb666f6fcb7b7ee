<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use WideQuarry\CoreException;
use WideQuarry\Messages\Message;

/** The solver did not do its work; nothing is known about the test. */
final class SolverFailed extends \DomainException implements CoreException
{
    private function __construct(public readonly string $rule, string $message)
    {
        parent::__construct($message);
    }

    public static function missing(): self
    {
        return new self('solver.missing', Message::of('selection.solver-missing'));
    }

    public static function ended(): self
    {
        return new self('solver.ended', Message::of('selection.solver-ended'));
    }

    public static function rubbish(): self
    {
        return new self('solver.rubbish', Message::of('selection.solver-rubbish'));
    }

    /** Its answer does not meet what it was given. */
    public static function wrong(): self
    {
        return new self('solver.wrong', Message::of('selection.solver-wrong'));
    }
}
