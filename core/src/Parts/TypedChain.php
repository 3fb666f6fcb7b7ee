<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;

/** A typed answer in QTI: rules by falling credit as one chain of conditions, the first that holds sets the outcome. */
final class TypedChain
{
    /**
     * Rules in the order in which they decide.
     *
     * @param  callable(Rule): (string|null)  $test a condition over the response; null when the rule cannot be said
     * @return list<list<array{Rule, string}>>
     */
    public static function matches(Part $part, callable $test): array
    {
        $chain = [];
        foreach (self::ordered($part) as $rule) {
            $condition = self::catchesAll($rule) ? '' : $test($rule);
            if ($condition !== null) {
                $chain[] = [$rule, $condition];
            }
        }

        return [$chain];
    }

    /** @param  callable(Rule): (string|null)  $test a condition over the response; null when the rule cannot be said */
    public static function write(Part $part, string $response, callable $test): string
    {
        if ($part->scheme === Scheme::Person) {
            return '';
        }
        $set = fn (
            BigRational $credit,
        ): string => "<qti-set-outcome-value identifier=\"SCORE_$response\"><qti-base-value base-type=\"float\">".
            ScoreFloats::float($credit->multipliedBy($part->points())).
            '</qti-base-value></qti-set-outcome-value>';
        $branches =
            "<qti-response-if><qti-is-null><qti-variable identifier=\"$response\"/></qti-is-null>".
            $set(Exact::zero()).
            '</qti-response-if>';
        $else = $part->key->default();
        foreach (self::ordered($part) as $rule) {
            if (self::catchesAll($rule)) {
                $else = $rule->credit();
                break;
            }
            $condition = $test($rule);
            $branches .=
                $condition === null ? '' : "<qti-response-else-if>$condition".$set($rule->credit()).'</qti-response-else-if>';
        }

        return "<qti-response-condition>$branches<qti-response-else>".$set($else).'</qti-response-else></qti-response-condition>';
    }

    /**
     * @param  callable(\DOMElement): (array<string, mixed>|null)  $on  what a condition asks for; null when it cannot be told
     */
    public static function read(string $kind, Marking $marking, callable $on): ?\stdClass
    {
        $values = array_map(fn (array $link): BigRational => Exact::read($link[1]) ?? Exact::zero(), $marking->chain);
        $points = array_reduce(
            $values,
            fn (BigRational $best, BigRational $value): BigRational => $value->isGreaterThan($best) ? $value : $best,
            Exact::zero(),
        );
        if (! $points->isPositive()) {
            return null;
        }
        $asksForBlank = array_filter($marking->chain, fn (array $link): bool => $link[0]->localName === 'qti-is-null') !== [];
        if (! $asksForBlank && ! (Exact::read($marking->points) ?? Exact::zero())->isZero()) {
            return null; // what no condition catches earns there even when nothing was answered
        }
        $rules = [];
        foreach ($marking->chain as [$test, $value]) {
            if ($test->localName === 'qti-is-null') {
                continue;
            }
            $condition = $on($test);
            if ($condition === null || ($rules !== [] && Exact::of($rules[count($rules) - 1]['value'])->isLessThan($value))) {
                return null; // the first that holds decides there, the best one here: the same only when credits fall
            }
            $rules[] = ['id' => 'r'.(count($rules) + 1), 'on' => $condition, 'value' => $value];
        }
        $rules = array_map(
            fn (array $rule): array => [
                'id' => $rule['id'],
                'on' => (object) $rule['on'],
                'credit' => ScoreFloats::share($rule['value'], $points),
            ],
            $rules,
        );

        return (object) [
            'kind' => $kind,
            'points' => ScoreFloats::points($points),
            'settings' => new \stdClass(),
            'key' => (object) ['rules' => $rules, 'default' => ScoreFloats::share($marking->points, $points)],
            'scoring' => (object) ['scheme' => 'weights'],
        ];
    }

    /** @return list<Rule> by falling credit, up to the catch-all: what earns less than it can never be reached */
    private static function ordered(Part $part): array
    {
        $rules = $part->key->rules;
        usort($rules, fn (Rule $a, Rule $b): int => $b->credit()->compareTo($a->credit()));
        $reached = [];
        foreach ($rules as $rule) {
            $reached[] = $rule;
            if (self::catchesAll($rule)) {
                break;
            }
        }

        return $reached;
    }

    private static function catchesAll(Rule $rule): bool
    {
        return is_object($rule->on) && ($rule->on->answer ?? '') === 'otherwise';
    }
}
