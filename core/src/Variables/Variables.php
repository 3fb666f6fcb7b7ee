<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Maths\Evaluator;
use WideQuarry\Maths\MathsProblem;
use WideQuarry\Maths\Parser;
use WideQuarry\Messages\Message;
use WideQuarry\Random\Seed;

/** The variables of a question in the order they depend on one another, and the conditions a roll must meet. */
final readonly class Variables
{
    /**
     * @param  list<Variable>  $list
     * @param  list<string>  $conditions
     */
    private function __construct(public array $list, private array $conditions, private int $tries)
    {
    }

    public static function none(): self
    {
        return new self([], [], 1);
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        if ($json === null) {
            return self::none();
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

        return new self($list, $conditions, $fields->int('tries', 100, 1, 1000));
    }

    /**
     * The values for a seed: drawn again until the conditions hold, at most as often as `tries` says.
     *
     * @throws RollProblem
     */
    public function roll(Seed $seed, string $language): Roll
    {
        if ($this->list === []) {
            return new Roll;
        }
        $streams = [];
        foreach ($this->list as $variable) {
            $streams[] = $seed->stream('roll', $variable->name);
        }
        for ($try = 0; $try < $this->tries; $try++) {
            $values = [];
            foreach ($this->list as $i => $variable) {
                if (isset($values[$variable->name])) {
                    throw RollProblem::repeated($variable->name, "$variable->path/name");
                }
                $values[$variable->name] = $variable->draw($streams[$i], $values);
            }
            if ($this->hold($values)) {
                $written = [];
                foreach ($this->list as $variable) {
                    $written[$variable->name] = $variable->show->write($values[$variable->name], $language);
                }

                return new Roll($values, $written);
            }
        }
        throw RollProblem::neverMet($this->tries, '/variables/conditions');
    }

    /** @param  array<string, \Brick\Math\BigRational|string|bool>  $values */
    private function hold(array $values): bool
    {
        foreach ($this->conditions as $i => $condition) {
            try {
                $holds = (new Evaluator($values))->value(Parser::parse($condition));
            } catch (MathsProblem $problem) {
                throw RollProblem::expression($problem, "/variables/conditions/$i");
            }
            if (! is_bool($holds)) {
                throw RollProblem::noCondition("/variables/conditions/$i");
            }
            if (! $holds) {
                return false;
            }
        }

        return true;
    }
}
