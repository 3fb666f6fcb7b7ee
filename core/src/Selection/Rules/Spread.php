<?php

declare(strict_types=1);

namespace WideQuarry\Selection\Rules;

use Brick\Math\BigRational;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Selection\Candidate;
use WideQuarry\Selection\Formulation;
use WideQuarry\Selection\Groups;

/** Each value of an attribute about as often: of any two, one is taken at most so many times more than the other. For key letters. */
final readonly class Spread implements Rule
{
    /** @param  list<string>|null  $values  null for all there are in the pool */
    public function __construct(
        private string $id,
        private string $attribute,
        private int $n,
        private ?array $values = null,
        private string $title = '',
    ) {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function keys(array $pool): array
    {
        $keys = Counted::above(0, $this->attribute, $pool);
        if ($this->values === null) {
            return $keys;
        }

        return array_filter(array_map(fn (array $its): array => array_values(array_intersect($its, $this->values)), $keys));
    }

    public function constrain(Formulation $formulation): void
    {
        foreach ($this->pairs($formulation->groups) as $difference) {
            $formulation->between($difference, null, BigRational::of($this->n));
        }
    }

    public function loosen(Formulation $formulation): void
    {
        $formulation->least($this->pairs($formulation->groups));
    }

    /** @return list<array<int, BigRational>> for every value and every other, how much oftener it is taken */
    private function pairs(Groups $groups): array
    {
        $byValue = $groups->byKey($this->id);
        foreach ($this->values ?? [] as $value) {
            $byValue[$value] ??= [];
        }
        $pairs = [];
        foreach ($byValue as $more) {
            foreach ($byValue as $less) {
                $one = array_fill_keys(array_diff($more, $less), Exact::one());
                $pairs[] = $one + array_fill_keys(array_diff($less, $more), BigRational::of(-1));
            }
        }

        return array_values(array_filter($pairs));
    }

    public function isMetBy(array $taken, array $pool): bool
    {
        return $this->gap($taken, array_map(strval(...), array_keys(Counted::by($this->attribute, $pool)))) <= $this->n;
    }

    /**
     * @param  list<Candidate>  $taken
     * @param  list<string>  $inPool
     */
    private function gap(array $taken, array $inPool): int
    {
        $counts = Counted::by($this->attribute, $taken);
        $each = array_map(fn (string $value): int => $counts[$value] ?? 0, $this->values ?? $inPool);

        return $each === [] ? 0 : max($each) - min($each);
    }

    public function relaxedTo(array $tests, array $pool): array
    {
        $inPool = array_map(strval(...), array_keys(Counted::by($this->attribute, $pool)));

        return ['n' => max($this->n, ...array_map(fn (array $taken): int => $this->gap($taken, $inPool), $tests))];
    }

    public function said(): string
    {
        return Message::of('selection.spread', ['n' => $this->n, 'what' => $this->title !== '' ? $this->title : $this->attribute]);
    }
}
