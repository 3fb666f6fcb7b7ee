<?php

declare(strict_types=1);

namespace WideQuarry\Selection\Rules;

use WideQuarry\Messages\Message;
use WideQuarry\Selection\Formulation;

/** Every question with a value of an attribute, or none of them: a stimulus is asked about as a whole. */
final readonly class AllOrNone implements Rule
{
    public function __construct(private string $id, private string $attribute, private string $title = '')
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function keys(array $pool): array
    {
        return Counted::above(1, $this->attribute, $pool);
    }

    public function constrain(Formulation $formulation): void
    {
        foreach ($formulation->groups->byKey($this->id) as $groups) {
            $formulation->allOrNone($groups);
        }
    }

    public function loosen(Formulation $formulation): void
    {
    }

    public function isMetBy(array $taken, array $pool): bool
    {
        $there = Counted::by($this->attribute, $pool);
        foreach (Counted::by($this->attribute, $taken) as $value => $count) {
            if ($count !== $there[$value]) {
                return false;
            }
        }

        return true;
    }

    public function relaxedTo(array $tests, array $pool): array
    {
        return ['drop' => true];
    }

    public function said(): string
    {
        return Message::of('selection.all-or-none-of', ['what' => $this->title !== '' ? $this->title : $this->attribute]);
    }
}
