<?php

declare(strict_types=1);

namespace WideQuarry\Forms;

use WideQuarry\Random\Stream;

/**
 * Which place the right option of each question gets in one form: no place more often in a row than the limit, all places as often as
 * one another, each question another place than in earlier forms, and places that earlier forms had seldom; each before the next. The
 * last leaves later forms what they need: with five questions of four options, the letter that comes twice is another in every form.
 *
 * Few questions: every state (how often each place was used, the last one, how long its run is) is looked at, which finds the best there
 * is. Many: shares are as even as can be by a flow with convex costs (Harvey, Ladner, Lovász and Tamir 2006, Semi-matchings for bipartite
 * graphs, Journal of Algorithms 59, 53), then questions exchange places until no run is too long.
 *
 * @phpstan-type Choice array{places: non-empty-list<int>, used: array<int, int>}
 */
final class KeyBalance
{
    private const STATES = 4000;

    /** A state is one number, with six bits for each of so many places. */
    private const PACKED = 6;

    private const COUNTED = 63;

    private const ROUNDS = 200;

    /** What one step counts beside the next: no sum of the one comes near one of the other. */
    private const UNEVEN = 10 ** 12;

    private const REPEATED = 10 ** 6;

    private readonly int $places;

    /** @var array<int, int> place → how often earlier forms have it, in all questions */
    private readonly array $before;

    /**
     * @param  list<Choice>  $questions  in the order of the form: the places each may have, and how often earlier forms used them
     * @param  int  $longest  how many in a row may have the same place
     * @param  array<int, int>  $before  place → how often earlier forms have it, in all questions
     * @param  int  $most  so many states are looked at, each with all places, before the flow is used instead
     */
    public function __construct(
        private readonly array $questions,
        private readonly int $longest,
        private readonly Stream $stream,
        array $before = [],
        private readonly int $most = self::STATES,
    ) {
        $this->places = 1 + max([0, ...array_map(fn (array $one): int => max($one['places']), $questions)]);
        $this->before = $before + array_fill(0, $this->places, 0);
    }

    /** @return list<int> the place of each */
    public function places(): array
    {
        if ($this->questions === []) {
            return [];
        }

        return $this->isExact() ? $this->exactly() : $this->repaired($this->shared());
    }

    /**
     * How uneven the shares are: the sum of their squares, least when they are as even as can be.
     *
     * @param  array<int, int>  $places
     */
    public static function unevenness(array $places): int
    {
        return array_sum(array_map(fn (int $times): int => $times ** 2, array_count_values($places)));
    }

    /**
     * Where runs that are too long begin, and how long each is.
     *
     * @param  array<int, int>  $places
     * @return array<int, int> index → length
     */
    public static function runs(array $places, int $longest): array
    {
        $runs = [];
        $begin = 0;
        foreach ($places as $i => $place) {
            if ($place !== $places[$begin]) {
                $begin = $i;
            }
            if ($i - $begin + 1 > $longest) {
                $runs[$begin] = $i - $begin + 1;
            }
        }

        return $runs;
    }

    /** An upper bound of how many there are. */
    private function states(): float
    {
        $shares = 1.0; // ways to share n out to k places: n + k − 1 choose k − 1
        for ($i = 1; $i < $this->places; $i++) {
            $shares *= (count($this->questions) + $i) / $i;
        }

        return $shares * $this->places * min($this->longest, count($this->questions));
    }

    /** About how many steps finding the places takes. */
    public function effort(): int
    {
        $count = count($this->questions);

        return (int) ($this->isExact() ? $this->states() * $count : $count * $count * $this->places);
    }

    private function isExact(): bool
    {
        $fits = $this->places <= self::PACKED && count($this->questions) <= self::COUNTED;

        return $fits && $this->states() <= $this->most;
    }

    /**
     * Every state, layer by layer. A state is one number: how often each place was used, six bits for each, then the last place, then the
     * length of its run.
     *
     * @return list<int>
     */
    private function exactly(): array
    {
        $lengths = min($this->longest, count($this->questions)) + 1;
        // state → [runs too long, repeats, shares, place, run, state before it]
        $layers = [[0 => [0, 0, 0, -1, 0, 0]]];
        foreach ($this->questions as $question) {
            $next = [];
            $places = $this->stream->shuffled($question['places']);
            foreach ($layers[count($layers) - 1] as $state => [$tooLong, $repeats, $shares, $last, $run]) {
                foreach ($places as $place) {
                    $length = $place === $last ? $run + 1 : 1;
                    $long = $tooLong + ($length > $this->longest ? 1 : 0);
                    $again = $repeats + ($question['used'][$place] ?? 0);
                    $length = min($length, $this->longest);
                    $now = $shares + (1 << 6 * $place);
                    $key = ($now * $this->places + $place) * $lengths + min($length, $lengths - 1);
                    $there = $next[$key] ?? null;
                    if ($there === null || $long < $there[0] || $long === $there[0] && $again < $there[1]) {
                        $next[$key] = [$long, $again, $now, $place, $length, $state];
                    }
                }
            }
            $layers[] = $next;
        }

        return $this->walkedBack($layers);
    }

    /**
     * @param  non-empty-list<array<int, array{int, int, int, int, int, int}>>  $layers
     * @return list<int>
     */
    private function walkedBack(array $layers): array
    {
        $best = null;
        $state = 0;
        foreach ($layers[count($layers) - 1] as $key => [$tooLong, $repeats, $shares]) {
            $uneven = $seldom = 0;
            for ($place = 0; $place < $this->places; $place++) {
                $times = $shares >> 6 * $place & 63;
                $uneven += $times ** 2;
                $seldom += $times * $this->before[$place];
            }
            $cost = [$tooLong, $uneven, $repeats, $seldom];
            if ($best === null || $cost < $best) {
                [$best, $state] = [$cost, $key];
            }
        }
        $places = [];
        for ($i = count($layers) - 1; $i > 0; $i--) {
            $places[] = $layers[$i][$state][3];
            $state = $layers[$i][$state][5];
        }

        return array_reverse($places);
    }

    /**
     * Shares as even as can be, with as few repeats as those allow: each question gets a place along the cheapest way on which others may
     * have to move (successive shortest paths).
     *
     * @return list<int>
     */
    private function shared(): array
    {
        $share = array_fill(0, $this->places, 0);
        $given = [];
        $order = $this->stream->shuffled(array_keys($this->questions));
        foreach ($order as $question) {
            [$cost, $from] = $this->ways($question, $given);
            $end = $least = null;
            foreach ($cost as $place => $one) {
                $total = (2 * $share[$place] + 1) * self::UNEVEN + $one * self::REPEATED + $this->before[$place];
                if ($least === null || $total < $least) {
                    [$end, $least] = [$place, $total];
                }
            }
            assert($end !== null);
            $share[$end]++;
            for ($place = $end; $from[$place] !== null; $place = $before) {
                [$moved, $before] = $from[$place];
                $given[$moved] = $place;
            }
            $given[$question] = $place;
        }
        ksort($given);

        return array_values($given);
    }

    /**
     * The cheapest way to every place: the question takes one, whoever has it moves on to another, and so on (Bellman and Ford). Between
     * two places only the move that costs least counts.
     *
     * @param  array<int, int>  $given  question → place
     * @return array{array<int, int>, array<int, array{int, int}|null>} place → repeats; place → who moves there and from where
     */
    private function ways(int $question, array $given): array
    {
        $cost = $from = [];
        foreach ($this->stream->shuffled($this->questions[$question]['places']) as $place) {
            $cost[$place] = $this->questions[$question]['used'][$place] ?? 0;
            $from[$place] = null;
        }
        $moves = $this->moves($given);
        do {
            $changed = false;
            foreach ($moves as $place => $targets) {
                foreach (isset($cost[$place]) ? $targets : [] as $to => [$step, $other]) {
                    if ($cost[$place] + $step < ($cost[$to] ?? PHP_INT_MAX)) {
                        [$cost[$to], $from[$to], $changed] = [$cost[$place] + $step, [$other, $place], true];
                    }
                }
            }
        } while ($changed);

        return [$cost, $from];
    }

    /**
     * @param  array<int, int>  $given  question → place
     * @return array<int, array<int, array{int, int}>> place → another → what it costs at least to move a question there, and which
     */
    private function moves(array $given): array
    {
        $moves = [];
        foreach ($given as $question => $place) {
            ['places' => $places, 'used' => $used] = $this->questions[$question];
            $now = $used[$place] ?? 0;
            foreach ($places as $to) {
                $step = ($used[$to] ?? 0) - $now;
                if ($to !== $place && $step < ($moves[$place][$to][0] ?? PHP_INT_MAX)) {
                    $moves[$place][$to] = [$step, $question];
                }
            }
        }

        return $moves;
    }

    /**
     * Without runs that are too long, as far as exchanges can: two questions exchange places where that keeps shares, else one changes its.
     *
     * @param  array<int, int>  $places
     * @return list<int>
     */
    private function repaired(array $places): array
    {
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $runs = self::runs($places, $this->longest);
            if ($runs === []) {
                break;
            }
            $better = $this->exchanged($places, $runs) ?? $this->changed($places, $runs);
            if ($better === null) {
                break;
            }
            $places = $better;
        }

        return array_values($places);
    }

    /**
     * @param  array<int, int>  $places
     * @param  non-empty-array<int, int>  $runs
     * @return array<int, int>|null null where no exchange makes runs shorter
     */
    private function exchanged(array $places, array $runs): ?array
    {
        $best = $cost = null;
        foreach ($this->stream->shuffled(self::within($runs)) as $one) {
            foreach ($this->stream->shuffled(array_keys($places)) as $other) {
                [$mine, $theirs] = [$places[$one], $places[$other]];
                if ($mine === $theirs || ! $this->may($one, $theirs) || ! $this->may($other, $mine)) {
                    continue;
                }
                $shorter = $this->shorter($places, [$one => $theirs, $other => $mine]);
                $repeats = $this->repeats($one, $theirs) + $this->repeats($other, $mine)
                    - $this->repeats($one, $mine) - $this->repeats($other, $theirs);
                if ($shorter > 0 && ($cost === null || [-$shorter, $repeats] < $cost)) {
                    [$best, $cost] = [[$one => $theirs, $other => $mine], [-$shorter, $repeats]];
                }
            }
        }

        return $best === null ? null : array_replace($places, $best);
    }

    /**
     * @param  array<int, int>  $places
     * @param  non-empty-array<int, int>  $runs
     * @return array<int, int>|null
     */
    private function changed(array $places, array $runs): ?array
    {
        $best = $cost = null;
        foreach (self::within($runs) as $one) {
            foreach ($this->questions[$one]['places'] as $place) {
                $tried = array_replace($places, [$one => $place]);
                $shorter = $this->shorter($places, [$one => $place]);
                $now = [-$shorter, self::unevenness($tried), $this->repeats($one, $place)];
                if ($shorter > 0 && ($cost === null || $now < $cost)) {
                    [$best, $cost] = [$tried, $now];
                }
            }
        }

        return $best;
    }

    /**
     * By how many questions runs that are too long get shorter.
     *
     * @param  array<int, int>  $places
     * @param  array<int, int>  $changes  question → its new place
     */
    private function shorter(array $places, array $changes): int
    {
        // nothing changes but in the runs that stand at the changed questions and beside them
        $pieces = [];
        foreach (array_keys($changes) as $at) {
            $begin = max(0, $at - 1);
            while ($begin > 0 && $places[$begin - 1] === $places[$begin]) {
                $begin--;
            }
            $end = min(count($places) - 1, $at + 1);
            while ($end < count($places) - 1 && $places[$end + 1] === $places[$end]) {
                $end++;
            }
            $pieces[] = [$begin, $end];
        }
        sort($pieces);
        if (isset($pieces[1]) && $pieces[1][0] <= $pieces[0][1] + 1) {
            $pieces = [[$pieces[0][0], max($pieces[0][1], $pieces[1][1])]];
        }
        $after = array_replace($places, $changes);
        $shorter = 0;
        foreach ($pieces as [$begin, $end]) {
            $shorter += $this->excess(array_slice($places, $begin, $end - $begin + 1));
            $shorter -= $this->excess(array_slice($after, $begin, $end - $begin + 1));
        }

        return $shorter;
    }

    /** @param  array<int, int>  $places */
    private function excess(array $places): int
    {
        $runs = self::runs($places, $this->longest);

        return array_sum($runs) - $this->longest * count($runs);
    }

    /**
     * @param  non-empty-array<int, int>  $runs
     * @return list<int> questions in them
     */
    private static function within(array $runs): array
    {
        $of = fn (int $begin, int $length): array => range($begin, $begin + $length - 1);

        return array_merge(...array_map($of, array_keys($runs), $runs));
    }

    private function may(int $question, int $place): bool
    {
        return in_array($place, $this->questions[$question]['places'], true);
    }

    private function repeats(int $question, int $place): int
    {
        return $this->questions[$question]['used'][$place] ?? 0;
    }
}
