<?php

declare(strict_types=1);

namespace WideQuarry\Selection\Rules;

use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Selection\Formulation;

/** At most one of the questions that are named. */
final readonly class NeverTogether implements Rule
{
    /** @param  list<string>  $questions */
    public function __construct(private string $id, private array $questions)
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function keys(array $pool): array
    {
        return Counted::named($this->questions, $pool);
    }

    public function constrain(Formulation $formulation): void
    {
        $groups = array_merge(...array_values($formulation->groups->byKey($this->id)));
        $formulation->between(array_fill_keys($groups, Exact::one()), null, Exact::one());
    }

    public function loosen(Formulation $formulation): void
    {
    }

    public function isMetBy(array $taken, array $pool): bool
    {
        return count(Counted::named($this->questions, $taken)) <= 1;
    }

    public function relaxedTo(array $tests, array $pool): array
    {
        return ['drop' => true];
    }

    public function said(): string
    {
        return Message::of('selection.never-together', ['n' => count($this->questions)]);
    }
}
