<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use WideQuarry\Maths\Approximation;
use WideQuarry\Maths\Arithmetic;
use WideQuarry\Maths\Effort;
use WideQuarry\Maths\Formula;
use WideQuarry\Maths\MathsProblem;
use WideQuarry\Maths\Structure;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\Roll;

/** y as a formula of x, between two ends or everywhere. */
final class Curve
{
    /** About five functions: it is worked out at a few hundred places. */
    private const MOST_EFFORT = 1500;

    /** The one name that a formula has besides those of values. */
    private const X = 'x';

    /** Beyond this values have thousands of digits. */
    private const MOST_DEGREE = 50;

    /** @var array<string, BigRational|false> what was worked out before, by x */
    private array $known = [];

    /** Whether x may be exact: under a power that varies it is a decimal of 45 figures, because its digits would have no end. */
    private readonly bool $isExact;

    private function __construct(
        private readonly Formula $formula,
        public readonly string $source,
        private readonly Roll $roll,
        public readonly ?BigRational $from,
        public readonly ?BigRational $to,
    ) {
        $this->isExact = $formula->node->accept(new Degree) < INF;
    }

    /**
     * @param  list<BigRational>  $domain  none, or from and to
     *
     * @throws FigureProblem
     */
    public static function of(string $source, Roll $roll, array $domain = []): self
    {
        try {
            $formula = Formula::of(preg_replace('/^\s*y\s*=/', '', $source) ?? $source);
        } catch (MathsProblem $problem) {
            throw FigureProblem::because('formula', ['formula' => $source, 'why' => $problem->getMessage()]);
        }
        foreach ($formula->names() as $name) {
            if ($name !== self::X && ! isset($roll->values[$name]) && ! in_array($name, ['pi', 'e'], true)) {
                throw FigureProblem::because('formula-name', ['formula' => $source, 'name' => $name]);
            }
        }
        $degree = $formula->node->accept(new Degree);
        if ($formula->node->accept(new Effort) > self::MOST_EFFORT || ($degree > self::MOST_DEGREE && $degree < INF)) {
            throw FigureProblem::because('formula-long', ['formula' => $source]);
        }
        [$from, $to] = $domain === [] ? [null, null] : $domain;
        if ($from !== null && $to !== null && Exact::compare($from, $to) >= 0) {
            throw FigureProblem::because('domain');
        }

        return new self($formula, trim($source), $roll, $from, $to);
    }

    /** @return BigRational|null null where it has no value: at a pole, in a gap, beyond its ends */
    public function at(BigRational $x): ?BigRational
    {
        if (($this->from !== null && Exact::compare($x, $this->from) < 0) || ($this->to !== null && Exact::compare($x, $this->to) > 0)) {
            return null;
        }
        $key = Exact::text($x);
        $this->known[$key] ??= $this->worked($x) ?? false;

        return $this->known[$key] === false ? null : $this->known[$key];
    }

    private function worked(BigRational $x): ?BigRational
    {
        try {
            $value = $this->formula->value([...$this->roll->values, self::X => $this->isExact ? Arithmetic::tidy($x) : Approximation::ofRational($x)]);
        } catch (MathsProblem) {
            return null;
        }

        return is_string($value) || is_bool($value) || is_array($value) ? null : Arithmetic::rational($value);
    }

    /** Whether two formulas are built alike and have the same values in them, so that nothing needs to be worked out. */
    public function isBuiltAs(self $other): bool
    {
        return $this->formula->node->accept(new Structure) === $other->formula->node->accept(new Structure)
            && (! $this->varies() || $this->roll === $other->roll);
    }

    /** Whether values of a roll stand in it. */
    public function varies(): bool
    {
        return array_diff($this->formula->names(), [self::X, 'pi', 'e']) !== [];
    }

    /** Everywhere, whatever its ends are. */
    public function unbounded(): self
    {
        return $this->from === null ? $this : new self($this->formula, $this->source, $this->roll, null, null);
    }
}
