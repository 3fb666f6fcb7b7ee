<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Keys;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/**
 * Feedback to where it belongs, by when it is shown in everything that was tried: always, for what is right, wrong or partly right, for
 * one rule, for one part, or for one thing that was given.
 */
final readonly class FeedbackPlaces
{
    /** @param  list<Response>  $responses */
    public function __construct(private KeySearch $translation, private array $responses)
    {
    }

    /** @return bool whether it has a place in the question */
    public function place(\stdClass $question, string $ident, string $said, bool $isKeyed): bool
    {
        $rows = array_filter($this->translation->rows, fn (array $row): bool => array_filter($row['given']) !== []);
        $when = array_keys(array_filter($rows, fn (array $row): bool => in_array($ident, $row['shows'], true)));
        if ($when === []) {
            return true; // never shown, so nothing is lost
        }
        if (count($when) === count($rows)) {
            return self::set($question, 'general', $said, 'both');
        }
        if (! $isKeyed) {
            return false;
        }
        if (
            count($when) === 1 &&
            ! $this->is('right', $when, $rows) &&
            ($this->atRule($question, $when, $rows, $said) || $this->atThing($question, $when, $rows, $said))
        ) {
            return true;
        }
        foreach (['right', 'wrong', 'partly'] as $state) {
            if ($this->is($state, $when, $rows)) {
                return self::set($question, $state, $said, 'both');
            }
        }

        return $this->atRule($question, $when, $rows, $said) ||
            $this->atPart($question, $when, $rows, $said) ||
            $this->atThing($question, $when, $rows, $said) ||
            $this->atWords($question, $when, $rows, $said) ||
            $this->atOthers($question, $when, $rows, $said);
    }

    public static function set(\stdClass $holder, string $place, string $said, string $show): true
    {
        $holder->feedback ??= new \stdClass();
        assert($holder->feedback instanceof \stdClass);
        $before =
            isset($holder->feedback->{$place}) &&
            $holder->feedback->{$place} instanceof \stdClass &&
            is_string($holder->feedback->{$place}->html)
                ? $holder->feedback->{$place}->html
                : '';
        $holder->feedback->{$place} = (object) ['html' => $before.$said, 'show' => $show];

        return true;
    }

    /**
     * @param  list<int>  $when
     * @param  array<int, array{score: BigRational}>  $rows
     */
    private function is(string $state, array $when, array $rows): bool
    {
        $most = $this->translation->most();
        /** @param  \Closure(BigRational): bool  $is */
        $at = fn (\Closure $is): array => array_keys(array_filter($rows, fn (array $row): bool => $is($row['score']) === true));

        return match ($state) {
            'right' => $when === $at(fn (BigRational $score): bool => Exact::compare($score, $most) === 0),
            'wrong' => $when === $at(fn (BigRational $score): bool => ! $score->isPositive()) ||
                $when === $at(fn (BigRational $score): bool => Exact::compare($score, $most) !== 0),
            default => $when === $at(fn (BigRational $score): bool => $score->isPositive() && Exact::compare($score, $most) !== 0),
        };
    }

    /**
     * @param  list<int>  $when
     * @param  array<int, array{given: array<string, list<string>>}>  $rows
     */
    private function atRule(\stdClass $question, array $when, array $rows, string $said): bool
    {
        foreach ($this->translation->outcomes()['rules'] as $place => $matched) {
            if ($when === array_values(array_filter($matched, fn (int $row): bool => isset($rows[$row])))) {
                [$part, $id] = [...explode("\t", (string) $place, 2), ''];
                foreach ($this->rules($question, $part) as $rule) {
                    if ($rule instanceof \stdClass && $rule->id === $id) {
                        $rule->feedback = (object) ['html' => $said, 'show' => 'both'];

                        return true;
                    }
                }
            }
        }

        return false;
    }

    /**
     * @param  list<int>  $when
     * @param  array<int, array{given: array<string, list<string>>}>  $rows
     */
    private function atPart(\stdClass $question, array $when, array $rows, string $said): bool
    {
        foreach (is_array($question->parts) ? $question->parts : [] as $part) {
            assert($part instanceof \stdClass && is_string($part->id));
            $credits = array_intersect_key($this->translation->outcomes()['credits'][$part->id] ?? [], $rows);
            foreach (['right' => ['1'], 'wrong' => ['0']] as $state => $credit) {
                $answered = array_keys(
                    array_filter(
                        $credits,
                        fn (string $one, int $row): bool => in_array($one, $credit, true) && $rows[$row]['given'][$part->id] !== [],
                        ARRAY_FILTER_USE_BOTH,
                    ),
                );
                if ($answered !== [] && $when === $answered) {
                    return self::set($part, $state, $said, 'both');
                }
            }
        }

        return false;
    }

    /**
     * One thing that earns nothing, and has no rule yet.
     *
     * @param  list<int>  $when
     * @param  array<int, array{given: array<string, list<string>>}>  $rows
     */
    private function atThing(\stdClass $question, array $when, array $rows, string $said): bool
    {
        foreach ($this->responses as $response) {
            foreach ($response->shape === AnswerShape::Picks ? $response->options : [] as $option) {
                if (
                    $when ===
                    array_keys(array_filter($rows, fn (array $row): bool => in_array($option, $row['given'][$response->id], true)))
                ) {
                    return $this->withRule($question, $response->id, $option, $said);
                }
            }
        }

        return false;
    }

    /**
     * Every typed answer that no rule of a part takes.
     *
     * @param  list<int>  $when
     * @param  array<int, array{given: array<string, list<string>>}>  $rows
     */
    private function atOthers(\stdClass $question, array $when, array $rows, string $said): bool
    {
        foreach ($this->responses as $response) {
            $taken = array_merge(
                ...array_values(
                    array_filter(
                        $this->translation->outcomes()['rules'],
                        fn (string $place): bool => str_starts_with($place, "$response->id\t"),
                        ARRAY_FILTER_USE_KEY,
                    ),
                ),
            );
            $others = array_diff(array_keys(array_filter($rows, fn (array $row): bool => $row['given'][$response->id] !== [])), $taken);
            if ($this->translation->isTyped($response) && array_diff($others, $when) === [] && array_diff($when, $others) === []) {
                return $this->added($question, $response->id, (object) ['answer' => 'otherwise'], $said);
            }
        }

        return false;
    }

    /**
     * Words that earn nothing: a mistake that was foreseen.
     *
     * @param  list<int>  $when
     * @param  array<int, array{given: array<string, list<string>>}>  $rows
     */
    private function atWords(\stdClass $question, array $when, array $rows, string $said): bool
    {
        foreach ($this->responses as $response) {
            $typed =
                $response->shape === AnswerShape::Words
                    ? array_map(fn (array $row): string => $row['given'][$response->id][0] ?? '', $rows)
                    : [];
            $words = array_values(array_unique(array_intersect_key($typed, array_flip($when))));
            $meant = array_values(array_intersect($words, $response->named()));
            $matched = array_merge(
                [],
                ...array_values(
                    array_filter(
                        $this->translation->outcomes()['rules'],
                        fn (string $place): bool => str_starts_with($place, "$response->id\t"),
                        ARRAY_FILTER_USE_KEY,
                    ),
                ),
            );
            if (
                $meant === [] ||
                array_intersect($when, $matched) !== [] ||
                array_keys(array_filter($typed, fn (string $one): bool => in_array($one, $words, true))) !== $when
            ) {
                continue;
            }
            $case =
                array_filter($response->probes, fn (Probe $probe): bool => in_array($probe->value, $meant, true) && ! $probe->case) === []
                    ? ['case' => 'keep']
                    : [];

            return $this->added($question, $response->id, (object) ['answer' => 'is', 'text' => $meant, ...$case], $said);
        }

        return false;
    }

    /** A rule that earns nothing of its own, with what it says; where it stands already, it says the same. */
    private function added(\stdClass $question, string $id, \stdClass $on, string $said): bool
    {
        $key = self::keyOf($question, self::keyOwner($question, $id));
        if ($key === null) {
            return false;
        }
        $rules = array_values(array_filter(is_array($key->rules) ? $key->rules : [], fn (mixed $rule): bool => $rule instanceof \stdClass));
        $there = array_filter($rules, fn (\stdClass $rule): bool => $rule->on == $on);
        if ($there === []) {
            $key->rules = self::withSaying($rules, $on, $said, is_string($key->default ?? null) ? $key->default : '0');

            return true;
        }
        $says = fn (\stdClass $rule): bool => ($rule->feedback ?? null) instanceof \stdClass && $rule->feedback->html === $said;

        return array_filter($there, $says) !== [];
    }

    /** The part whose rules a part uses: its own, or that of those which share answers. */
    private static function keyOwner(\stdClass $question, string $id): string
    {
        $once = $question->scoring instanceof \stdClass && is_array($question->scoring->once ?? null) ? $question->scoring->once : [];
        foreach ($once as $list) {
            $id = is_array($list) && in_array($id, $list, true) && is_string($list[0]) ? $list[0] : $id;
        }

        return $id;
    }

    private static function keyOf(\stdClass $question, string $id): ?\stdClass
    {
        foreach (is_array($question->parts) ? $question->parts : [] as $part) {
            if ($part instanceof \stdClass && $part->id === $id && $part->key instanceof \stdClass) {
                return $part->key;
            }
        }

        return null;
    }

    /**
     * A rule that earns no more than the default and says something; what takes all comes last.
     *
     * @param  list<\stdClass>  $rules
     * @return list<\stdClass>
     */
    private static function withSaying(array $rules, \stdClass $on, string $said, string $default): array
    {
        $last = $rules[count($rules) - 1] ?? null;
        $takesAll = $last !== null && $last->on == (object) ['answer' => 'otherwise'];
        $rule = (object) [
            'id' => 'r'.(count($rules) + 1),
            'on' => $on,
            'credit' => $default,
            'feedback' => (object) ['html' => $said, 'show' => 'both'],
        ];
        array_splice($rules, count($rules) - ($takesAll ? 1 : 0), 0, [$rule]);

        return $rules;
    }

    private function withRule(\stdClass $question, string $id, string $option, string $said): bool
    {
        foreach (is_array($question->parts) ? $question->parts : [] as $part) {
            if ($part instanceof \stdClass && $part->id === $id && $part->key instanceof \stdClass && is_array($part->key->rules)) {
                $part->key->rules[] = (object) [
                    'id' => 'r'.(count($part->key->rules) + 1),
                    'on' => $option,
                    'credit' => '0',
                    'feedback' => (object) ['html' => $said, 'show' => 'both'],
                ];

                return true;
            }
        }

        return false;
    }

    /** @return array<mixed> */
    private function rules(\stdClass $question, string $id): array
    {
        foreach (is_array($question->parts) ? $question->parts : [] as $part) {
            if ($part instanceof \stdClass && $part->id === $id && $part->key instanceof \stdClass && is_array($part->key->rules)) {
                return $part->key->rules;
            }
        }

        return [];
    }
}
