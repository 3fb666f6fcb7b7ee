<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** So many questions, points, minutes or words of those that are meant. */
final readonly class Demand implements Member
{
    /**
     * @param  array<string, Range>  $ranges  by measure
     * @param  string  $title  what people call it; '' to say its conditions
     */
    public function __construct(public string $id, public Where $where, public array $ranges, public string $title = '')
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $measures = array_column(Measure::cases(), 'value');
        $fields = Fields::of($json, $path, ['id', 'title', 'where', ...$measures]);
        $ranges = [];
        foreach ($measures as $measure) {
            $ranges[$measure] = Range::read($fields, $measure, $measure === 'count' || $measure === 'words');
        }

        return new self($fields->id(), Where::read($fields, 'where'), array_filter($ranges), $fields->string('title'));
    }

    /** @return list<Measure> those it says something of */
    public function measures(): array
    {
        return array_values(array_filter(Measure::cases(), fn (Measure $one): bool => isset($this->ranges[$one->value])));
    }

    public function id(): string
    {
        return $this->id;
    }

    public function constrain(Formulation $formulation): void
    {
        foreach ($this->measures() as $measure) {
            $range = $this->ranges[$measure->value];
            $formulation->between($this->each($formulation->groups, $measure), $range->min, $range->max);
        }
    }

    public function loosen(Formulation $formulation): void
    {
        foreach ($this->measures() as $measure) {
            $range = $this->ranges[$measure->value];
            $formulation->near($this->each($formulation->groups, $measure), $range->min, $range->max);
        }
    }

    /** @return array<int, BigRational> group → what one question of it adds */
    private function each(Groups $groups, Measure $measure): array
    {
        $each = [];
        foreach ($groups->all as $i => $group) {
            $amount = $this->where->meets($group->one()) ? $measure->of($group->one()) : null;
            if ($amount !== null && ! $amount->isZero()) {
                $each[$i] = $amount;
            }
        }

        return $each;
    }

    public function isMetBy(array $taken, array $pool = []): bool
    {
        foreach ($this->found($taken) as $measure => $amount) {
            if (! $this->ranges[$measure]->has($amount)) {
                return false;
            }
        }

        return true;
    }

    /**
     * How much there is of what it asks for.
     *
     * @param  list<Candidate>  $candidates
     * @return array<string, BigRational> by measure
     */
    public function found(array $candidates): array
    {
        $meant = array_filter($candidates, $this->where->meets(...));
        $found = [];
        foreach ($this->measures() as $measure) {
            $found[$measure->value] = $measure->sum($meant);
        }

        return $found;
    }

    public function relaxedTo(array $tests, array $pool): array
    {
        $changes = [];
        foreach ($this->measures() as $measure) {
            $name = $measure->value;
            $range = $this->ranges[$name];
            foreach ($tests as $taken) {
                $range = $range->widenedTo($this->found($taken)[$name]);
            }
            $fields = array_diff_assoc(array_map(strval(...), $range->toJson()), array_map(strval(...), $this->ranges[$name]->toJson()));
            if ($fields !== []) {
                $changes[$name] = array_intersect_key($range->toJson(), $fields);
            }
        }

        return $changes;
    }

    /** "Erosion, difficulty 4–5: 6 questions". */
    public function said(): string
    {
        $amounts = [];
        foreach ($this->measures() as $measure) {
            $range = $this->ranges[$measure->value];
            $last = $range->max ?? $range->min;
            $amounts[] = Message::of('selection.amount', [
                'range' => $range->said(),
                'what' => $measure->value,
                'isOne' => $last !== null && $last->isEqualTo(Exact::one()) ? 'yes' : 'no',
            ]);
        }

        return Message::of('selection.demand', ['what' => $this->name(), 'amounts' => implode(', ', $amounts)]);
    }

    public function name(): string
    {
        return $this->title !== '' ? $this->title : $this->where->said();
    }
}
