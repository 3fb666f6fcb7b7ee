<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** One response of an item: what may be given, and the part it becomes but for its key. */
final readonly class Response
{
    private const SUBSETS = 9;

    /**
     * @param  'choice'|'text'|'number'  $kind
     * @param  list<string>  $options  identifiers of what can be chosen
     * @param  list<Condition>  $tests  those on this response
     */
    public function __construct(public string $id, public string $kind, public \stdClass $settings, public array $options, public bool $several, public array $tests)
    {
    }

    /**
     * Responses that between them show how it is marked, nothing first; each as the item takes it.
     *
     * @return list<list<string>>
     */
    public function tried(): array
    {
        if ($this->kind === 'choice') {
            return [[], ...($this->several ? $this->subsets() : array_map(fn (string $option): array => [$option], $this->options))];
        }

        return [[], ...array_map(fn (string $typed): array => [$typed], $this->kind === 'number' ? $this->numbers() : $this->words())];
    }

    /**
     * @param  list<string>  $given
     * @return \stdClass as our part takes it
     */
    public function ours(array $given): \stdClass
    {
        return $this->kind === 'choice' ? (object) ['chosen' => $given] : (object) ['text' => $given[0] ?? ''];
    }

    /** @return list<string> numbers that tests name, in their order */
    public function limits(): array
    {
        $limits = [];
        foreach ($this->tests as $test) {
            $value = Exact::read($test->value);
            $value === null || $limits[(string) $value] = $value;
        }
        usort($limits, fn (BigRational $a, BigRational $b): int => $a->compareTo($b));

        return array_map(fn (BigRational $value): string => (Exact::decimal($value) ?? Exact::text($value)), $limits);
    }

    /** @return list<string> the texts that tests name */
    public function named(): array
    {
        return array_values(array_unique(array_map(fn (Condition $test): string => $test->value, $this->tests)));
    }

    /** @return list<list<string>> */
    private function subsets(): array
    {
        $n = count($this->options);
        $masks = $n <= self::SUBSETS ? range(1, (1 << $n) - 1) : [];
        $sets = array_map(fn (int $mask): array => array_values(array_filter($this->options, fn (int $i): bool => ($mask >> $i & 1) === 1, ARRAY_FILTER_USE_KEY)), $masks);
        if ($n > self::SUBSETS) { // one, all but one, all, and the first so many
            foreach ($this->options as $i => $option) {
                array_push($sets, [$option], array_values(array_diff($this->options, [$option])), array_slice($this->options, 0, $i + 1), array_slice($this->options, $i));
            }
        }

        return $sets;
    }

    /** @return list<string> */
    private function words(): array
    {
        $words = ['zz unheard of zz'];
        foreach ($this->named() as $value) {
            array_push($words, $value, mb_strtoupper($value), mb_strtolower($value), "zz $value zz", "zz$value");
        }

        return array_values(array_unique($words));
    }

    /** @return list<string> every limit, what lies between two and outside all */
    private function numbers(): array
    {
        $limits = array_map(fn (string $limit): BigRational => Exact::read($limit) ?? Exact::zero(), $this->limits());
        if ($limits === []) {
            return ['0', '1'];
        }
        $numbers = [$limits[0]->minus(1), $limits[count($limits) - 1]->plus(1)];
        foreach ($limits as $i => $limit) {
            $numbers[] = $limit;
            isset($limits[$i + 1]) && $numbers[] = $limit->plus($limits[$i + 1])->dividedBy(2);
        }

        return array_values(array_unique(array_map(fn (BigRational $number): string => (Exact::decimal($number) ?? Exact::text($number)), $numbers)));
    }
}
