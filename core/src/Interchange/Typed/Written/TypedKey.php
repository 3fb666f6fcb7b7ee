<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Written;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Answer\NumberMatcher;
use WideQuarry\Answer\ToleranceKind;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;

/** The key of a part as people type one: "B", "1-B, 2-A", "basalt / dolerite", "2.65 ± 0.05". */
final class TypedKey
{
    /** Whether the key says more than can be typed: part credit, patterns, expressions. */
    public bool $isLossy = false;

    private function __construct(
        private readonly PlainPart $plain,
        private readonly \stdClass $part,
        private readonly Part $own,
        private readonly Roll $roll,
    ) {
    }

    /**
     * @param  array<string, string>  $letters  what is chosen or ordered → the letter it has in the document
     * @param  string  $unit  typed behind a number
     * @return array{list<string>, bool} answers, one for each place; and whether something is lost
     */
    public static function of(PlainPart $plain, \stdClass $part, Part $own, Roll $roll, array $letters, string $unit): array
    {
        $key = new self($plain, $part, $own, $roll);
        $answers = match ($plain->shape) {
            AnswerShape::Picks => $key->picks($letters),
            AnswerShape::Words => $key->words(),
            AnswerShape::Number => $key->number($unit),
            AnswerShape::Sequence => $key->sequence($letters),
            AnswerShape::Pairs => $key->pairs($letters),
        };

        return [$answers, $key->isLossy];
    }

    /** @return list<\stdClass> those that earn something */
    private function rules(): array
    {
        $key = $this->part->key ?? null;
        $rules = $key instanceof \stdClass && is_array($key->rules ?? null) ? $key->rules : [];

        return array_values(array_filter(
            $rules,
            fn (mixed $rule): bool => $rule instanceof \stdClass && self::credit($rule)->isPositive(),
        ));
    }

    private static function credit(\stdClass $rule): BigRational
    {
        return BigRational::of(is_string($rule->credit ?? null) ? $rule->credit : '1');
    }

    /**
     * @param  array<string, string>  $letters
     * @return list<string>
     */
    private function picks(array $letters): array
    {
        $rules = $this->rules();
        if (! $this->plain->limits->several) {
            $whole = array_values(array_filter($rules, fn (\stdClass $rule): bool => self::credit($rule)->isEqualTo(1)));
            $this->isLossy = count($whole) !== count($rules) || count($whole) > 1;
            $rules = array_slice($whole, 0, 1);
        }
        $found = array_map(fn (\stdClass $rule): ?string => is_string($rule->on) ? $letters[$rule->on] ?? null : null, $rules);
        $this->isLossy = $this->isLossy || in_array(null, $found, true);
        $found = array_values(array_filter($found, is_string(...)));
        sort($found);

        return $found === [] ? [] : [implode(', ', $found)];
    }

    /** @return list<string> */
    private function words(): array
    {
        $words = [];
        foreach ($this->rules() as $rule) {
            $on = $rule->on;
            if ($on instanceof \stdClass &&
                ($on->answer ?? '') === 'is' &&
                is_array($on->text ?? null) &&
                self::credit($rule)->isEqualTo(1)) {
                array_push($words, ...array_values(array_filter($on->text, is_string(...))));
            } else {
                $this->isLossy = true;
            }
        }

        return $words === [] ? [] : [implode(' / ', array_unique($words))];
    }

    /** @return list<string> */
    private function number(string $unit): array
    {
        $rules = array_values(array_filter($this->own->key->rules, fn (Rule $rule): bool => $rule->credit()->isPositive()));
        $whole = array_values(array_filter($rules, fn (Rule $rule): bool => $rule->credit()->isEqualTo(1)));
        $this->isLossy = count($rules) > 1;
        $on = $whole[0]->on ?? null;
        if (! $on instanceof NumberMatcher) {
            return [];
        }
        try {
            return array_filter([$this->matcher($on, $unit === '' ? '' : " $unit")], is_string(...));
        } catch (RollProblem) {
            $this->isLossy = true;

            return [];
        }
    }

    /** @throws RollProblem */
    private function matcher(NumberMatcher $on, string $unit): ?string
    {
        if ($on->from !== null && $on->to !== null) {
            return self::decimal($on->from->number($this->roll)).' to '.self::decimal($on->to->number($this->roll)).$unit;
        }
        $value = $on->values[0] ?? null;
        $this->isLossy = $this->isLossy || count($on->values) !== 1;
        if ($value === null) {
            return null;
        }
        $number = self::decimal($value->number($this->roll));
        if ($on->tolerance === null || ! $on->tolerance->usesWidth()) {
            $this->isLossy = $this->isLossy || $on->tolerance !== null;

            return $number.$unit;
        }
        $width = self::decimal($on->tolerance->width->number($this->roll));

        return match (true) {
            $width === '0' => $number.$unit,
            $on->tolerance->kind === ToleranceKind::Percent => "$number$unit ± $width%",
            default => "$number ± $width$unit",
        };
    }

    /** A number without an end keeps twelve places. */
    private static function decimal(BigRational $number): string
    {
        $text = (string) $number->toScale(12, RoundingMode::HALF_EVEN);

        return str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;
    }

    /**
     * @param  array<string, string>  $letters
     * @return list<string>
     */
    private function sequence(array $letters): array
    {
        $on = $this->rules()[0]->on ?? null;
        if (! is_array($on)) {
            return [];
        }
        $found = [];
        foreach ($on as $rank) {
            $this->isLossy = $this->isLossy || ! is_array($rank) || count($rank) > 1;
            foreach (is_array($rank) ? $rank : [] as $id) {
                $found[] = is_string($id) ? $letters[$id] ?? '?' : '?';
            }
        }

        return [implode(', ', $found)];
    }

    /**
     * Of gaps the words that belong in them.
     *
     * @param  array<string, string>  $letters
     * @return list<string>
     */
    private function pairs(array $letters): array
    {
        $of = [];
        foreach ($this->rules() as $rule) {
            if (is_array($rule->on) && count($rule->on) === 2 && is_string($rule->on[0]) && is_string($rule->on[1])) {
                $of[$rule->on[0]][] = $rule->on[1];
            }
        }
        if ($this->plain->inline) {
            $words = array_column($this->plain->seconds, 'html', 'id');

            return array_map(
                fn (array $first): string => trim(html_entity_decode(strip_tags($words[$of[$first['id']][0] ?? ''] ?? '…'))),
                $this->plain->options,
            );
        }
        $found = [];
        foreach ($this->plain->options as $first) {
            foreach ($of[$first['id']] ?? [] as $second) {
                $found[] = ($letters[$first['id']] ?? '?').'-'.($letters[$second] ?? '?');
            }
            $this->isLossy = $this->isLossy || count($of[$first['id']] ?? []) !== 1;
        }

        return $found === [] ? [] : [implode(', ', $found)];
    }
}
