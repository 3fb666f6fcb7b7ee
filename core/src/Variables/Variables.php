<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Random\Seed;

/** The variables of a question, and the conditions a roll must meet. */
final class Variables
{
    /** Seeds that are tried for a roll that can be worked out. */
    private const SEEDS = 20;

    /** What may be spent on drawing again for one seed, as Maths\Effort counts it: about 0.3 s. */
    private const PATIENCE = 200_000;

    private const LEAST_TRIES = 10;

    private ?RollPlan $plan = null;

    /**
     * @param  list<Variable>  $list
     * @param  list<string>  $conditions
     */
    private function __construct(
        public readonly array $list,
        public readonly array $conditions,
        public readonly int $tries,
        private readonly mixed $use,
    ) {
    }

    public static function none(): self
    {
        return new self([], [], 1, null);
    }

    /**
     * @param  mixed  $use  decoded JSON that has expressions with these values
     *
     * @throws Malformed
     */
    public static function read(mixed $json, string $path, mixed $use = null): self
    {
        if ($json === null) {
            return new self([], [], 1, $use);
        }
        $fields = Fields::of($json, $path, ['list', 'conditions', 'tries'])->need('list');
        $list = [];
        foreach ($fields->list('list', 100) as $i => $variable) {
            $list[] = Variable::read($variable, "$path/list/$i");
        }
        $conditions = [];
        foreach ($fields->list('conditions', 50) as $i => $condition) {
            if (! is_string($condition)) {
                throw Malformed::wrongType("$path/conditions/$i", 'text', $condition);
            }
            $conditions[] = mb_strlen($condition) <= 1000
                ? $condition
                : throw Malformed::outOfRange("$path/conditions/$i", Message::of('variables.most-1000-characters'), $condition);
        }

        return new self($list, $conditions, $fields->int('tries', 100, 1, 1000), $use);
    }

    /** @return list<string> every name that has a value, the columns of rows among them */
    public function names(): array
    {
        return array_merge(...array_map(fn (Variable $variable): array => $variable->names, $this->list), ...[[]]);
    }

    /** @throws RollProblem when they cannot be worked out whatever is drawn */
    public function plan(): RollPlan
    {
        return $this->plan ??= new RollPlan($this->list, $this->conditions, $this->use);
    }

    /**
     * The values for a seed: drawn again until the conditions hold, at most as often as `tries` says.
     *
     * @throws RollProblem
     */
    public function roll(Seed $seed, string $language): Roll
    {
        if ($this->list === []) {
            $this->plan(); // formulas without values may take too long as well

            return new Roll;
        }
        [, $worked] = $this->settled($seed);

        return $worked->problem === null ? $this->written($worked, $language) : throw $worked->problem;
    }

    /**
     * A roll that can be worked out, where one has to stand for all; none where there is none among the first.
     */
    public function anyRoll(string $language): Roll
    {
        for ($seed = 1, $most = $this->seeds(); $seed <= $most; $seed++) {
            try {
                return $this->roll(Seed::of($seed), $language);
            } catch (RollProblem) {
                // another may do
            }
        }

        return new Roll;
    }

    /** Seeds that are worth trying in a row: fewer where each takes long. */
    private function seeds(): int
    {
        try {
            $effort = $this->plan()->effort;
        } catch (RollProblem) {
            return 1;
        }

        return max(2, min(self::SEEDS, intdiv(5 * self::PATIENCE, $effort * $this->triesOf($effort))));
    }

    /** Tries for one seed. */
    private function triesOf(int $effort): int
    {
        return min($this->tries, max(self::LEAST_TRIES, intdiv(self::PATIENCE, $effort)));
    }

    /** Whether anything is drawn; values that are all worked out are the same in every roll. */
    public function varies(): bool
    {
        return array_filter($this->list, fn (Variable $variable): bool => $variable->drawn !== null) !== [];
    }

    /**
     * What was drawn in rolls that can be worked out and differ, written as expressions.
     *
     * @param  int  $most  rolls
     * @return array<int, array<int, array<string, string>>> seed → place in the list → name → expression; from the lowest seed, fewer
     *                                                       where no more are found
     */
    public function someRolls(int $most): array
    {
        $rolls = $seen = [];
        for ($seed = 1, $last = 0, $patience = $this->seeds(); count($rolls) < $most && $seed <= $last + $patience; $seed++) {
            try {
                [$outcomes, $worked] = $this->settled(Seed::of($seed));
            } catch (RollProblem) {
                continue;
            }
            $drawn = implode('|', $outcomes);
            if ($worked->problem === null && ! isset($seen[$drawn])) {
                $seen[$drawn] = true;
                $rolls[$seed] = $this->drawnIn($worked);
                $last = $seed; // as many seeds in a row without another roll, and it is given up
            }
        }

        return $rolls;
    }

    /** @return array<int, array<string, string>> */
    private function drawnIn(Worked $worked): array
    {
        $drawn = [];
        foreach ($this->list as $i => $variable) {
            foreach ($variable->drawn === null ? [] : $variable->names as $name) {
                $drawn[$i][$name] = self::literal(Roll::text($worked->values[$name]));
            }
        }

        return $drawn;
    }

    /**
     * What is drawn for a seed, and what comes of it; drawn again until the conditions hold.
     *
     * @return array{list<int|string>, Worked}
     *
     * @throws RollProblem when the conditions are never met
     */
    public function settled(Seed $seed): array
    {
        $plan = $this->plan();
        $streams = array_map(fn (string $name) => $seed->stream('roll', $name), $plan->streams);
        $failed = [];
        $tries = $this->triesOf($plan->effort);
        for ($try = 0; $try < $tries; $try++) {
            $outcomes = [];
            foreach ($plan->drawn as $i => $variable) {
                assert($variable->drawn !== null);
                $outcomes[] = $variable->drawn->draw($streams[$i]);
            }
            $worked = $plan->worked($outcomes);
            if ($worked->forbiddenBy === null) {
                return [$outcomes, $worked];
            }
            $failed[$worked->forbiddenBy] = ($failed[$worked->forbiddenBy] ?? 0) + 1;
        }
        arsort($failed);
        $most = array_key_first($failed) ?? 0;
        throw RollProblem::neverMet($tries, $this->conditions[$most] ?? '', "/variables/conditions/$most");
    }

    /** A condition that forbids what was drawn for a roll. */
    public function exclusion(Roll $roll): string
    {
        $drawn = array_filter($this->list, fn (Variable $variable): bool => $variable->drawn !== null);
        $names = array_merge(...array_map(fn (Variable $variable): array => $variable->names, array_values($drawn)), ...[[]]);
        $equal = array_map(
            fn (string $name): string => "$name = ".self::literal(Roll::text($roll->values[$name] ?? '')),
            $names,
        );

        return count($equal) === 1 ? str_replace(' = ', ' != ', $equal[0]) : 'not ('.implode(' and ', $equal).')';
    }

    /** @param  string|bool|list<mixed>  $text  a value as Roll writes it */
    private static function literal(string|bool|array $text): string
    {
        if (is_array($text)) {
            $literals = array_map(
                fn (mixed $one): string => is_string($one) || is_bool($one) ? self::literal($one) : '',
                $text,
            );

            return '['.implode(', ', $literals).']';
        }
        if (is_bool($text)) {
            return $text ? 'true' : 'false';
        }

        return Exact::read($text) === null ? '"'.str_replace('"', '""', $text).'"' : $text;
    }

    /** As they are shown; those that could not be worked out are missing. */
    public function written(Worked $worked, string $language): Roll
    {
        $written = $natural = [];
        foreach ($this->list as $variable) {
            foreach ($variable->names as $name) {
                if ($variable->show->isNatural()) {
                    $natural[] = $name;
                }
                if (! isset($worked->values[$name])) {
                    continue;
                }
                $value = $worked->values[$name];
                $written[$name] = $variable->show->write($value, $language);
                foreach (is_array($value) ? $value : [] as $i => $item) {
                    $written["{$name}[".($i + 1).']'] = $variable->show->write($item, $language);
                }
            }
        }

        return new Roll($worked->values, $written, $natural);
    }
}
