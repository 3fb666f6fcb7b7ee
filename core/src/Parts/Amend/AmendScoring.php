<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Amend;

use Brick\Math\BigRational;
use WideQuarry\Answer\TextMatcher;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Scoring\TextRuleMatcher;
use WideQuarry\Scoring\TypedOutcome;

/**
 * Scores what was amended. A fault is a piece that some rule gives credit for; n faults, each worth the credit of the best rule that
 * matches, or `find` when it was only found; x false finds. all: every fault mended for full credit and x = 0. each: max(0, sum/n −
 * cost·x/n). weights: the credits added up, a fault that was only found worth `find` of its best, a false find the key's default.
 */
final readonly class AmendScoring
{
    public function __construct(private Part $part, private ScoringContext $in, private AmendSettings $settings)
    {
    }

    /**
     * @param  array<string, string>  $given  piece → what was typed instead
     *
     * @throws NotScorable|\WideQuarry\Variables\RollProblem
     */
    public function outcome(array $given): PartOutcome
    {
        $faults = $this->faults();
        if ($faults === []) {
            throw NotScorable::nothingRight("{$this->part->path}/key/rules");
        }
        $matched = [];
        $trace = [];
        $sum = Exact::zero();
        $right = 0;
        foreach ($faults as $id => $best) {
            if (! array_key_exists($id, $given)) {
                continue;
            }
            $rule = $this->mended((string) $id, $given[$id]);
            $credit = $rule !== null ? $rule->credit() : $this->found($best);
            $trace[] = [
                'step' => $rule !== null ? 'amend.mended' : 'amend.found',
                'piece' => (string) $id,
                'typed' => $given[$id],
                ...$rule === null ? [] : ['rule' => $rule->id],
                'credit' => Exact::text($credit),
            ];
            $sum = $sum->plus($credit);
            $right += $credit->isGreaterThanOrEqualTo(1) ? 1 : 0;
            $matched = $rule === null ? $matched : [...$matched, $rule];
        }
        $false = array_keys(array_diff_key($given, $faults));
        foreach ($false as $id) {
            $rule = $this->mended((string) $id, $given[$id]);
            $matched = $rule === null ? $matched : [...$matched, $rule];
            $trace[] = ['step' => 'amend.false', 'piece' => (string) $id];
        }
        $credit = $this->credit(count($faults), count($false), $right, $sum);

        return PartOutcome::given($credit, $matched, [
            ...$trace,
            [
                'step' => 'amends.counted',
                'scheme' => $this->part->scheme->value,
                'n' => count($faults),
                'x' => count($false),
                'credit' => Exact::text($credit),
            ],
        ]);
    }

    private function credit(int $n, int $x, int $right, BigRational $sum): BigRational
    {
        return match ($this->part->scheme) {
            Scheme::All => $right === $n && $x === 0 ? Exact::one() : Exact::zero(),
            Scheme::Weights => $sum->plus($this->part->key->default()->multipliedBy($x)),
            default => self::notBelowZero($sum->minus($this->part->bound('cost')->multipliedBy($x))->dividedBy($n)),
        };
    }

    private function found(BigRational $best): BigRational
    {
        $find = $this->part->bound('find');

        return $this->part->scheme === Scheme::Weights ? $find->multipliedBy($best) : $find;
    }

    private function mended(string $piece, string $typed): ?Rule
    {
        $key = $this->part->key->only(fn (Rule $rule): bool => $rule->on instanceof TextMatcher && $rule->on->piece === $piece);
        if ($typed === '' || $key->rules === []) {
            return null;
        }
        [$matching] = (new TextRuleMatcher(
            $this->in->normalise->overriddenBy($this->settings->normalise),
            $this->in->language,
            $this->in->roll,
        ))->match($typed, $key);

        return $matching === [] ? null : TypedOutcome::of($matching, $key, [])->matched[0] ?? null;
    }

    /** @return array<string, BigRational> fault → the most it can earn */
    private function faults(): array
    {
        $faults = [];
        foreach ($this->part->key->rules as $rule) {
            $piece = $rule->on instanceof TextMatcher ? $rule->on->piece : null;
            if ($piece !== null && $rule->credit()->isPositive()) {
                $faults[$piece] =
                    isset($faults[$piece]) && $faults[$piece]->isGreaterThan($rule->credit()) ? $faults[$piece] : $rule->credit();
            }
        }

        return $faults;
    }

    private static function notBelowZero(BigRational $value): BigRational
    {
        return $value->isNegative() ? Exact::zero() : $value;
    }
}
