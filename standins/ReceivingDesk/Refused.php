<?php

declare(strict_types=1);

namespace StandIns\ReceivingDesk;

final class Refused extends \RuntimeException
{
}
