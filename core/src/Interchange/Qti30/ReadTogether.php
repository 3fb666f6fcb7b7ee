<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/**
 * Variables that were drawn together, found again: several lists by one number are a row of a table; items of one list by numbers that
 * all differ, collected in order, are a sample.
 */
final class ReadTogether
{
    /** @var list<string> names that another stands for now */
    public array $settled = [];

    /** @var array<string, string> name → how its value is shown: s_1 → s[1] */
    public array $shown = [];

    /**
     * @param  list<\stdClass>  $list
     * @param  list<string>  $conditions
     */
    public function __construct(public array $list, public array $conditions)
    {
        $this->samples();
        $this->rows();
    }

    private function rows(): void
    {
        foreach ($this->list as $number) {
            $columns = $this->numberedBy($number);
            if ($columns === [] || ! self::isFromOne($number)) {
                continue;
            }
            $lists = array_map(fn (\stdClass $column): array => self::items(self::text($column->expr ?? null))[1] ?? [], $columns);
            if (array_filter($lists, fn (array $items): bool => count($items) !== (int) self::text($number->to ?? null)) !== []) {
                continue;
            }
            $names = array_map(fn (\stdClass $column): string => self::text($column->name ?? null), $columns);
            $row = (object) [
                'name' => $number->name,
                'kind' => 'row',
                'columns' => $names,
                'rows' => array_map(null, ...$lists),
            ];
            $row->rows = count($lists) === 1 ? array_map(fn (string $item): array => [$item], $lists[0]) : $row->rows;
            $this->settled = [...$this->settled, ...$names];
            $this->replace($number, $row, $columns);
        }
    }

    private function samples(): void
    {
        foreach ($this->list as $sample) {
            if (preg_match('/^\[([A-Za-z]\w*(?:, [A-Za-z]\w*)*)\]$/D', self::text($sample->expr ?? null), $m) !== 1) {
                continue;
            }
            $items = array_map($this->named(...), explode(', ', $m[1]));
            $read = array_map(fn (?\stdClass $item): ?array => self::items(self::text($item->expr ?? null)), $items);
            $numbers = array_map(fn (?array $one): ?\stdClass => $one === null ? null : $this->named($one[0]), $read);
            $columns = array_unique(array_map(fn ($one): string => serialize($one[1] ?? []), $read));
            if (in_array(null, $numbers, true) || in_array(null, $items, true) || count($columns) !== 1) {
                continue;
            }
            $this->asSample($sample, $items, $numbers, $read[0][1] ?? []);
        }
    }

    /**
     * @param  list<\stdClass>  $items
     * @param  list<\stdClass>  $numbers
     * @param  list<string>  $entries
     */
    private function asSample(\stdClass $sample, array $items, array $numbers, array $entries): void
    {
        $left = $this->conditions;
        foreach ($numbers as $i => $one) {
            foreach (array_slice($numbers, $i + 1) as $other) {
                $at = array_search(self::text($one->name).' != '.self::text($other->name), $left, true);
                if ($at === false) {
                    return; // the same item may be drawn twice: no sample
                }
                unset($left[$at]);
            }
            if (! self::isFromOne($one)) {
                return;
            }
        }
        $this->conditions = array_values($left);
        $name = self::text($sample->name ?? null);
        foreach ($items as $i => $item) {
            $this->shown[self::text($item->name)] = $name.'['.($i + 1).']';
        }
        $gone = [...$items, ...$numbers];
        $this->settled = [...$this->settled, ...array_map(fn (\stdClass $one): string => self::text($one->name), $gone)];
        $this->replace(
            $sample,
            (object) ['name' => $name, 'kind' => 'sample', 'items' => $entries, 'count' => count($items)],
            $gone,
        );
        foreach ($this->list as $variable) {
            if (is_string($variable->expr ?? null)) {
                $variable->expr = strtr($variable->expr, $this->shown);
            }
        }
        $this->conditions = array_map(fn (string $condition): string => strtr($condition, $this->shown), $this->conditions);
    }

    /** @return list<\stdClass> lists whose item this numbers */
    private function numberedBy(\stdClass $number): array
    {
        return array_values(array_filter(
            $this->list,
            fn (\stdClass $one): bool => (self::items(self::text($one->expr ?? null))[0] ?? '') === $number->name,
        ));
    }

    /**
     * An item of a list of constants by a name: [2, 3, 5][t].
     *
     * @return array{string, list<string>}|null the name, and the entries
     */
    private static function items(string $expression): ?array
    {
        if (preg_match('/^\[(.*)\]\[([A-Za-z]\w*)\]$/Ds', $expression, $m) !== 1) {
            return null;
        }
        preg_match_all('/\G(?:^|, )(?:"([^"]*)"|\(?(-?[\d.\/eE+-]+)\)?)/', $m[1], $found, PREG_SET_ORDER);
        $entries = array_map(fn (array $one): string => $one[2] ?? $one[1] ?? '', $found);
        $length = array_sum(array_map(fn (array $one): int => strlen($one[0]), $found));

        return $length === strlen($m[1]) && $entries !== [] ? [$m[2], $entries] : null;
    }

    private static function isFromOne(\stdClass $number): bool
    {
        return ($number->kind ?? '') === 'integer' && ($number->from ?? '') === '1' && ($number->step ?? '1') === '1';
    }

    private function named(string $name): ?\stdClass
    {
        return array_values(array_filter($this->list, fn (\stdClass $one): bool => $one->name === $name))[0] ?? null;
    }

    /** @param  list<\stdClass>  $gone */
    private function replace(\stdClass $old, \stdClass $new, array $gone): void
    {
        $kept = array_filter($this->list, fn (\stdClass $one): bool => ! in_array($one, $gone, true));
        $this->list = array_values(array_map(fn (\stdClass $one): \stdClass => $one === $old ? $new : $one, $kept));
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}
