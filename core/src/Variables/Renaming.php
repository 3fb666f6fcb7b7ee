<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Maths\FunctionTable;

/** A value under another name, everywhere it stands: in its definition, in formulas, conditions, texts, equations and descriptions. */
final readonly class Renaming
{
    private function __construct(private string $from, private string $to)
    {
    }

    /**
     * @param  \stdClass  $question  as core/schema/question.json has it
     *
     * @throws Malformed when the new name is none
     * @throws RollProblem when it is taken
     */
    public static function of(\stdClass $question, string $from, string $to): \stdClass
    {
        Variable::name($from, '/from');
        Variable::name($to, '/to');
        $taken = self::names($question->variables ?? null);
        if (FunctionTable::isReserved($to)) {
            throw RollProblem::reserved($to, '/to');
        }
        if ($from !== $to && in_array($to, $taken, true)) {
            throw RollProblem::repeated($to, '/to');
        }
        $renamed = (new self($from, $to))->in(Json::copy($question), '');
        assert($renamed instanceof \stdClass);

        return $renamed;
    }

    /** @return list<string> names of values that are there, the columns of rows among them */
    public static function names(mixed $variables): array
    {
        $names = [];
        foreach ($variables instanceof \stdClass && is_array($variables->list ?? null) ? $variables->list : [] as $variable) {
            if ($variable instanceof \stdClass) {
                array_push($names, $variable->name ?? '', ...is_array($variable->columns ?? null) ? $variable->columns : []);
            }
        }

        return array_values(array_filter($names, fn (mixed $name): bool => is_string($name) && $name !== ''));
    }

    /** @param  string  $field  the name of the field, of a list its own */
    private function in(mixed $json, string $field): mixed
    {
        if (is_string($json)) {
            return match ($field) {
                'expr', 'conditions' => $this->formula($json),
                default => $this->text($json),
            };
        }
        if (is_array($json)) {
            return array_map(
                fn (mixed $one): mixed => $field === 'columns' && $one === $this->from ? $this->to : $this->in($one, $field),
                $json,
            );
        }
        if ($json instanceof \stdClass) {
            $isVariable = isset($json->kind) && ($json->name ?? null) === $this->from && ! isset($json->settings);
            foreach (get_object_vars($json) as $name => $inner) {
                $json->{$name} = $isVariable && $name === 'name' ? $this->to : $this->in($inner, (string) $name);
            }
            if ($isVariable && $json->kind !== 'expr') {
                $json->stream ??= $this->from; // it keeps its random numbers
            }
        }

        return $json;
    }

    /** Words in quotes and functions of the name keep it. */
    private function formula(string $text): string
    {
        return (string) preg_replace_callback(
            '/"[^"]*"|[A-Za-z][A-Za-z0-9_]*/',
            fn (array $m): string => $m[0] === $this->from ? $this->to : $m[0],
            $text,
        );
    }

    private function text(string $text): string
    {
        return (string) preg_replace(
            ['/(data-value=")'.$this->from.'(?=["[])/', '/(\\\\val\{)'.$this->from.'(?=[}[])/'],
            "\${1}$this->to",
            $text,
        );
    }
}
