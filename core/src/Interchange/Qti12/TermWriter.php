<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use Brick\Math\BigRational;
use WideQuarry\Answer\NumberMatcher;
use WideQuarry\Answer\TextMatcher;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Plain\AcceptedWordings;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;

/** The marking of a part as conditions of QTI 1.2.1. */
final class TermWriter
{
    /** @var array<string, array{string, string}> */
    private array $losses = [];

    /** @param  \Closure(string): string  $ident  the response of a first thing of pairs; of the part for '' */
    public function __construct(
        private readonly Part $part,
        private readonly PlainPart $plain,
        private readonly WriteContext $in,
        private readonly \Closure $ident,
    ) {
    }

    /** @return Terms|null null when it is marked by hand */
    public function terms(): ?Terms
    {
        if ($this->plain->byHand || $this->part->scheme === Scheme::Person || $this->part->key->rules === []) {
            return null;
        }
        $terms = match ($this->plain->shape) {
            AnswerShape::Picks => $this->plain->limits->several ? $this->picks() : $this->pick(),
            AnswerShape::Words => $this->chain(
                fn (Rule $rule): ?string => $rule->on instanceof TextMatcher ? $this->word($rule->on) : null,
            ),
            AnswerShape::Number => $this->chain(
                fn (Rule $rule): ?string => $rule->on instanceof NumberMatcher ? $this->number($rule->on) : null,
            ),
            AnswerShape::Sequence => $this->sequence(),
            AnswerShape::Pairs => $this->pairs(),
        };

        return $terms === null
            ? null
            : new Terms($terms->list, $terms->right, $terms->some, $terms->bounded, [
                ...$this->plain->losses,
                ...array_values($this->losses),
            ]);
    }

    private function equal(string $value, string $first = '', string $more = ''): string
    {
        if ($this->plain->picture?->isPlaced === true) {
            return $this->inside($value, $this->plain->picture->areas);
        }

        return '<varequal respident="'.Xml::escape(($this->ident)($first))."\"$more>".Xml::escape($value).'</varequal>';
    }

    /**
     * A point lies in an area, and in none that is tried before it.
     *
     * @param  array<string, array{shape: string, at: list<BigRational>}>  $areas
     */
    private function inside(string $id, array $areas): string
    {
        $test = function (string $area) use ($areas): string {
            [$kind, $numbers] = HotspotAreas::write($areas[$area]['shape'], $areas[$area]['at']);

            return '<varinside respident="'.Xml::escape(($this->ident)(''))."\" areatype=\"$kind\">$numbers</varinside>";
        };
        $own = HotspotAreas::box($areas[$id]);
        $before = [];
        foreach ($areas as $other => $area) {
            if ((string) $other === $id) {
                break;
            }
            if ($own !== null && HotspotAreas::box($area)?->meets($own) === true) {
                $before[] = $test((string) $other);
            }
        }

        return $before === [] ? $test($id) : Terms::all([$test($id), Terms::not(Terms::any($before))]);
    }

    private function answered(string $first = ''): string
    {
        return Terms::not('<unanswered respident="'.Xml::escape(($this->ident)($first)).'"/>');
    }

    private function points(BigRational $credit): BigRational
    {
        return $credit->multipliedBy($this->part->points());
    }

    /** @return array<string, Rule> what is picked → its rule */
    private function ruled(): array
    {
        $rules = [];
        foreach ($this->part->key->rules as $rule) {
            if (is_string($rule->on)) {
                $rules[$rule->on] ??= $rule;
            }
        }

        return $rules;
    }

    private function pick(): Terms
    {
        $list = $right = $some = [];
        $rules = $this->ruled();
        foreach ($this->plain->options as $option) {
            $rule = $rules[$option['id']] ?? null;
            $credit = $rule?->credit() ?? $this->part->key->default();
            $test = $this->equal($option['id']);
            if (! $credit->isZero() || $rule?->feedback !== null) {
                $list[] = [$test, $this->points($this->within($credit)), $rule];
            }
            if ($credit->isGreaterThanOrEqualTo(1)) {
                $right[] = $test;
            }
            if ($credit->isPositive()) {
                $some[] = $test;
            }
        }

        return new Terms($list, Terms::any($right === [] ? $some : $right), Terms::any($some), false);
    }

    /** What is earned is never beyond the bounds of the part. */
    private function within(BigRational $credit): BigRational
    {
        [$low, $high] = [$this->part->bound('low'), $this->part->bound('high')];

        return $credit->isLessThan($low) ? $low : ($credit->isGreaterThan($high) ? $high : $credit);
    }

    private function picks(): Terms
    {
        $rules = $this->ruled();
        $ids = array_column($this->plain->options, 'id');
        $right = array_values(array_filter($ids, fn (string $id): bool => isset($rules[$id]) && $rules[$id]->credit()->isPositive()));
        $others = array_values(array_diff($ids, $right));
        [$n, $w] = [count($right), count($others)];
        $test = fn (string $id): string => $this->equal($id);
        $exactly = Terms::all([
            ...array_map($test, $right),
            ...$others === [] ? [] : [Terms::not(Terms::any(array_map($test, $others)))],
        ]);
        $some = Terms::any(array_map($test, $right));
        if ($this->part->scheme === Scheme::All) {
            return new Terms([[$exactly, $this->points(Exact::one()), null], ...$this->silent($rules)], $exactly, $exactly, false);
        }
        $share = fn (int $above, int $below): BigRational => $this->points(BigRational::of($above)->dividedBy(max(1, $below)));
        [$good, $bad, $base] = match ($this->part->scheme) {
            Scheme::Balance => [$share(1, $n), $share($w === 0 ? 0 : -1, $w), Exact::zero()],
            Scheme::Judge => [$share(1, $n + $w), $share(-1, $n + $w), $share($w, $n + $w)],
            Scheme::Each => [$share(1, $n), Exact::zero(), Exact::zero()],
            default => [null, null, Exact::zero()],
        };
        if ($this->part->scheme === Scheme::Each && ! $this->part->bound('cost')->isZero() && ($this->plain->limits->max ?? $n + $w) > $n) {
            $this->losses['cost'] = [
                'choice.cost_of_extra',
                Message::of('interchange.qti12.cost-giving-more-right'),
            ];
        }
        $list = $base->isZero() ? [] : [[$this->answered(), $base, null]];
        foreach ($ids as $id) {
            $value =
                $good === null
                    ? $this->points(isset($rules[$id]) ? $rules[$id]->credit() : $this->part->key->default())
                    : (in_array($id, $right, true)
                        ? $good
                        : $bad ?? Exact::zero());
            if (! $value->isZero() || ($rules[$id]->feedback ?? null) !== null) {
                $list[] = [$test($id), $value, $rules[$id] ?? null];
            }
        }

        return new Terms($list, $exactly, $some, $this->leaves($list));
    }

    /**
     * Rules that only say something.
     *
     * @param  array<string, Rule>  $rules
     * @return list<array{string, BigRational, Rule}>
     */
    private function silent(array $rules): array
    {
        $said = array_filter($rules, fn (Rule $rule): bool => $rule->feedback !== null);

        return array_map(
            fn (int|string $id, Rule $rule): array => [$this->equal((string) $id), Exact::zero(), $rule],
            array_keys($said),
            array_values($said),
        );
    }

    /**
     * Whether some terms together leave the bounds of the part.
     *
     * @param  list<array{string, BigRational, Rule|null}>  $list
     */
    private function leaves(array $list): bool
    {
        $sum = fn (bool $up): BigRational => array_reduce(
            $list,
            fn (BigRational $sum, array $term): BigRational => $term[1]->isPositive() === $up ? $sum->plus($term[1]) : $sum,
            Exact::zero(),
        );

        return $sum(false)->isLessThan($this->points($this->part->bound('low'))) ||
            $sum(true)->isGreaterThan($this->points($this->part->bound('high'))->plus('1/1000000'));
    }

    /**
     * Rules of which the best that holds decides: each holds only where none before it does.
     *
     * @param  \Closure(Rule): (string|null)  $test
     */
    private function chain(\Closure $test): Terms
    {
        $rules = $this->part->key->rules;
        usort($rules, fn (Rule $a, Rule $b): int => $b->credit()->compareTo($a->credit()));
        $list = $right = $some = $before = [];
        $ended = false;
        foreach ($rules as $rule) {
            if ($ended) {
                break;
            }
            $ended = is_object($rule->on) && ($rule->on->answer ?? '') === 'otherwise';
            $condition = $ended ? $this->answered() : $test($rule);
            if ($condition === null) {
                continue;
            }
            $alone = $before === [] ? $condition : Terms::all([$condition, Terms::not(Terms::any($before))]);
            $list[] = [$alone, $this->points($this->within($rule->credit())), $rule];
            if ($rule->credit()->isGreaterThanOrEqualTo(1)) {
                $right[] = $condition;
            }
            if ($rule->credit()->isPositive()) {
                $some[] = $condition;
            }
            $before[] = $condition;
        }
        if (! $ended && ! $this->part->key->default()->isZero() && $before !== []) {
            $list[] = [
                Terms::all([$this->answered(), Terms::not(Terms::any($before))]),
                $this->points($this->part->key->default()),
                null,
            ];
        }

        return new Terms(
            $list,
            $right === [] && $some === [] ? '' : Terms::any($right === [] ? $some : $right),
            $some === [] ? '' : Terms::any($some),
            false,
        );
    }

    private function word(TextMatcher $on): ?string
    {
        $ignore = $on->case === null ? $this->plain->ignoresCase() : $on->case === 'ignore';
        $wordings = new AcceptedWordings($this->plain->field->normalise ?? $this->in->normalise, $this->in->language);
        $words = $wordings->of($on, array_map(fn ($text): string => $text->words($this->in->roll, $this->in->language), $on->texts));
        foreach ($wordings->losses() as $loss) {
            $this->losses[$loss[0]] = $loss;
        }
        $case = $ignore ? ' case="No"' : ' case="Yes"';
        $name = in_array($on->answer, ['holds', 'holds_all', 'holds_any'], true) ? 'varsubstring' : 'varequal';
        $tests = array_map(
            fn (string $word): string => "<$name respident=\"".
                Xml::escape(($this->ident)('')).
                "\"$case>".
                Xml::escape($word).
                "</$name>",
            $words,
        );
        match ($on->answer) {
            'holds', 'holds_all', 'holds_any' => ($this->losses['holds'] = [
                'text.word_bounds',
                Message::of('interchange.qti12.qti-1-2-1-looks-letters-not-whole-words'),
            ]),
            'slips' => ($this->losses['slips'] = [
                'text.slips',
                Message::of('interchange.qti12.qti-1-2-1-cannot'),
            ]),
            'shape' => ($this->losses['shape'] = [
                'text.pattern',
                Message::of('interchange.qti12.shapes-answers-cannot-said'),
            ]),
            default => null,
        };

        return $tests === [] || $on->answer === 'shape' ? null : ($on->answer === 'holds_all' ? Terms::all($tests) : Terms::any($tests));
    }

    private function number(NumberMatcher $on): ?string
    {
        if ($on->asksForWriting()) {
            $this->losses['written'] = ['number.written', Message::of('interchange.qti12.number-typed-many-digits')];
        }
        $ident = Xml::escape(($this->ident)(''));
        $end = fn (string $name, BigRational $value): string => "<$name respident=\"$ident\">".ScoreFloats::float($value)."</$name>";
        $tests = [];
        foreach ($on->intervals($this->in->roll) as [$from, $to, $ends]) {
            $tests[] = Terms::all([
                ...$from === null ? [] : [$end(in_array($ends, ['both', 'from'], true) ? 'vargte' : 'vargt', $from)],
                ...$to === null ? [] : [$end(in_array($ends, ['both', 'to'], true) ? 'varlte' : 'varlt', $to)],
            ]);
        }

        return $tests === [] ? null : Terms::any($tests);
    }

    private function sequence(): ?Terms
    {
        $sequence = new SequenceTerms(
            $this->part,
            $this->plain,
            fn (string $id, int $place): string => $this->equal($id, '', " index=\"$place\""),
        );
        foreach ($sequence->losses() as $loss) {
            $this->losses[$loss[0]] = $loss;
        }

        return $sequence->terms();
    }

    /** @return array<string, array<string, Rule>> first → second → rule */
    private function pairRules(): array
    {
        $rules = [];
        foreach ($this->part->key->rules as $rule) {
            if ($rule->on instanceof PairTarget) {
                $rules[$rule->on->first][$rule->on->second] ??= $rule;
            }
        }

        return $rules;
    }

    /**
     * @param  array<string, array<string, Rule>>  $rules
     * @return array<string, list<string>> first → its right partners
     */
    private static function rightOf(array $rules): array
    {
        $right = [];
        foreach ($rules as $first => $of) {
            $good = array_map(strval(...), array_keys(array_filter($of, fn (Rule $rule): bool => $rule->credit()->isPositive())));
            if ($good !== []) {
                $right[$first] = $good;
            }
        }

        return $right;
    }

    private function pairs(): Terms
    {
        $rules = $this->pairRules();
        $firsts = array_column($this->plain->options, 'id');
        $seconds = array_column($this->plain->seconds, 'id');
        $right = self::rightOf($rules);
        $met = fn (string $first): string => Terms::any(
            array_map(fn (string $second): string => $this->equal($second, $first), $right[$first] ?? []),
        );
        $pairs = $this->plain->limits->byFirst ? count($right) : array_sum(array_map(count(...), $right));
        $wrongs = ($this->plain->limits->byFirst ? count($firsts) : count($firsts) * count($seconds)) - $pairs;
        $whole = Terms::all([
            ...array_merge(
                ...array_map(
                    fn (int|string $first, array $good): array => $this->plain->limits->several
                        ? array_map(fn (string $second): string => $this->equal($second, (string) $first), $good)
                        : [$met((string) $first)],
                    array_keys($right),
                    $right,
                ),
            ),
            ...array_map(fn (string $extra): string => Terms::not($extra), $this->extra($firsts, $seconds, $right)),
        ]);
        $some = Terms::any(array_map(fn (int|string $first): string => $met((string) $first), array_keys($right)));
        if ($this->part->scheme === Scheme::All) {
            return new Terms([[$whole, $this->points(Exact::one()), null]], $whole, $whole, false);
        }
        $share = fn (int $above, int $below): BigRational => $this->points(BigRational::of($above)->dividedBy(max(1, $below)));
        [$good, $bad, $base] = match ($this->part->scheme) {
            Scheme::Balance => [$share(1, $pairs), $share($wrongs > 0 ? -1 : 0, $wrongs), Exact::zero()],
            Scheme::Judge => [$share(1, $pairs + $wrongs), $share(-1, $pairs + $wrongs), $share($wrongs, $pairs + $wrongs)],
            Scheme::Each => [$share(1, $pairs), Exact::zero(), Exact::zero()],
            default => [null, $this->points($this->part->key->default()), Exact::zero()],
        };
        if ($this->part->scheme === Scheme::Each && ! $this->part->bound('cost')->isZero() && $pairs + $wrongs > $pairs) {
            $this->losses['cost'] = [
                'pairs.cost_of_extra',
                Message::of('interchange.qti12.cost-giving-more-answers'),
            ];
        }
        $list = $base->isZero() ? [] : [[Terms::any(array_map($this->answered(...), $firsts)), $base, null]];
        foreach ($firsts as $first) {
            foreach ($rules[$first] ?? [] as $second => $rule) {
                $value = $good === null ? $this->points($rule->credit()) : ($rule->credit()->isPositive() ? $good : Exact::zero());
                if (! $value->isZero() || $rule->feedback !== null) {
                    $list[] = [$this->equal((string) $second, $first), $value, $rule];
                }
            }
            if (! $bad->isZero() && ($good === null || ! $this->plain->limits->byFirst || ! isset($right[$first]))) {
                // of what has a place, a wrong one is no more than not right
                array_push(
                    $list,
                    ...array_map(
                        fn (string $test): array => [$test, $bad, null],
                        $this->wrong($first, $seconds, $right[$first] ?? [], $rules[$first] ?? [], $good === null),
                    ),
                );
            }
        }

        return new Terms($list, $whole, $some, $this->leaves($list));
    }

    /**
     * What is given and is no right pair.
     *
     * @param  list<string>  $seconds
     * @param  list<string>  $right
     * @param  array<string, Rule>  $listed
     * @param  bool  $unlisted  only what no rule lists
     * @return list<string>
     */
    private function wrong(string $first, array $seconds, array $right, array $listed, bool $unlisted): array
    {
        $others = array_values(
            array_filter($seconds, fn (string $second): bool => $unlisted ? ! isset($listed[$second]) : ! in_array($second, $right, true)),
        );
        $tests = array_map(fn (string $second): string => $this->equal($second, $first), $others);

        return $tests === [] ? [] : ($this->plain->limits->several ? $tests : [Terms::any($tests)]);
    }

    /**
     * What must not be given for all to be right.
     *
     * @param  list<string>  $firsts
     * @param  list<string>  $seconds
     * @param  array<string, list<string>>  $right
     * @return list<string>
     */
    private function extra(array $firsts, array $seconds, array $right): array
    {
        $extra = [];
        foreach ($firsts as $first) {
            if ($this->plain->limits->several) {
                $others = array_values(array_diff($seconds, $right[$first] ?? []));
                if ($others !== []) {
                    $extra[] = Terms::any(array_map(fn (string $second): string => $this->equal($second, $first), $others));
                }
            } elseif (! isset($right[$first])) {
                $extra[] = $this->answered($first);
            }
        }

        return $extra;
    }
}
