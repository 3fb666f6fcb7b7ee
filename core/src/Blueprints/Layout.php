<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** How what was found becomes an assessment. */
final readonly class Layout
{
    /**
     * @param  'one'|'rows'|'columns'  $sections  of the first table
     * @param  'table'|'difficulty'|'topic'  $order  within a section: as the table has it, easy ones first, or by their topics
     * @param  'picks'|'draws'  $as
     */
    private function __construct(public string $sections, public string $order, public string $as)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json ?? new \stdClass, $path, ['sections', 'order', 'as']);

        return new self(
            $fields->oneOf('sections', ['one', 'rows', 'columns'], 'one'), // @phpstan-ignore argument.type (one of the three)
            $fields->oneOf('order', ['table', 'difficulty', 'topic'], 'table'), // @phpstan-ignore argument.type (one of the three)
            $fields->oneOf('as', ['picks', 'draws'], 'picks'), // @phpstan-ignore argument.type (one of the two)
        );
    }
}
