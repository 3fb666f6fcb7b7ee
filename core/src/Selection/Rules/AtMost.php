<?php

declare(strict_types=1);

namespace WideQuarry\Selection\Rules;

use Brick\Math\BigRational;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Selection\Formulation;

/** At most so many questions with any one value of an attribute: of a stimulus, a family, a source. */
final readonly class AtMost implements Rule
{
    public function __construct(private string $id, private string $attribute, private int $n, private string $title = '')
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function keys(array $pool): array
    {
        return Counted::above($this->n, $this->attribute, $pool);
    }

    public function constrain(Formulation $formulation): void
    {
        foreach ($formulation->groups->byKey($this->id) as $groups) {
            $formulation->between(array_fill_keys($groups, Exact::one()), null, BigRational::of($this->n));
        }
    }

    public function loosen(Formulation $formulation): void
    {
        $sums = array_map(fn (array $groups): array => array_fill_keys($groups, Exact::one()), $formulation->groups->byKey($this->id));
        $formulation->least(array_values($sums));
    }

    public function isMetBy(array $taken, array $pool): bool
    {
        return max([0, ...Counted::by($this->attribute, $taken)]) <= $this->n;
    }

    public function relaxedTo(array $tests, array $pool): array
    {
        return ['n' => max($this->n, ...array_map(fn (array $taken): int => max([0, ...Counted::by($this->attribute, $taken)]), $tests))];
    }

    public function said(): string
    {
        return Message::of('selection.at-most-of', ['n' => $this->n, 'what' => $this->title !== '' ? $this->title : $this->attribute]);
    }
}
