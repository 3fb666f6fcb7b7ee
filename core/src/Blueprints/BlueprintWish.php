<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;

/** Questions that are taken rather than others, where demands leave a choice. */
final readonly class BlueprintWish
{
    /** @param  array<string, list<string>>  $where  conditions of a search */
    private function __construct(public string $id, public string $title, public BigRational $weight, public array $where)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['id', 'title', 'weight', 'where']);

        return new self(
            $fields->id(),
            $fields->string('title', '', 500),
            Exact::of($fields->has('weight') ? $fields->decimal('weight', '1000') : '1'),
            Conditions::read($fields, 'where'),
        );
    }
}
