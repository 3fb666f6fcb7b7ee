<?php

declare(strict_types=1);

namespace WideQuarry\Selection\Rules;

use Brick\Math\BigRational;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Selection\Candidate;
use WideQuarry\Selection\Formulation;
use WideQuarry\Selection\Groups;
use WideQuarry\Selection\Range;

/** The mean of an attribute that is a number, over the questions that have it: the difficulty of the whole. No question, no mean. */
final readonly class Mean implements Rule
{
    public function __construct(private string $id, private string $attribute, private Range $range, private string $title = '')
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function keys(array $pool): array
    {
        $keys = [];
        foreach ($pool as $i => $candidate) {
            $number = $this->number($candidate);
            if ($number !== null) {
                $keys[$i] = [Exact::text($number)];
            }
        }

        return $keys;
    }

    private function number(Candidate $candidate): ?BigRational
    {
        return Exact::read($candidate->values($this->attribute)[0] ?? '');
    }

    public function constrain(Formulation $formulation): void
    {
        if ($this->range->min !== null) {
            $formulation->between($this->above($formulation->groups, $this->range->min), Exact::zero(), null);
        }
        if ($this->range->max !== null) {
            $formulation->between($this->above($formulation->groups, $this->range->max), null, Exact::zero());
        }
    }

    public function loosen(Formulation $formulation): void
    {
        if ($this->range->min !== null) {
            $formulation->near($this->above($formulation->groups, $this->range->min), Exact::zero(), null);
        }
        if ($this->range->max !== null) {
            $formulation->near($this->above($formulation->groups, $this->range->max), null, Exact::zero());
        }
    }

    /** @return array<int, BigRational> group → how far one question of it is above a number */
    private function above(Groups $groups, BigRational $level): array
    {
        $each = [];
        foreach ($groups->byKey($this->id) as $value => $its) {
            $each += array_fill_keys($its, Exact::of((string) $value)->minus($level));
        }

        return $each;
    }

    public function isMetBy(array $taken, array $pool): bool
    {
        $mean = $this->mean($taken);

        return $mean === null || $this->range->has($mean);
    }

    /** @param  list<Candidate>  $taken */
    private function mean(array $taken): ?BigRational
    {
        $numbers = array_values(array_filter(array_map($this->number(...), $taken)));
        if ($numbers === []) {
            return null;
        }
        $sum = array_reduce($numbers, fn (BigRational $sum, BigRational $one): BigRational => $sum->plus($one), Exact::zero());

        return Exact::simplified($sum->dividedBy(count($numbers)));
    }

    public function relaxedTo(array $tests, array $pool): array
    {
        $range = $this->range;
        foreach ($tests as $taken) {
            $mean = $this->mean($taken);
            $range = $mean === null ? $range : $range->widenedTo($mean);
        }

        return array_map(strval(...), array_filter(['min' => $range->min, 'max' => $range->max]));
    }

    public function said(): string
    {
        return Message::of('selection.mean', [
            'range' => $this->range->said(),
            'what' => $this->title !== '' ? $this->title : $this->attribute,
        ]);
    }
}
