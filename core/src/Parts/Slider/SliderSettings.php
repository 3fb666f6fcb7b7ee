<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Slider;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Variables\Value;

final readonly class SliderSettings
{
    private function __construct(public Value $from, public Value $to, public Value $step, public string $low, public string $high)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['from', 'to', 'step', 'captions']);
        $value = fn (string $name, string $usual): Value => Value::readNumber($fields->has($name) ? $fields->raw($name) : $usual, "$path/$name");
        $captions = $fields->object('captions', ['from', 'to']);

        return new self(
            $value('from', '0'),
            $value('to', '10'),
            $value('step', '1'),
            $captions->string('from', '', 1000),
            $captions->string('to', '', 1000),
        );
    }
}
