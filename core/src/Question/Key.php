<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Marking\ModelAnswer;
use WideQuarry\Marking\Rubric;
use WideQuarry\Numbers\Exact;

/** The one shape of key: rules in order, and the credit of what no rule lists. */
final readonly class Key
{
    private const MOST_RULES = 500;

    private const MOST_MODELS = 50;

    /**
     * @param  list<Rule>  $rules
     * @param  Rubric|null  $rubric  what people mark by, where the scheme is that of a person
     * @param  list<ModelAnswer>  $models  examples of answers, for people who mark
     */
    private function __construct(
        public array $rules,
        private string $default,
        private string $path,
        public ?Rubric $rubric,
        public array $models,
    ) {
    }

    /**
     * @param  callable(mixed, string): (object|string)  $readOn
     *
     * @throws Malformed
     */
    public static function read(mixed $json, string $path, callable $readOn): self
    {
        return self::from(Fields::of($json, $path, ['rules', 'default', 'rubric', 'models']), $readOn);
    }

    /**
     * The key of a kind that nothing but a person can mark: it has no rules.
     *
     * @throws Malformed
     */
    public static function ofPerson(mixed $json, string $path): self
    {
        return self::from(Fields::of($json, $path, ['rubric', 'models']), fn (): string => '');
    }

    /** @throws Malformed */
    private static function from(Fields $fields, callable $readOn): self
    {
        return new self(
            self::rules($fields, $readOn),
            $fields->exact('default', '0'),
            $fields->path,
            $fields->raw('rubric') === null ? null : Rubric::read($fields->raw('rubric'), $fields->at('rubric')),
            self::models($fields),
        );
    }

    /**
     * @return list<ModelAnswer>
     *
     * @throws Malformed
     */
    private static function models(Fields $fields): array
    {
        $models = [];
        foreach ($fields->list('models', self::MOST_MODELS) as $i => $json) {
            $model = ModelAnswer::read($json, $fields->at("models/$i"));
            if (isset($models["=$model->id"])) {
                throw Malformed::repeatedId($fields->at("models/$i/id"), $model->id);
            }
            $models["=$model->id"] = $model;
        }

        return array_values($models);
    }

    /**
     * @param  callable(mixed, string): (object|string)  $readOn
     * @return list<Rule>
     *
     * @throws Malformed
     */
    private static function rules(Fields $fields, callable $readOn): array
    {
        $path = $fields->path;
        $rules = [];
        foreach ($fields->list('rules', self::MOST_RULES) as $i => $rule) {
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

        return array_values($rules);
    }

    /**
     * The same key with some of its rules.
     *
     * @param  \Closure(Rule): bool  $keep
     */
    public function only(\Closure $keep): self
    {
        return $this->with(array_values(array_filter($this->rules, $keep)));
    }

    /**
     * The same key with other rules.
     *
     * @param  \Closure(Rule): ?Rule  $changed  null leaves a rule out
     */
    public function map(\Closure $changed): self
    {
        return $this->with(array_values(array_filter(array_map($changed, $this->rules))));
    }

    /** @param  list<Rule>  $rules */
    private function with(array $rules): self
    {
        return new self($rules, $this->default, $this->path, $this->rubric, $this->models);
    }

    /** @throws NotScorable */
    public function default(): BigRational
    {
        return Exact::read($this->default) ?? throw NotScorable::unreadableNumber($this->default, "$this->path/default");
    }
}
