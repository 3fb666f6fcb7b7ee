<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Answer\TextMatcher;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\SharedRules;

/**
 * Typed parts that share their rules, each of which earns once: a part whose answer another one has given already is put back to what
 * an answer that fits nothing earns.
 */
final class SharedAnswersWriter
{
    /**
     * @param  array<string, list<array{Rule, string}>>  $tests  part → its rules and when they match
     * @return array<string, string> part → when its answer has been given already
     */
    public static function taken(Question $question, array $tests): array
    {
        $taken = [];
        foreach ($question->scoring->once as $list) {
            $parts = array_values(
                array_filter(array_map($question->part(...), $list), fn (?Part $part): bool => $part !== null && isset($tests[$part->id])),
            );
            usort($parts, fn (Part $a, Part $b): int => $b->points()->compareTo($a->points())); // the answer counts where it earns most
            foreach ($parts as $i => $part) {
                $given = array_map(
                    fn (Part $before): array => self::both($tests[$before->id], $tests[$part->id]),
                    array_slice($parts, 0, $i),
                );
                $given = array_merge(...$given);
                if ($given !== []) {
                    $taken[$part->id] = count($given) === 1 ? $given[0] : '<qti-or>'.implode('', $given).'</qti-or>';
                }
            }
        }

        return $taken;
    }

    /**
     * @param  array<string, string>  $taken
     * @param  array<string, array{string, string}>  $worth  part → its outcome, and what that reaches when it is right
     */
    public static function rules(Question $question, array $taken, array $worth): string
    {
        $xml = '';
        foreach ($taken as $id => $test) {
            $key = SharedRules::keyFor($question, $question->part($id) ?? $question->parts[0]);
            $floor = self::otherwise($key)?->credit() ?? $key->default();
            $points = $question->part($id)?->points() ?? 0;
            $xml .=
                "<qti-response-condition><qti-response-if>$test<qti-set-outcome-value identifier=\"{$worth[$id][0]}\">".
                    '<qti-base-value base-type="float">'.
                ScoreFloats::float($floor->multipliedBy($points)).
                '</qti-base-value></qti-set-outcome-value></qti-response-if></qti-response-condition>';
        }

        return $xml;
    }

    public static function otherwise(Key $key): ?Rule
    {
        return array_values(
            array_filter($key->rules, fn (Rule $rule): bool => $rule->on instanceof TextMatcher && $rule->on->answer === 'otherwise'),
        )[0] ?? null;
    }

    /**
     * @param  list<array{Rule, string}>  $before
     * @param  list<array{Rule, string}>  $here
     * @return list<string> tests: one rule matches in both
     */
    private static function both(array $before, array $here): array
    {
        $both = [];
        foreach ($before as [$rule, $test]) {
            foreach ($here as [$same, $again]) {
                if ($same->id === $rule->id && $test !== '' && $again !== '') {
                    $both[] = "<qti-and>$test$again</qti-and>";
                }
            }
        }

        return $both;
    }
}
