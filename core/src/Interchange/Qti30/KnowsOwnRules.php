<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/** A kind whose marking is more than the standard's templates, and which knows what it writes again without trying it out. */
interface KnowsOwnRules
{
    /**
     * @param  list<\DOMElement>  $rules  of the response processing
     * @param  int  $at  where in them
     * @return array{Marking, int}|null how the response is marked, and by how many of the rules; null when these are others
     */
    public function known(array $rules, int $at, Declaration $declaration): ?array;
}
