<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/** What holds for a kind that only people mark: nothing to pick, and no rule that reads a value. */
trait MarkedByPeople
{
    use MappingDefaults;

    public function shape(): null
    {
        return null;
    }

    public function choices(\stdClass $settings, array $gaps): array
    {
        return [[], []];
    }

    public function on(string $value): null
    {
        return null;
    }
}
