<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Amend;

use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Json\Fields;

final readonly class AmendSettings
{
    private function __construct(public string $text, public NormaliseOptions $normalise)
    {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['text', 'normalise']);

        return new self(
            $fields->string('text', '', 400000),
            NormaliseOptions::read($fields->has('normalise') ? $fields->raw('normalise') : new \stdClass(), "$path/normalise"),
        );
    }
}
