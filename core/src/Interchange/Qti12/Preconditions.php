<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use Brick\Math\BigRational;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Rule;

/** What other parts have to say before a part earns: those it waits for are right, and an answer they share is not given there already. */
final readonly class Preconditions
{
    /** @var array<string, list<string>> part → all it waits for, and what those wait for */
    private array $needs;

    /** @param  array<string, Terms>  $terms */
    public function __construct(private Question $question, private array $terms)
    {
        $needs = [];
        foreach ($question->scoring->gates as $gate) {
            $needs[$gate['part']] = [...$needs[$gate['part']] ?? [], ...$gate['needs']];
        }
        foreach ($needs as $part => $first) {
            for ($i = 0; $i < count($needs[$part]); $i++) {
                $needs[$part] = array_values(array_unique([...$needs[$part], ...$needs[$needs[$part][$i]] ?? []]));
            }
        }
        $this->needs = $needs;
    }

    /** Whether conditions can say all of it: no part waits for itself or for one that is marked by hand. */
    public function areWhole(): bool
    {
        return array_filter(
            $this->needs,
            fn (array $all, string $part): bool => in_array($part, $all, true) || array_diff($all, array_keys($this->terms)) !== [],
            ARRAY_FILTER_USE_BOTH,
        ) === [];
    }

    /** @return array<string, Terms> what each part earns, with what others say of it */
    public function terms(): array
    {
        $guarded = [];
        foreach ($this->terms as $id => $terms) {
            $id = (string) $id;
            $needs = array_map(fn (string $need): string => $this->terms[$need]->right, $this->areWhole() ? $this->needs[$id] ?? [] : []);
            $isShared = array_filter($this->question->scoring->once, fn (array $list): bool => in_array($id, $list, true)) !== [];
            $list = array_map(fn (array $term): array => [$this->guarded($id, $term, $needs), $term[1], $term[2]], $terms->list);
            $earning = fn (int|BigRational $least): array => array_column(
                array_filter($list, fn (array $term): bool => $term[1]->isPositive() && $term[1]->isGreaterThanOrEqualTo($least)),
                0,
            );
            [$right, $some] =
                $isShared && $list !== []
                    ? [Terms::any($earning($this->question->part($id)?->points() ?? 0) ?: $earning(0)), Terms::any($earning(0))]
                    : [Terms::all([$terms->right, ...$needs]), $terms->some === '' ? '' : Terms::all([$terms->some, ...$needs])];
            $guarded[$id] = new Terms($list, $right, $some, $terms->bounded, $terms->losses);
        }

        return $guarded;
    }

    /**
     * @param  array{string, BigRational, Rule|null}  $term
     * @param  list<string>  $needs
     */
    private function guarded(string $part, array $term, array $needs): string
    {
        [$test, $value, $rule] = $term;
        if ($rule !== null && is_object($rule->on) && ($rule->on->answer ?? '') === 'otherwise') {
            $again = array_map(
                fn (array $other): array => [$other[0], $other[2] === null ? [] : $this->taken($part, $other[2])],
                $this->terms[$part]->list,
            );
            $test = Terms::any([
                $test,
                ...array_map(
                    fn (array $one): string => Terms::all([$one[0], Terms::any($one[1])]),
                    array_values(array_filter($again, fn (array $one): bool => $one[1] !== [])),
                ),
            ]);
        }
        $taken = $rule === null ? [] : $this->taken($part, $rule);

        return Terms::all([$test, ...$value->isZero() ? [] : $needs, ...$taken === [] ? [] : [Terms::not(Terms::any($taken))]]);
    }

    /** @return list<string> conditions by which a rule has earned in a part that comes first; where an answer earns most, it counts */
    private function taken(string $part, Rule $rule): array
    {
        $taken = [];
        foreach (is_object($rule->on) && ($rule->on->answer ?? '') === 'otherwise' ? [] : $this->question->scoring->once as $list) {
            $parts = in_array($part, $list, true)
                ? array_values(
                    array_filter(
                        array_map($this->question->part(...), $list),
                        fn (?Part $one): bool => $one !== null && isset($this->terms[$one->id]),
                    ),
                )
                : [];
            usort($parts, fn (Part $a, Part $b): int => $b->points()->compareTo($a->points()));
            foreach ($parts as $before) {
                if ($before->id === $part) {
                    break;
                }
                foreach ($this->terms[$before->id]->list as [$test, , $same]) {
                    if ($same?->id === $rule->id) {
                        $taken[] = $test;
                    }
                }
            }
        }

        return $taken;
    }
}
