<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Highlight;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

final readonly class HighlightSettings
{
    /** @param  int|null  $max  null: as many as there are */
    private function __construct(public string $text, public int $min, public ?int $max)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['text', 'min', 'max']);

        return new self($fields->string('text', '', 400000), $fields->int('min', 0, 0, 1000), $fields->intOrNull('max', null, 1, 1000));
    }
}
