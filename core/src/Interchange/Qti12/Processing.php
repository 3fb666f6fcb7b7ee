<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Keys\ItemMarking;
use WideQuarry\Interchange\Keys\Probe;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Numbers\Exact;

/**
 * How an item is marked (QTI 1.2.1 ASI, 3.4): conditions one after the other, each with what it does to the score and what it shows.
 * One that holds ends it, unless it says to go on.
 */
final class Processing implements ItemMarking
{
    /** @var list<array{condition: Condition, sets: list<array{string, BigRational}>, shows: list<string>, on: bool}> */
    private array $steps = [];

    private BigRational $start;

    private ?BigRational $least = null;

    private ?BigRational $most = null;

    private bool $whole = true;

    public function __construct(?\DOMElement $element)
    {
        $this->start = Exact::zero();
        $score = null;
        foreach ($element === null ? [] : Xml::all($element, 'decvar') as $variable) {
            if ($score === null || strcasecmp($variable->getAttribute('varname') ?: 'SCORE', 'SCORE') === 0) {
                $score = $variable;
            }
        }
        if ($score !== null) {
            $this->start = Exact::read(trim($score->getAttribute('defaultval'))) ?? Exact::zero();
            $this->least = Exact::read(trim($score->getAttribute('minvalue')));
            $this->most = Exact::read(trim($score->getAttribute('maxvalue')));
        }
        $name = $score?->getAttribute('varname') ?? '' ?: 'SCORE';
        foreach ($element === null ? [] : Xml::children($element, 'respcondition') as $step) {
            $this->step($step, $name);
        }
    }

    /** The maximum score, where the source states it. */
    public function most(): ?BigRational
    {
        return $this->most;
    }

    public function isWhole(): bool
    {
        return $this->whole;
    }

    public function isEmpty(): bool
    {
        return array_filter($this->steps, fn (array $step): bool => $step['sets'] !== [] || $step['shows'] !== []) === [];
    }

    public function run(array $given): array
    {
        [$score, $shown] = [$this->start, []];
        foreach ($this->steps as $step) {
            if (! $step['condition']->holds($given)) {
                continue;
            }
            foreach ($step['sets'] as [$action, $value]) {
                $score = match ($action) {
                    'add' => $score->plus($value),
                    'subtract' => $score->minus($value),
                    'multiply' => $score->multipliedBy($value),
                    'divide' => $value->isZero() ? $score : $score->dividedBy($value),
                    default => $value,
                };
            }
            $shown = [...$shown, ...$step['shows']];
            if (! $step['on']) {
                break;
            }
        }
        $score = $this->most !== null && Exact::compare($score, $this->most) > 0 ? $this->most : $score;
        $score = $this->least !== null && Exact::compare($score, $this->least) < 0 ? $this->least : $score;

        return [$score, array_values(array_unique($shown))];
    }

    /** @return list<Condition> every test on a response */
    private function tests(string $response): array
    {
        $tests = array_merge([], ...array_map(fn (array $step): array => $step['condition']->tests(), $this->steps));

        return array_values(array_filter($tests, fn (Condition $test): bool => $test->response === $response && $test->value !== ''));
    }

    /** @return list<Probe> what tests on a response compare it with */
    public function probes(string $response): array
    {
        return array_map(fn (Condition $test): Probe => $test->probe(), $this->tests($response));
    }

    /** @return list<\stdClass> the areas that tests want points of a response to lie in: shape, at */
    public function areas(string $response): array
    {
        return array_values(array_filter(array_map(fn (Condition $test): ?\stdClass => $test->area, $this->tests($response))));
    }

    private function step(\DOMElement $element, string $score): void
    {
        $conditions = Xml::child($element, 'conditionvar');
        $condition = $conditions === null ? null : Condition::read($conditions);
        if ($condition === null) {
            $this->whole = false;

            return;
        }
        $sets = [];
        foreach (Xml::children($element, 'setvar') as $set) {
            $value = Exact::read(trim($set->textContent));
            // a third is written as 0.3333
            $value = $value !== null && strlen(explode('.', trim($set->textContent))[1] ?? '') >= 4 ? ScoreFloats::near($value) : $value;
            if (strcasecmp($set->getAttribute('varname') ?: 'SCORE', $score) === 0 && $value !== null) {
                $sets[] = [strtolower($set->getAttribute('action') ?: 'Set'), $value];
            }
        }
        $shows = array_map(
            fn (\DOMElement $shown): string => $shown->getAttribute('linkrefid'),
            Xml::children($element, 'displayfeedback'),
        );
        $this->steps[] = [
            'condition' => $condition,
            'sets' => $sets,
            'shows' => $shows,
            'on' => strcasecmp($element->getAttribute('continue'), 'yes') === 0,
        ];
    }
}
