<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;

/** A sequence as conditions on what stands in each place. */
final readonly class SequenceTerms
{
    /** @var list<list<string>> ranks of what is to be put in order */
    private array $ranks;

    /** @var array<int, int> place from 1 → number of the rank that belongs there; empty where that cannot be told */
    private array $places;

    /** @param  \Closure(string, int): string  $equal  the condition that a thing stands in a place */
    public function __construct(private Part $part, PlainPart $plain, private \Closure $equal)
    {
        $ranks = array_map(fn (array $rank): array => array_values(array_diff($rank, $plain->order->given)), $plain->order->ranks);
        $this->ranks = array_values(array_filter($ranks));
        $flat = array_merge([], ...$plain->order->ranks);
        $tied = array_filter($this->ranks, fn (array $rank): bool => count($rank) > 1) !== [];
        $places = [];
        foreach (count($flat) === count($plain->options) && ! ($tied && $plain->order->given !== []) ? $flat : [] as $i => $id) {
            foreach ($this->ranks as $number => $rank) {
                if (in_array($id, $rank, true)) {
                    $places[$i + 1] = $number;
                }
            }
        }
        $this->places = $places;
    }

    /** @return list<array{string, string}> */
    public function losses(): array
    {
        return match (true) {
            $this->places === [] && $this->part->scheme === Scheme::All => [
                ['order.equal_ranks', Message::of('interchange.qti12.items-equal-rank-one')],
            ],
            $this->places === [], in_array($this->part->scheme, [Scheme::Pairs, Scheme::Chain], true) => [
                ['order.scheme', Message::of('interchange.qti12.parts-right-order-earn-nothing')],
            ],
            default => [],
        };
    }

    public function terms(): ?Terms
    {
        if ($this->ranks === []) {
            return null;
        }
        $tests = array_map(
            fn (int $place, int $number): string => $this->at($place, $this->ranks[$number]),
            array_keys($this->places),
            $this->places,
        );
        if ($tests === []) {
            // one order of those that may stand
            $flat = array_merge(...$this->ranks);
            $tests = array_map(fn (string $id, int $i): string => ($this->equal)($id, $i + 1), $flat, array_keys($flat));
        }
        $rule = $this->part->key->rules[0];
        $all = $this->part->points()->multipliedBy($rule->credit());
        $steps =
            $this->places === []
                ? []
                : match ($this->part->scheme) {
                    Scheme::Positions => $tests,
                    Scheme::Joins => $this->joins(),
                    default => [],
                };
        if ($steps === []) {
            return new Terms([[Terms::all($tests), $all, $rule]], Terms::all($tests), Terms::all($tests), false);
        }

        return new Terms(
            array_map(fn (string $test): array => [$test, $all->dividedBy(count($steps)), null], $steps),
            Terms::all($tests),
            Terms::any($steps),
            false,
        );
    }

    /** @param  list<string>  $ids */
    private function at(int $place, array $ids): string
    {
        return Terms::any(array_map(fn (string $id): string => ($this->equal)($id, $place), $ids));
    }

    /** @return list<string> for each two neighbouring places, that what stands there is of equal or next rank */
    private function joins(): array
    {
        $places = array_keys($this->places);
        $joins = [];
        foreach (array_slice($places, 1) as $i => $next) {
            $pairs = [];
            foreach ($this->ranks as $number => $rank) {
                foreach ($rank as $id) {
                    $after = array_values(array_diff([...$rank, ...$this->ranks[$number + 1] ?? []], [$id]));
                    if ($after !== []) {
                        $pairs[] = Terms::all([($this->equal)($id, $places[$i]), $this->at($next, $after)]);
                    }
                }
            }
            $joins[] = Terms::any($pairs);
        }

        return $joins;
    }
}
