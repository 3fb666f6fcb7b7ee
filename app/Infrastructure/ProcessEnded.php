<?php

declare(strict_types=1);

namespace App\Infrastructure;

use WideQuarry\Messages\Message;

/** A process that was to answer lines ended before it had. */
final class ProcessEnded extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct(Message::of('commandLine.process-ended'));
    }
}
