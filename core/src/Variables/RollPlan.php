<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use WideQuarry\Maths\Effort;
use WideQuarry\Maths\Formula;
use WideQuarry\Maths\FunctionTable;
use WideQuarry\Maths\MathsProblem;

/**
 * How the variables of a question are worked out: in the order they need one another, whatever order they stand in. Read once, used
 * for every roll.
 */
final class RollPlan
{
    /** @var list<Variable> */
    public readonly array $drawn;

    /** @var list<string> of what is drawn, in its order: no two take the same random numbers */
    public readonly array $streams;

    /** @var array<string, array{Variable, Formula}> in the order they need one another */
    private array $workedOut = [];

    /** @var list<Formula> */
    private array $conditions = [];

    /** What working it out once takes, as Maths\Effort counts it. */
    public readonly int $effort;

    /** About 200 functions: 0.1 s, as a learner waits for it. */
    private const MOST_EFFORT = 60_000;

    /**
     * @param  list<Variable>  $list
     * @param  list<string>  $conditions
     * @param  mixed  $use  decoded JSON that has expressions with these values: {"expr": …}
     *
     * @throws RollProblem when names are given twice, or definitions go round in a circle, or an expression cannot be read
     */
    public function __construct(array $list, array $conditions, mixed $use = null)
    {
        $this->drawn = array_values(array_filter($list, fn (Variable $one): bool => $one->drawn !== null));
        $streams = [];
        foreach ($this->drawn as $variable) {
            $stream = $variable->stream;
            while (in_array($stream, $streams, true)) {
                $stream .= "'"; // one that took the first name of another
            }
            $streams[] = $stream;
        }
        $this->streams = $streams;
        $names = [];
        foreach ($list as $variable) {
            foreach ($variable->names as $i => $name) {
                $path = $variable->kind === 'row' ? "$variable->path/columns/$i" : "$variable->path/name";
                if (FunctionTable::isReserved($name)) {
                    throw RollProblem::reserved($name, $path);
                }
                if (isset($names[$name])) {
                    throw RollProblem::repeated($name, $path);
                }
                $names[$name] = $variable;
            }
        }
        foreach ($list as $variable) {
            $this->order($variable, $names, []);
        }
        foreach ($conditions as $i => $condition) {
            $this->conditions[] = self::formula($condition, "/variables/conditions/$i");
        }
        $effort = 1;
        foreach ([...array_column($this->workedOut, 1), ...$this->conditions] as $formula) {
            $effort += $formula->node->accept(new Effort);
        }
        $this->effort = $effort;
        if ($effort + self::effortIn([$use]) > self::MOST_EFFORT) {
            throw RollProblem::tooMuch('/variables/list');
        }
    }

    /**
     * Works out what has been drawn. A condition that cannot hold forbids it, even where something else could not be worked out: that is
     * how an author forbids a bad roll.
     *
     * @param  list<int|string>  $outcomes  of what is drawn, in its order
     */
    public function worked(array $outcomes): Worked
    {
        $values = [];
        foreach ($this->drawn as $i => $variable) {
            assert($variable->drawn !== null);
            $values += $variable->drawn->values($outcomes[$i]);
        }
        $problem = null;
        foreach ($this->workedOut as [$variable, $formula]) {
            try {
                $values[$variable->name] = $formula->value($values);
            } catch (MathsProblem $found) {
                // what needs it fails for the same reason, which has been said
                $problem ??= RollProblem::expression($found, "$variable->path/expr");
            }
        }
        foreach ($this->conditions as $i => $condition) {
            try {
                $holds = $condition->value($values);
            } catch (MathsProblem $found) {
                $problem ??= RollProblem::expression($found, "/variables/conditions/$i");

                continue;
            }
            if ($holds === false) {
                return new Worked($values, null, $i);
            }
            if ($holds !== true) {
                $problem ??= RollProblem::noCondition("/variables/conditions/$i");
            }
        }

        return new Worked($values, $problem, null);
    }

    /**
     * Puts a value after those it needs: depth first (Cormen et al. 2022, "Introduction to Algorithms", 20.4).
     *
     * @param  array<string, Variable>  $names
     * @param  list<string>  $through  values that need this one
     *
     * @throws RollProblem
     */
    private function order(Variable $variable, array $names, array $through): void
    {
        if ($variable->drawn !== null || isset($this->workedOut[$variable->name])) {
            return;
        }
        $from = array_search($variable->name, $through, true);
        if ($from !== false) {
            throw RollProblem::circular(array_slice($through, $from), "$variable->path/expr");
        }
        $formula = self::formula($variable->expr, "$variable->path/expr");
        foreach ($formula->names() as $name) {
            if (isset($names[$name])) {
                $this->order($names[$name], $names, [...$through, $variable->name]);
            }
        }
        $this->workedOut[$variable->name] = [$variable, $formula];
    }

    /** @param  array<array-key, mixed>|\stdClass  $json */
    private static function effortIn(array|\stdClass $json): int
    {
        if ($json instanceof \stdClass && is_string($json->expr ?? null)) {
            try {
                return Formula::of($json->expr)->node->accept(new Effort);
            } catch (MathsProblem) {
                return 0; // found where it stands
            }
        }

        $effort = 0;
        foreach ((array) $json as $value) {
            if (is_array($value) || $value instanceof \stdClass) {
                $effort += self::effortIn($value);
            }
        }

        return $effort;
    }

    private static function formula(string $text, string $path): Formula
    {
        try {
            return Formula::of($text);
        } catch (MathsProblem $problem) {
            throw RollProblem::expression($problem, $path);
        }
    }
}
