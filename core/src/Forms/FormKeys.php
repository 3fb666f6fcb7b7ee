<?php

declare(strict_types=1);

namespace WideQuarry\Forms;

use WideQuarry\Random\Seed;

/**
 * Where the keys of all forms stand. Forms get theirs one after the other (KeyBalance); where the later ones find no letters left that
 * would meet everything, all is tried again with other choices, and the best is kept.
 *
 * @phpstan-type Key array{entry: string, part: string, of: string, places: non-empty-list<int>}
 */
final readonly class FormKeys
{
    /** So many steps are taken in all tries together, a second or less. */
    private const WORK = 1_000_000;

    private const MOST_TRIES = 60;

    public function __construct(private FormSettings $settings)
    {
    }

    /**
     * @param  list<list<Key>>  $forms  the keys of each in the order of its questions; of: the question's part, whatever entry asks it
     * @return list<array<string, array<string, int>>> of each form: entry → part → place
     */
    public function places(array $forms): array
    {
        $effort = array_sum(array_map(fn (array $keys): int => $this->balance($keys, [], [], '')->effort(), $forms));
        $tries = max(1, min(self::MOST_TRIES, intdiv(self::WORK, max(1, $effort))));
        $least = $this->least($forms);
        [$cost, $best] = $this->tried($forms, 0);
        for ($try = 1; $try < $tries && $cost !== $least; $try++) {
            [$now, $found] = $this->tried($forms, $try);
            if ($now < $cost) {
                [$best, $cost] = [$found, $now];
            }
        }

        return array_map(self::byEntry(...), $forms, $best);
    }

    /**
     * @param  list<list<Key>>  $forms
     * @return array{array{int, int, int}, list<list<int>>} questions in long runs, unevenness, repeats; the places of each form
     */
    private function tried(array $forms, int $try): array
    {
        $used = $before = $found = [];
        $cost = [0, 0, 0];
        foreach ($forms as $i => $keys) {
            $found[] = $places = $this->balance($keys, $used, $before, "$i|$try")->places();
            $cost[0] += array_sum(KeyBalance::runs($places, $this->settings->longestRun));
            $cost[1] += KeyBalance::unevenness($places);
            foreach ($places as $at => $place) {
                $of = $keys[$at]['of'];
                $cost[2] += $used[$of][$place] ?? 0;
                $used[$of][$place] = ($used[$of][$place] ?? 0) + 1;
                $before[$place] = ($before[$place] ?? 0) + 1;
            }
        }

        return [$cost, $found];
    }

    /**
     * @param  list<Key>  $keys
     * @param  array<string, array<int, int>>  $used  of → place → times
     * @param  array<int, int>  $before  place → times
     */
    private function balance(array $keys, array $used, array $before, string $name): KeyBalance
    {
        $questions = array_map(fn (array $key): array => ['places' => $key['places'], 'used' => $used[$key['of']] ?? []], $keys);

        return new KeyBalance($questions, $this->settings->longestRun, $this->settings->seed->stream('form keys', $name), $before);
    }

    /**
     * What no try can be better than: no long run, each form as even as alone, each key at all its places in turn.
     *
     * @param  list<list<Key>>  $forms
     * @return array{int, int, int}
     */
    private function least(array $forms): array
    {
        $least = [0, 0, 0];
        $times = $places = $even = [];
        foreach ($forms as $keys) {
            $alone = array_map(fn (array $key): array => ['places' => $key['places'], 'used' => []], $keys);
            $same = array_map(fn (array $key): string => implode(',', $key['places']), $keys);
            sort($same);
            // forms that ask the same in another order
            $balance = new KeyBalance($alone, PHP_INT_MAX, Seed::of(1)->stream('even', ''));
            $least[1] += $even[implode(' ', $same)] ??= KeyBalance::unevenness($balance->places());
            foreach ($keys as $key) {
                $times[$key['of']] = ($times[$key['of']] ?? 0) + 1;
                $places[$key['of']] = count($key['places']);
            }
        }
        foreach ($times as $of => $n) {
            [$whole, $rest] = [intdiv($n, $places[$of]), $n % $places[$of]];
            $least[2] += $places[$of] * intdiv($whole * ($whole - 1), 2) + $rest * $whole;
        }

        return $least;
    }

    /**
     * @param  list<Key>  $keys
     * @param  list<int>  $places
     * @return array<string, array<string, int>>
     */
    private static function byEntry(array $keys, array $places): array
    {
        $found = [];
        foreach ($keys as $i => $key) {
            $found[$key['entry']][$key['part']] = $places[$i];
        }

        return $found;
    }
}
