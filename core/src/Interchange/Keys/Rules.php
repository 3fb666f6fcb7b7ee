<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Keys;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** Rules of a key from what responses earn; whether they say it all is for who asked to try. */
final class Rules
{
    /**
     * @param  list<array{list<string>, BigRational}>  $gains  what was given, and what it earned
     * @param  BigRational  $points  the most that is earned, above 0
     * @return list<\stdClass>|null
     */
    public static function of(Response $response, array $gains, BigRational $points, string $scheme): ?array
    {
        $credit = fn (BigRational $gain): string => Exact::text($gain->dividedBy($points));

        return match (true) {
            $response->shape === Shape::Picks && $response->several && $scheme === 'margins' => self::margins($response, $gains, $points, $credit),
            $response->shape === Shape::Picks && $response->several && $scheme !== 'weights' => self::right($gains, $points),
            $response->shape === Shape::Picks => self::options($gains, $credit),
            $response->shape === Shape::Number => self::ranges($response, $gains, $credit),
            $response->shape === Shape::Sequence => self::sequence($gains, $points),
            $response->shape === Shape::Pairs => $scheme === 'weights' ? self::pairs($gains, $credit) : self::joined($gains, $points),
            default => self::words($response, $gains, $credit),
        };
    }

    /**
     * @param  list<array{list<string>, BigRational}>  $gains
     * @return list<\stdClass>|null those of the one set that earns most
     */
    private static function right(array $gains, BigRational $points): ?array
    {
        $best = array_values(array_filter($gains, fn (array $gain): bool => $gain[1]->isEqualTo($points)));

        return count($best) !== 1 ? null : array_map(fn (string $option, int $i): \stdClass => (object) ['id' => 'r'.($i + 1), 'on' => $option, 'credit' => '1'], $best[0][0], array_keys($best[0][0]));
    }

    /**
     * @param  list<array{list<string>, BigRational}>  $gains
     * @return list<\stdClass>|null the one order that earns most
     */
    private static function sequence(array $gains, BigRational $points): ?array
    {
        $best = array_values(array_filter($gains, fn (array $gain): bool => $gain[1]->isEqualTo($points)));

        return count($best) !== 1 ? null : [(object) ['id' => 'r1', 'on' => array_map(fn (string $id): array => [$id], $best[0][0]), 'credit' => '1']];
    }

    /**
     * @param  list<array{list<string>, BigRational}>  $gains
     * @return list<\stdClass>|null the pairs of the one set that earns most; where several do, those that earn something alone
     */
    private static function joined(array $gains, BigRational $points): ?array
    {
        $best = array_values(array_filter($gains, fn (array $gain): bool => $gain[1]->isEqualTo($points)));
        $right = count($best) === 1 ? array_map(fn (string $pair): array => [[$pair]], $best[0][0]) : array_values(array_filter($gains, fn (array $gain): bool => count($gain[0]) === 1 && $gain[1]->isPositive()));

        return $right === [] ? null : self::numbered(array_map(fn (array $gain): \stdClass => (object) ['id' => '', 'on' => explode("\t", $gain[0][0]), 'credit' => '1'], $right));
    }

    /**
     * @param  list<array{list<string>, BigRational}>  $gains
     * @param  \Closure(BigRational): string  $credit
     * @return list<\stdClass>
     */
    private static function pairs(array $gains, \Closure $credit): array
    {
        return self::numbered(array_map(fn (array $gain): ?\stdClass => count($gain[0]) !== 1 || $gain[1]->isZero() ? null : (object) ['id' => '', 'on' => explode("\t", $gain[0][0]), 'credit' => $credit($gain[1])], $gains));
    }

    /**
     * What each option adds to the best set, or takes from it: seen there also where less than nothing is never given.
     *
     * @param  list<array{list<string>, BigRational}>  $gains
     * @param  \Closure(BigRational): string  $credit
     * @return list<\stdClass>|null
     */
    private static function margins(Response $response, array $gains, BigRational $points, \Closure $credit): ?array
    {
        $earned = [];
        $best = null;
        foreach ($gains as [$set, $gain]) {
            sort($set);
            $earned[implode("\n", $set)] = $gain;
            $best = $best === null && $gain->isEqualTo($points) ? $set : $best;
        }
        if ($best === null) {
            return null;
        }
        $rules = [];
        foreach ($response->options as $option) {
            $in = in_array($option, $best, true);
            $other = $in ? array_values(array_diff($best, [$option])) : [...$best, $option];
            sort($other);
            $gain = $earned[implode("\n", $other)] ?? null;
            $margin = $gain === null ? null : ($in ? $points->minus($gain) : $gain->minus($points));
            $margin === null || $margin->isZero() || $rules[] = (object) ['id' => '', 'on' => $option, 'credit' => $credit($margin)];
        }

        return $rules === [] ? null : self::numbered($rules);
    }

    /**
     * @param  list<array{list<string>, BigRational}>  $gains
     * @param  \Closure(BigRational): string  $credit
     * @return list<\stdClass>
     */
    private static function options(array $gains, \Closure $credit): array
    {
        $single = array_values(array_filter($gains, fn (array $gain): bool => count($gain[0]) === 1));
        $rules = array_map(fn (array $gain): ?\stdClass => $gain[1]->isZero() ? null : (object) ['id' => '', 'on' => $gain[0][0], 'credit' => $credit($gain[1])], $single);

        return self::numbered($rules);
    }

    /**
     * @param  list<array{list<string>, BigRational}>  $gains
     * @param  \Closure(BigRational): string  $credit
     * @return list<\stdClass>
     */
    private static function words(Response $response, array $gains, \Closure $credit): array
    {
        $earned = [];
        foreach ($gains as [$given, $gain]) {
            $earned[$given[0] ?? ''] = $gain;
        }
        $same = $rules = [];
        foreach ($response->probes as $probe) {
            $gain = $earned[$probe->value] ?? Exact::zero();
            if (! $gain->isZero() && in_array($probe->how, ['equal', 'contains'], true)) {
                $same[$probe->how.($probe->case ? ' case' : '').' '.$credit($gain)][] = $probe->value;
            }
        }
        foreach ($same as $key => $texts) {
            [$name, $rest] = [...explode(' ', (string) $key, 2), ''];
            $texts = array_values(array_unique($texts));
            $case = str_starts_with($rest, 'case') ? ['case' => 'keep'] : [];
            // letters anywhere, not whole words
            $on = $name === 'equal' ? ['answer' => 'is', 'text' => $texts, ...$case] : ['answer' => 'shape', 'pattern' => implode('|', array_map(fn (string $text): string => preg_quote($text, '/'), $texts)), 'anchored' => false, 'case' => $case === [] ? 'ignore' : 'keep'];
            $rules[] = (object) ['id' => '', 'on' => (object) $on, 'credit' => str_replace('case ', '', $rest)];
        }

        return self::numbered($rules);
    }

    /**
     * Neighbouring numbers that earn the same become one range.
     *
     * @param  list<array{list<string>, BigRational}>  $gains
     * @param  \Closure(BigRational): string  $credit
     * @return list<\stdClass>
     */
    private static function ranges(Response $response, array $gains, \Closure $credit): array
    {
        $at = [];
        foreach ($gains as [$given, $gain]) {
            $value = Exact::read($given[0] ?? '');
            $value === null || $at[] = [$value, $gain];
        }
        usort($at, fn (array $a, array $b): int => $a[0]->compareTo($b[0]));
        $limits = array_flip($response->limits());
        $write = fn (BigRational $value): string => Exact::decimal($value) ?? Exact::text($value);
        $rules = [];
        for ($i = 0; $i < count($at); $i++) {
            if ($at[$i][1]->isZero()) {
                continue;
            }
            for ($j = $i; isset($at[$j + 1]) && $at[$j + 1][1]->isEqualTo($at[$i][1]); $j++);
            [$first, $last] = [isset($limits[$write($at[$i][0])]), isset($limits[$write($at[$j][0])])];
            $from = $first ? $at[$i][0] : ($at[$i - 1][0] ?? null);
            $to = $last ? $at[$j][0] : ($at[$j + 1][0] ?? null);
            $on = $i === $j && $first
                ? (object) ['answer' => 'value', 'value' => $write($at[$i][0])]
                : (object) ['answer' => 'range', 'from' => $from === null ? null : $write($from), 'to' => $to === null ? null : $write($to), 'ends' => $first ? ($last ? 'both' : 'from') : ($last ? 'to' : 'none')];
            $rules[] = (object) ['id' => '', 'on' => $on, 'credit' => $credit($at[$i][1])];
            $i = $j;
        }

        return self::numbered($rules);
    }

    /**
     * @param  array<\stdClass|null>  $rules
     * @return list<\stdClass>
     */
    private static function numbered(array $rules): array
    {
        $rules = array_values(array_filter($rules));
        foreach ($rules as $i => $rule) {
            $rule->id = 'r'.($i + 1);
        }

        return $rules;
    }
}
