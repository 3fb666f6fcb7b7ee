<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Number;

use WideQuarry\Answer\NumberReader;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

final readonly class NumberSettings
{
    /** @param  list<string>  $notations */
    private function __construct(
        public int $width,
        public string $placeholder,
        public array $notations,
        public UnitPolicy $units,
        public ?FiguresPolicy $figures,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['width', 'placeholder', 'notations', 'units', 'figures']);
        $notations = [];
        foreach ($fields->list('notations', 10) as $i => $notation) {
            $notations[] =
                is_string($notation) && in_array($notation, NumberReader::NOTATIONS, true)
                    ? $notation
                    : throw Malformed::notOneOf("$path/notations/$i", NumberReader::NOTATIONS, $notation);
        }
        $units = UnitPolicy::read($fields->object('units', UnitPolicy::fields()), $fields->has('units'), "$path/units");

        return new self(
            $fields->int('width', 10, 1, 200),
            $fields->string('placeholder'),
            $fields->has('notations') ? $notations : NumberReader::NOTATIONS,
            $units,
            $fields->has('figures') ? FiguresPolicy::read($fields->raw('figures'), "$path/figures") : null,
        );
    }
}
