<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;

/** The one shape of key: rules in order, and the credit of what no rule lists. */
final readonly class Key
{
    /** @param  list<Rule>  $rules */
    private function __construct(public array $rules, private string $default, private string $path)
    {
    }

    /**
     * @param  callable(mixed, string): (object|string)  $readOn
     *
     * @throws Malformed
     */
    public static function read(mixed $json, string $path, callable $readOn): self
    {
        $fields = Fields::of($json, $path, ['rules', 'default']);
        $rules = [];
        foreach ($fields->list('rules', 500) as $i => $rule) {
            $at = "$path/rules/$i";
            $rule = Fields::of($rule, $at, ['id', 'on', 'credit', 'feedback', 'note'])
                ->need('on')
                ->need('credit');
            $id = $rule->id();
            if (isset($rules[$id])) {
                throw Malformed::repeatedId("$at/id", $id);
            }
            $feedback = $rule->has('feedback') ? Feedback::read($rule->raw('feedback'), "$at/feedback") : null;
            $rules[$id] = new Rule($id, $readOn($rule->raw('on'), "$at/on"), $rule->exact('credit', '0'), $feedback, $at, $rule->string('note'));
        }

        return new self(array_values($rules), $fields->exact('default', '0'), $path);
    }

    /**
     * The same key with some of its rules.
     *
     * @param  \Closure(Rule): bool  $keep
     */
    public function only(\Closure $keep): self
    {
        return new self(array_values(array_filter($this->rules, $keep)), $this->default, $this->path);
    }

    /**
     * The same key with other rules.
     *
     * @param  \Closure(Rule): ?Rule  $changed  null leaves a rule out
     */
    public function map(\Closure $changed): self
    {
        return new self(array_values(array_filter(array_map($changed, $this->rules))), $this->default, $this->path);
    }

    /** @throws NotScorable */
    public function default(): BigRational
    {
        return Exact::read($this->default) ?? throw NotScorable::unreadableNumber($this->default, "$this->path/default");
    }
}
