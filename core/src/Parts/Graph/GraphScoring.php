<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use Brick\Math\BigRational;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureKind;
use WideQuarry\Graph\FigureProblem;
use WideQuarry\Graph\FigureWords;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\Verdict;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Scoring\Assignment;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;

/**
 * Scores what was drawn. Each figure goes to at most one rule and each rule to at most one figure, so that the sum is the greatest; what
 * is right as a whole goes before what is right in part. Where a rule wants a region, all inequalities drawn are one thing.
 */
final readonly class GraphScoring
{
    /** More than every credit: a figure that meets a rule is that rule's, whatever it earns. */
    private const MET = '100000';

    public function __construct(private Part $part, private Grid $grid, private ScoringContext $in)
    {
    }

    /**
     * @param  list<Figure>  $drawn
     *
     * @throws NotScorable|FigureProblem|\WideQuarry\Variables\RollProblem
     */
    public function score(array $drawn): PartOutcome
    {
        $rules = $this->part->key->rules;
        $things = $this->things($drawn);
        $verdicts = array_map(
            fn (array $thing): array => array_map(
                fn (Rule $rule): Verdict => GraphKind::wanted($rule)->verdict($thing, $this->grid, $this->in->roll),
                $rules,
            ),
            $things,
        );
        $taken = $this->assigned($verdicts);
        $trace = $matched = [];
        $shares = [];
        foreach ($things as $i => $thing) {
            $rule = $taken[$i] === null ? null : $rules[$taken[$i]];
            $verdict = $taken[$i] === null ? null : $verdicts[$i][$taken[$i]];
            $share = $rule === null || $verdict === null ? Exact::zero() : $this->share($rule, $verdict);
            if ($rule !== null && $verdict->isRight()) {
                $matched[] = $rule;
            }
            $shares[] = $rule === null ? null : [$rule, $share];
            $trace[] = $this->told($thing, $rule, $verdict, $verdicts[$i]);
        }

        return $this->outcome($shares, $matched, $trace);
    }

    /**
     * @param  list<Figure>  $drawn
     * @return list<list<Figure>>
     */
    private function things(array $drawn): array
    {
        $regions = array_filter($this->part->key->rules, fn (Rule $rule): bool => GraphKind::wanted($rule)->isRegion);
        $isOfRegion = fn (Figure $figure): bool => $regions !== [] && $figure->kind === FigureKind::Inequality;
        $region = array_values(array_filter($drawn, $isOfRegion));
        $others = array_values(array_filter($drawn, fn (Figure $figure): bool => ! $isOfRegion($figure)));

        return [...$region === [] ? [] : [$region], ...array_map(fn (Figure $figure): array => [$figure], $others)];
    }

    /**
     * @param  list<list<Verdict>>  $verdicts  by what was drawn and rule
     * @return list<int|null> the rule of each
     *
     * @throws NotScorable
     */
    private function assigned(array $verdicts): array
    {
        $rules = $this->part->key->rules;
        $default = $this->part->key->default();
        $gains = [];
        foreach ($verdicts as $i => $row) {
            $gains[$i] = array_map(fn (Verdict $verdict, Rule $rule): BigRational => match (true) {
                $verdict->isRight() => $rule->credit()->plus(Exact::of(self::MET)),
                $this->share($rule, $verdict)->isPositive() => $rule->credit()->multipliedBy($this->share($rule, $verdict)),
                default => $default->minus(1), // never before nothing
            }, $row, $rules);
            // as many places for nothing as there are figures, and one more column than rows
            $gains[$i] = [...$gains[$i], ...array_fill(0, count($verdicts) + 1, $default)];
        }
        $none = count($rules);

        return array_map(
            fn (int $column): ?int => $column < $none ? $column : null,
            $gains === [] ? [] : Assignment::best(array_values($gains)),
        );
    }

    private function share(Rule $rule, Verdict $verdict): BigRational
    {
        return $verdict->isRight() ? Exact::one() : GraphKind::wanted($rule)->shareOf($verdict);
    }

    /**
     * @param  list<array{Rule, BigRational}|null>  $shares  the rule of each thing drawn, and how much of it was met
     * @param  list<Rule>  $matched
     * @param  list<array<string, mixed>>  $trace
     *
     * @throws NotScorable
     */
    private function outcome(array $shares, array $matched, array $trace): PartOutcome
    {
        if ($this->part->scheme === Scheme::Weights) {
            return $this->weighed($shares, $matched, $trace);
        }
        $wanted = count(array_filter($this->part->key->rules, fn (Rule $rule): bool => $rule->credit()->isPositive()));
        if ($wanted === 0) {
            throw NotScorable::nothingRight("{$this->part->path}/key/rules");
        }
        $earned = array_filter($shares, fn (?array $share): bool => $share !== null && $share[0]->credit()->isPositive());
        $sum = array_reduce($earned, fn (BigRational $sum, ?array $share): BigRational => $sum->plus($share[1] ?? 0), Exact::zero());
        $extra = count($shares) - count($earned);
        $isAll = $extra === 0 && Exact::compare($sum, BigRational::of($wanted)) === 0;
        $credit = $this->part->scheme === Scheme::All
            ? ($isAll ? Exact::one() : Exact::zero())
            : $sum->minus($this->part->bound('cost')->multipliedBy(max(0, count($shares) - $wanted)))->dividedBy($wanted);

        return PartOutcome::given($credit->isNegative() ? Exact::zero() : $credit, $matched, [...$trace, [
            'step' => 'scheme.counted',
            'scheme' => $this->part->scheme->value,
            'n' => $wanted,
            'w' => 0,
            'r' => Exact::number($sum),
            'x' => $extra,
            'credit' => Exact::text($credit),
        ]]);
    }

    /**
     * @param  list<array{Rule, BigRational}|null>  $shares
     * @param  list<Rule>  $matched
     * @param  list<array<string, mixed>>  $trace
     *
     * @throws NotScorable
     */
    private function weighed(array $shares, array $matched, array $trace): PartOutcome
    {
        $sum = Exact::zero();
        $unlisted = 0;
        foreach ($shares as $share) {
            $unlisted += $share === null ? 1 : 0;
            $sum = $share === null ? $sum : $sum->plus($share[0]->credit()->multipliedBy($share[1]));
        }
        $default = $this->part->key->default();
        if ($unlisted > 0) {
            $trace[] = ['step' => 'default.applied', 'times' => $unlisted, 'credit' => Exact::text($default)];
        }

        return PartOutcome::given($sum->plus($default->multipliedBy($unlisted)), $matched, $trace);
    }

    /**
     * What was drawn and how far it is right, in words.
     *
     * @param  list<Figure>  $thing
     * @param  list<Verdict>  $verdicts  against every rule
     * @return array<string, mixed>
     */
    private function told(array $thing, ?Rule $rule, ?Verdict $verdict, array $verdicts): array
    {
        $isRight = $rule !== null && $verdict?->isRight() === true;
        $near = $verdict ?? $this->nearest($verdicts);
        $why = $isRight || $near === null ? '' : self::lacking($near);

        return [
            'step' => 'figure.judged',
            'figure' => implode('; ', array_map(fn (Figure $figure): string => FigureWords::of($figure, $this->grid), $thing)),
            'verdict' => $isRight ? ($rule->credit()->isPositive() ? 'right' : 'foreseen') : ($why === '' ? 'wrong' : 'partly'),
            'why' => $why,
            'credit' => $rule === null || $verdict === null
                ? '0'
                : Exact::text($rule->credit()->multipliedBy($this->share($rule, $verdict))),
        ];
    }

    /**
     * The wanted figure that it is most like.
     *
     * @param  list<Verdict>  $verdicts
     */
    private function nearest(array $verdicts): ?Verdict
    {
        $alike = array_filter($verdicts, fn (Verdict $verdict): bool => $verdict->isAlike() && ! $verdict->isRight());
        usort($alike, fn (Verdict $a, Verdict $b): int => [$b->position, $b->corners[0] ?? 0] <=> [$a->position, $a->corners[0] ?? 0]);

        return $alike[0] ?? null;
    }

    private static function lacking(Verdict $verdict): string
    {
        [$right, $of] = $verdict->corners ?? [0, 0];

        return match (true) {
            ! $verdict->position && $right > 0 => Message::of('parts.graph.some-corners', ['right' => $right, 'of' => $of]),
            ! $verdict->position => '',
            ! $verdict->dashed && ! $verdict->side => Message::of('parts.graph.wrong-style-and-side'),
            ! $verdict->dashed => Message::of('parts.graph.wrong-style'),
            ! $verdict->side => Message::of('parts.graph.wrong-side'),
            ! $verdict->ends => Message::of('parts.graph.wrong-ends'),
            default => '',
        };
    }
}
