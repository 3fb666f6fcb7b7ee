<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Variables\Value;

/** A picture behind a grid: where it lies, in units of the grid, and how strong it is. */
final readonly class Background
{
    /** @param  list<Value>  $at  left, bottom, right, top; none: over the whole grid */
    private function __construct(public string $media, public string $alt, public array $at, public float $opacity)
    {
    }

    /**
     * @return self|null null where there is none
     *
     * @throws Malformed
     */
    public static function read(Fields $settings): ?self
    {
        if ($settings->raw('background') === null) {
            return null;
        }
        $fields = $settings->object('background', ['media', 'alt', 'width', 'height', 'at', 'opacity'])->need('media')->need('alt');
        [$fields->int('width', 1, 1, 20000), $fields->int('height', 1, 1, 20000)];
        $at = [];
        foreach ($fields->list('at', 4) as $i => $value) {
            $at[] = Value::readNumber($value, $fields->at("at/$i"));
        }

        return new self(
            $fields->id('media'),
            $fields->string('alt'),
            count($at) === 4 ? $at : [],
            $fields->int('opacity', 100, 0, 100) / 100,
        );
    }
}
