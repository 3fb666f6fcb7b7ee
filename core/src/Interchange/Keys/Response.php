<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Keys;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/**
 * One response of an item: what may be given, and the part it becomes but for its key. Pairs are written as two identifiers with a tab
 * between.
 */
final readonly class Response
{
    /** Of so many things every set is tried. */
    public const SUBSETS = 6;

    private const PERMUTED = 4;

    private const STEPS = 400;

    private const FEW_STEPS = 12;

    /**
     * @param  string  $kind  of our part
     * @param  list<string>  $options  what can be chosen or put in order; first things of pairs
     * @param  list<string>  $seconds  second things of pairs
     * @param  bool  $several  whether several may be chosen; of pairs, whether a first thing may have several
     * @param  list<Probe>  $probes  what tests on this response compare it with
     * @param  (\Closure(list<string>): array<string, list<string>>)|null  $asked  how the item's own responses hold what is given
     * @param  array<string, int>  $uses  for pairs: how often an item may be used, where that is limited
     * @param  self|null  $otherwise  as another kind, where this one is not marked as the item is
     */
    public function __construct(
        public string $id,
        public string $kind,
        public \stdClass $settings,
        public AnswerShape $shape,
        public array $options,
        public bool $several,
        public array $probes,
        public array $seconds = [],
        private ?\Closure $asked = null,
        public ?self $otherwise = null,
        private array $uses = [],
    ) {
    }

    /**
     * Answers that between them show how it is marked, nothing first.
     *
     * @return list<list<string>>
     */
    public function tried(): array
    {
        return [
            [],
            ...match ($this->shape) {
                AnswerShape::Picks => $this->several
                    ? $this->subsets()
                    : array_map(fn (string $option): array => [$option], $this->options),
                AnswerShape::Words => array_map(fn (string $typed): array => [$typed], $this->words()),
                AnswerShape::Number => array_map(fn (string $typed): array => [$typed], $this->numbers()),
                AnswerShape::Sequence => $this->sequences(),
                AnswerShape::Pairs => $this->pairings(),
            },
        ];
    }

    /**
     * @param  list<string>  $given
     * @return array<string, list<string>> as the item's own responses hold it
     */
    public function asked(array $given): array
    {
        return $this->asked === null ? [$this->id => $given] : ($this->asked)($given);
    }

    /** @return list<string> numbers that tests name, in their order */
    public function limits(): array
    {
        $limits = [];
        foreach ($this->probes as $probe) {
            $value = Exact::read($probe->value);
            if ($value !== null) {
                $limits[(string) $value] = $value;
            }
        }
        usort($limits, fn (BigRational $a, BigRational $b): int => $a->compareTo($b));

        return array_map(fn (BigRational $value): string => Exact::decimal($value) ?? Exact::text($value), $limits);
    }

    /** @return list<string> the texts that tests name */
    public function named(): array
    {
        return array_values(array_unique(array_map(fn (Probe $probe): string => $probe->value, $this->probes)));
    }

    /** @return list<list<string>> */
    private function subsets(): array
    {
        $n = count($this->options);
        $masks = $n <= self::SUBSETS ? range(1, (1 << $n) - 1) : [];
        $sets = array_map(
            fn (int $mask): array => array_values(
                array_filter($this->options, fn (int $i): bool => (($mask >> $i) & 1) === 1, ARRAY_FILTER_USE_KEY),
            ),
            $masks,
        );
        if ($n > self::SUBSETS) {
            // one, all but one, all, those that are named, and the first so many
            $named = array_values(array_intersect($this->options, $this->named()));
            if ($named !== []) {
                $sets[] = $named;
            }
            foreach ($this->options as $i => $option) {
                array_push(
                    $sets,
                    [$option],
                    array_values(array_diff($this->options, [$option])),
                    array_slice($this->options, 0, $i + 1),
                    array_slice($this->options, $i),
                );
                if (in_array($option, $named, true) && count($named) > 1) {
                    $sets[] = array_values(array_diff($named, [$option]));
                } elseif ($named !== []) {
                    $sets[] = [...$named, $option];
                }
            }
        }

        $most = $this->settings->max ?? null;

        // more than may be picked is never given, so that nobody knows what it earns
        return self::unlike(is_int($most) ? array_filter($sets, fn (array $set): bool => count($set) <= $most) : $sets);
    }

    /**
     * @param  array<list<string>>  $all
     * @return list<list<string>> each once
     */
    public static function unlike(array $all): array
    {
        $once = [];
        foreach ($all as $one) {
            $once[implode("\n", $one)] = $one;
        }

        return array_values($once);
    }

    /** @return list<string> */
    private function words(): array
    {
        $words = ['zz unheard of zz'];
        $within = [];
        foreach ($this->probes as $i => $probe) {
            $within[$probe->value] = ($within[$probe->value] ?? false) || $probe->how !== 'equal' || $i === 0;
        }
        foreach ($within as $value => $isLookedFor) {
            // letters inside others matter where a test looks for them; one is tried anyway
            $value = (string) $value;
            $other = mb_strtoupper($value) === $value ? mb_strtolower($value) : mb_strtoupper($value);
            array_push($words, $value, $other, ...$isLookedFor ? ["zz $value zz", "zz$value"] : []);
        }

        return array_values(array_unique([...$words, ...array_map(strval(...), array_keys($this->together()))]));
    }

    /**
     * Letters that tests look for inside an answer, together: what asks for several at once is met by nothing else.
     *
     * @return array<string, list<Probe>> text → what it holds
     */
    public function together(): array
    {
        $within = [];
        foreach ($this->shape === AnswerShape::Words ? $this->probes : [] as $probe) {
            if ($probe->how === 'contains') {
                $within[$probe->value] = $probe;
            }
        }
        $within = array_values($within);
        $n = count($within);
        $sets =
            $n <= self::SUBSETS
                ? array_map(
                    fn (int $mask): array => array_values(
                        array_filter($within, fn (int $i): bool => (($mask >> $i) & 1) === 1, ARRAY_FILTER_USE_KEY),
                    ),
                    range(1, (1 << $n) - 1),
                )
                : [$within, ...array_map(fn (Probe $probe): array => [$within[0], $probe], $within)];
        $texts = [];
        foreach ($sets as $set) {
            if (count($set) > 1) {
                $texts[implode(' ', array_map(fn (Probe $probe): string => $probe->value, $set))] = $set;
            }
        }

        return $texts;
    }

    /** @return list<string> every limit, what lies between two and outside all; of a scale, every step of it where they are not too many */
    private function numbers(): array
    {
        $scale = $this->steps();
        if ($scale !== []) {
            return $scale;
        }
        $limits = array_map(fn (string $limit): BigRational => Exact::read($limit) ?? Exact::zero(), $this->limits());
        if ($limits === []) {
            return ['0', '1'];
        }
        $numbers = [$limits[0]->minus(1), $limits[count($limits) - 1]->plus(1)];
        foreach ($limits as $i => $limit) {
            $numbers[] = $limit;
            if (isset($limits[$i + 1])) {
                $numbers[] = $limit->plus($limits[$i + 1])->dividedBy(2);
            }
        }

        return array_values(
            array_unique(array_map(fn (BigRational $number): string => Exact::decimal($number) ?? Exact::text($number), $numbers)),
        );
    }

    /** @return list<string> */
    private function steps(): array
    {
        [$from, $to, $step] = array_map(
            fn (string $name): ?BigRational => is_string($this->settings->{$name} ?? null) ? Exact::read($this->settings->{$name}) : null,
            ['from', 'to', 'step'],
        );
        if (
            $from === null ||
            $to === null ||
            $step === null ||
            ! $step->isPositive() ||
            $to->minus($from)->dividedBy($step)->isGreaterThan(self::STEPS)
        ) {
            return [];
        }
        $steps = [];
        for ($at = $from; Exact::compare($at, $to) <= 0; $at = $at->plus($step)) {
            $steps[] = Exact::decimal($at) ?? Exact::text($at);
        }

        $limits = array_map(fn (string $limit): BigRational => Exact::read($limit) ?? Exact::zero(), $this->limits());
        $near = fn (string $one): bool => array_filter(
            $limits,
            fn (BigRational $limit): bool => (Exact::read($one) ?? Exact::zero())->minus($limit)->abs()->isLessThanOrEqualTo($step),
        ) !== [];

        // between two limits all of it earns the same
        return count($steps) <= self::FEW_STEPS
            ? $steps
            : array_values(array_unique([$steps[0], ...array_values(array_filter($steps, $near)), $steps[count($steps) - 1]]));
    }

    /**
     * @return list<list<string>> every order of a few; of more, the one that is named and the one they stand in, each with two that
     * change places
     */
    private function sequences(): array
    {
        if (count($this->options) <= self::PERMUTED) {
            return self::permutations($this->options);
        }
        $named = array_values(array_intersect($this->named(), $this->options));
        $sequences = [];
        foreach (
            count($named) === count($this->options)
                ? [$named, $this->options, array_reverse($named)]
                : [$this->options, array_reverse($this->options)] as $start
        ) {
            $sequences[] = $start;
            for ($i = 0; $i < count($start); $i++) {
                for ($j = $i + 1; $j < count($start); $j++) {
                    $swapped = $start;
                    [$swapped[$i], $swapped[$j]] = [$swapped[$j], $swapped[$i]];
                    $sequences[] = array_values($swapped);
                }
            }
        }

        return self::unlike($sequences);
    }

    /**
     * @param  list<string>  $things
     * @return list<list<string>>
     */
    private static function permutations(array $things): array
    {
        if (count($things) < 2) {
            return [$things];
        }
        $all = [];
        foreach ($things as $i => $first) {
            foreach (self::permutations(array_values(array_diff_key($things, [$i => 0]))) as $rest) {
                $all[] = [$first, ...$rest];
            }
        }

        return $all;
    }

    /** @return list<list<string>> every pair alone, all that tests name, and those with one joined otherwise, or one more or one less */
    private function pairings(): array
    {
        $sets = $named = [];
        foreach ($this->options as $first) {
            foreach ($this->seconds as $second) {
                $sets[] = ["$first\t$second"];
                if (in_array("$first\t$second", $this->named(), true)) {
                    $named[] = "$first\t$second";
                }
            }
        }

        return self::unlike(array_filter([...$sets, ...$this->around($named)], $this->fits(...)));
    }

    /** Whether so much can be given together that not all of it is tried. */
    public function isJoined(): bool
    {
        return $this->shape === AnswerShape::Pairs ||
            ($this->shape === AnswerShape::Picks && $this->several && count($this->options) > self::SUBSETS);
    }

    /**
     * What a test names first: where nothing is known, the likeliest to be right.
     *
     * @return list<string>
     */
    public function guess(): array
    {
        $named = array_values(
            array_filter(
                $this->named(),
                fn (string $value): bool => ! in_array($this->shape, [AnswerShape::Picks, AnswerShape::Sequence], true) ||
                    in_array($value, $this->options, true),
            ),
        );

        return match (true) {
            $named === [] => [],
            $this->shape === AnswerShape::Sequence => count($named) === count($this->options) ? $named : [],
            $this->shape === AnswerShape::Pairs, $this->shape === AnswerShape::Picks && $this->several => $this->around($named)[0] ?? [],
            default => [$named[0]],
        };
    }

    /**
     * A set of things, and what is next to it: one less, one more, one otherwise.
     *
     * @param  list<string>  $things
     * @return list<list<string>>
     */
    public function around(array $things): array
    {
        $set = [];
        foreach ($things as $thing) {
            $set[$this->slot($thing)] ??= $thing;
        }
        if ($set === []) {
            return [];
        }
        $sets = [array_values($set)];
        foreach (array_keys($set) as $at) {
            $sets[] = array_values(array_diff_key($set, [$at => 1]));
        }
        foreach (
            $this->shape === AnswerShape::Pairs
                ? array_merge(
                    ...array_map(
                        fn (string $first): array => array_map(fn (string $second): string => "$first\t$second", $this->seconds),
                        $this->options,
                    ),
                )
                : $this->options as $thing
        ) {
            $sets[] = array_values(array_replace($set, [$this->slot($thing) => $thing]));
        }

        return self::unlike(array_filter(array_filter($sets), $this->fits(...)));
    }

    /**
     * Whether no item of a pair exceeds its allowed number of uses.
     *
     * @param  list<string>  $given
     */
    private function fits(array $given): bool
    {
        $used = [];
        foreach ($this->uses === [] ? [] : $given as $pair) {
            foreach (explode("\t", $pair, 2) as $thing) {
                $used[$thing] = ($used[$thing] ?? 0) + 1;
            }
        }

        return array_filter(
            $this->uses,
            fn (int $most, int|string $thing): bool => ($used[$thing] ?? 0) > $most,
            ARRAY_FILTER_USE_BOTH,
        ) === [];
    }

    /** Two things of one slot cannot be given together. */
    private function slot(string $thing): string
    {
        return $this->shape === AnswerShape::Pairs && ! $this->several ? '='.explode("\t", $thing, 2)[0] : "=$thing";
    }
}
