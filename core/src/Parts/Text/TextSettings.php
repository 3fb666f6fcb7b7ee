<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Text;

use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Json\Fields;

final readonly class TextSettings
{
    private function __construct(public int $width, public int $lines, public string $placeholder, public NormaliseOptions $normalise)
    {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['width', 'lines', 'placeholder', 'normalise']);

        return new self(
            $fields->int('width', 20, 1, 200),
            $fields->int('lines', 1, 1, 40),
            $fields->string('placeholder'),
            NormaliseOptions::read($fields->has('normalise') ? $fields->raw('normalise') : new \stdClass(), "$path/normalise"),
        );
    }
}
