<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Question\PartKind;
use WideQuarry\Question\PartKinds;

/** How the kinds at hand are mapped to QTI. */
final readonly class Mappings
{
    public function __construct(private PartKinds $kinds)
    {
    }

    /** @return list<KindMapping> */
    public function all(): array
    {
        return array_values(array_filter(array_map(self::of(...), $this->kinds->all())));
    }

    /** @return list<KnowsOwnRules> */
    public function withOwnRules(): array
    {
        return array_values(array_filter($this->all(), fn (KindMapping $mapping): bool => $mapping instanceof KnowsOwnRules));
    }

    public function for(string $kind): ?KindMapping
    {
        return self::of($this->kinds->find($kind));
    }

    public static function of(?PartKind $kind): ?KindMapping
    {
        return $kind instanceof MappedKind ? $kind->mapping() : null;
    }
}
