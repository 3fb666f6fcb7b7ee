<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

/** Options of which something may be marked as right: those of a question, of a part of one, of a list in a sentence. */
final class Unit
{
    /** @var list<int>|null which are right by what the document says in words; null when it says nothing */
    public ?array $said = null;

    /** @var list<int>|null which are right by how they look */
    public ?array $marked = null;

    public ?Sign $sign = null;

    public float $certainty = 0.0;

    /** @param  list<list<string>>  $looks  of each option */
    public function __construct(public readonly array $looks)
    {
    }

    /** @return list<int>|null the options that a look sets apart; null when it sets none apart, or all */
    public function apart(string $look): ?array
    {
        $isStruck = $look === 'unstruck';
        $has = array_keys(array_filter($this->looks, fn (array $looks): bool => in_array($isStruck ? 'strike' : $look, $looks, true)));
        if ($has === [] || count($has) === count($this->looks)) {
            return null;
        }
        if ($isStruck) {
            return count($has) === count($this->looks) - 1 ? array_values(array_diff(array_keys($this->looks), $has)) : null;
        }

        return $has;
    }
}
