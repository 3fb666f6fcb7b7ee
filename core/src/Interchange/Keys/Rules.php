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
            $response->shape === AnswerShape::Picks && $response->several && $scheme === 'margins' => self::margins(
                $response,
                $gains,
                $points,
                $credit,
            ),
            $response->shape === AnswerShape::Picks && $response->several && $scheme !== 'weights' => self::right($gains, $points),
            $response->shape === AnswerShape::Picks => self::options($gains, $credit),
            $response->shape === AnswerShape::Number => self::ranges($response, $gains, $credit),
            $response->shape === AnswerShape::Sequence => self::sequence($gains, $points),
            $response->shape === AnswerShape::Pairs => $scheme === 'weights'
                ? self::pairs($gains, $credit)
                : self::joined($gains, $points),
            default => self::words($response, $gains, $credit),
        };
    }

    /**
     * @param  list<array{list<string>, BigRational}>  $gains
     * @return list<\stdClass>|null those of the one set that earns most
     */
    private static function right(array $gains, BigRational $points): ?array
    {
        $best = array_values(array_filter($gains, fn (array $gain): bool => Exact::compare($gain[1], $points) === 0));

        return count($best) !== 1
            ? null
            : array_map(
                fn (string $option, int $i): \stdClass => (object) ['id' => 'r'.($i + 1), 'on' => $option, 'credit' => '1'],
                $best[0][0],
                array_keys($best[0][0]),
            );
    }

    /**
     * @param  list<array{list<string>, BigRational}>  $gains
     * @return list<\stdClass>|null the order that earns most; things that may change places in it are of one rank
     */
    private static function sequence(array $gains, BigRational $points): ?array
    {
        $best = array_column(array_filter($gains, fn (array $gain): bool => Exact::compare($gain[1], $points) === 0), 0);
        $ranks = [];
        foreach ($best[0] ?? [] as $i => $item) {
            $before = $best[0][$i - 1] ?? '';
            $tied =
                $i > 0 &&
                array_filter($best, fn (array $order): bool => array_search($item, $order, true) < array_search($before, $order, true)) !==
                    [];
            if ($tied) {
                $ranks[count($ranks) - 1][] = $item;
            } else {
                $ranks[] = [$item];
            }
        }

        return $ranks === [] ? null : [(object) ['id' => 'r1', 'on' => $ranks, 'credit' => '1']];
    }

    /**
     * What each thing beyond the right ones takes away, as a share of what one right one earns.
     *
     * @param  list<array{list<string>, BigRational}>  $gains
     * @param  list<\stdClass>  $rules  of the right ones
     * @return string|null null when no more can be given
     */
    public static function costOfExtra(array $gains, BigRational $points, array $rules): ?string
    {
        $right = array_map(
            fn (\stdClass $rule): string => is_array($rule->on)
                ? implode("\t", array_map(fn (mixed $one): string => is_string($one) ? $one : '', $rule->on))
                : (is_string($rule->on)
                    ? $rule->on
                    : ''),
            $rules,
        );
        foreach ($gains as [$given, $gain]) {
            if (count($given) === count($right) + 1 && array_diff($right, $given) === []) {
                return Exact::text($points->minus($gain)->multipliedBy(count($right))->dividedBy($points));
            }
        }

        return null;
    }

    /**
     * @param  list<array{list<string>, BigRational}>  $gains
     * @return list<\stdClass>|null the pairs of the one set that earns most; where several do, those that earn something alone, or all
     *     that are in one
     */
    private static function joined(array $gains, BigRational $points): ?array
    {
        $best = array_values(array_filter($gains, fn (array $gain): bool => Exact::compare($gain[1], $points) === 0));
        $alone =
            count($best) === 1
                ? []
                : array_column(array_filter($gains, fn (array $gain): bool => count($gain[0]) === 1 && $gain[1]->isPositive()), 0);
        $right = array_values(array_unique(array_merge(...$alone === [] ? array_column($best, 0) : $alone)));

        return $right === []
            ? null
            : self::numbered(
                array_map(fn (string $pair): \stdClass => (object) ['id' => '', 'on' => explode("\t", $pair), 'credit' => '1'], $right),
            );
    }

    /**
     * @param  list<array{list<string>, BigRational}>  $gains
     * @param  \Closure(BigRational): string  $credit
     * @return list<\stdClass>
     */
    private static function pairs(array $gains, \Closure $credit): array
    {
        return self::numbered(
            array_map(
                fn (array $gain): ?\stdClass => count($gain[0]) !== 1 || $gain[1]->isZero()
                    ? null
                    : (object) ['id' => '', 'on' => explode("\t", $gain[0][0]), 'credit' => $credit($gain[1])],
                $gains,
            ),
        );
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
            $best = $best === null && Exact::compare($gain, $points) === 0 ? $set : $best;
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
            if ($margin !== null && ! $margin->isZero()) {
                $rules[] = (object) ['id' => '', 'on' => $option, 'credit' => $credit($margin)];
            }
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
        $rules = array_map(
            fn (array $gain): ?\stdClass => $gain[1]->isZero()
                ? null
                : (object) ['id' => '', 'on' => $gain[0][0], 'credit' => $credit($gain[1])],
            $single,
        );

        return self::numbered($rules);
    }

    /**
     * @param  list<array{list<string>, BigRational}>  $gains
     * @param  \Closure(BigRational): string  $credit
     * @return list<\stdClass>|null
     */
    private static function words(Response $response, array $gains, \Closure $credit): ?array
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
            $on =
                $name === 'equal'
                    ? ['answer' => 'is', 'text' => $texts, ...$case]
                    : [
                        'answer' => 'shape',
                        'pattern' => implode('|', array_map(fn (string $text): string => preg_quote($text, '/'), $texts)),
                        'anchored' => false,
                        'case' => $case === [] ? 'ignore' : 'keep',
                    ];
            $rules[] = (object) ['id' => '', 'on' => (object) $on, 'credit' => str_replace('case ', '', $rest)];
        }

        $together = self::together($response, $earned, $credit);

        return $together === null ? null : self::numbered([...$together, ...$rules]);
    }

    /**
     * Each group of words as one rule.
     *
     * @param  list<list<string>>  $groups
     * @param  \Closure(string): string  $credit
     * @return list<\stdClass>|null null when words are not looked for as they stand
     */
    public static function alternatives(Response $response, array $groups, \Closure $credit): ?array
    {
        $case = array_column(array_map(fn (Probe $probe): array => [$probe->value, $probe->case], $response->probes), 1, 0);
        if (
            $response->shape !== AnswerShape::Words ||
            array_filter($response->probes, fn (Probe $probe): bool => $probe->how !== 'equal') !== []
        ) {
            return null;
        }

        return self::numbered(
            array_map(
                fn (array $group): \stdClass => (object) [
                    'id' => '',
                    'on' => (object) ['answer' => 'is', 'text' => $group, ...$case[$group[0]] ?? false ? ['case' => 'keep'] : []],
                    'credit' => $credit($group[0]),
                ],
                $groups,
            ),
        );
    }

    /**
     * Letters that earn more together than fewer of them do.
     *
     * @param  array<BigRational>  $earned  by what was typed
     * @param  \Closure(BigRational): string  $credit
     * @return list<\stdClass>|null null when they are so many that not every set of them was tried: which of them it takes is not known
     */
    private static function together(Response $response, array $earned, \Closure $credit): ?array
    {
        $rules = $met = [];
        $most = max([0, ...array_map(count(...), array_values($response->together()))]);
        foreach ($response->together() as $text => $probes) {
            $values = array_map(fn (Probe $probe): string => $probe->value, $probes);
            $gain = $earned[$text] ?? Exact::zero();
            $fewer = array_filter(
                [...array_map(fn (string $value): array => [[$value], $earned[$value] ?? Exact::zero()], $values), ...$met],
                fn (array $one): bool => array_diff($one[0], $values) === [] && Exact::compare($one[1], $gain) >= 0,
            );
            $met[] = [$values, $gain];
            if ($gain->isPositive() && $fewer === []) {
                if ($most > Response::SUBSETS) {
                    return null;
                }
                $case = array_filter($probes, fn (Probe $probe): bool => $probe->case) === [] ? 'ignore' : 'keep';
                $rules[] = (object) [
                    'id' => '',
                    'on' => (object) [
                        'answer' => 'shape',
                        'pattern' => '^'.
                            implode('', array_map(fn (string $value): string => '(?=[\s\S]*'.preg_quote($value, '/').')', $values)),
                        'anchored' => false,
                        'case' => $case,
                    ],
                    'credit' => $credit($gain),
                ];
            }
        }

        return $rules;
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
            if ($value !== null) {
                $at[] = [$value, $gain];
            }
        }
        usort($at, fn (array $a, array $b): int => $a[0]->compareTo($b[0]));
        $limits = array_flip($response->limits());
        $write = fn (BigRational $value): string => Exact::decimal($value) ?? Exact::text($value);
        $rules = [];
        for ($i = 0; $i < count($at); $i++) {
            if ($at[$i][1]->isZero()) {
                continue;
            }
            for ($j = $i; isset($at[$j + 1]) && Exact::compare($at[$j + 1][1], $at[$i][1]) === 0; $j++);
            [$first, $last] = [isset($limits[$write($at[$i][0])]), isset($limits[$write($at[$j][0])])];
            $from = $first ? $at[$i][0] : $at[$i - 1][0] ?? null;
            $to = $last ? $at[$j][0] : $at[$j + 1][0] ?? null;
            $on =
                $i === $j && $first
                    ? (object) ['answer' => 'value', 'value' => $write($at[$i][0])]
                    : (object) [
                        'answer' => 'range',
                        'from' => $from === null ? null : $write($from),
                        'to' => $to === null ? null : $write($to),
                        'ends' => $first ? ($last ? 'both' : 'from') : ($last ? 'to' : 'none'),
                    ];
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
