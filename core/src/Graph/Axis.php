<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Numbers\Exact;

/** An axis of a grid: from one number to another, with a line at each step. */
final readonly class Axis
{
    /** Lines beyond this can neither be drawn nor told apart. */
    public const MOST_LINES = 200;

    /**
     * @param  BigRational|null  $minor  of the finer lines; null where there are none
     * @param  string  $labels  numbers, degrees, pi or none
     */
    private function __construct(
        public BigRational $from,
        public BigRational $to,
        public BigRational $step,
        public ?BigRational $minor,
        public string $name,
        public string $unit,
        public string $labels,
    ) {
    }

    /** @throws FigureProblem */
    public static function of(
        BigRational $from,
        BigRational $to,
        BigRational $step,
        ?BigRational $minor = null,
        string $name = '',
        string $unit = '',
        string $labels = 'numbers',
    ): self {
        if (Exact::compare($from, $to) >= 0) {
            throw FigureProblem::because('axis-ends', ['from' => Exact::number($from), 'to' => Exact::number($to)]);
        }
        foreach ([$step, ...$minor === null ? [] : [$minor]] as $width) {
            if (! $width->isPositive()) {
                throw FigureProblem::because('axis-step');
            }
            if (Exact::compare($to->minus($from)->dividedBy($width), BigRational::of(self::MOST_LINES)) > 0) {
                throw FigureProblem::because('axis-lines', ['most' => self::MOST_LINES]);
            }
        }

        return new self($from, $to, $step, $minor, $name, $unit, $labels);
    }

    /** Its length in steps. */
    public function steps(): BigRational
    {
        return $this->to->minus($this->from)->dividedBy($this->step)->simplified();
    }

    public function holds(BigRational $value): bool
    {
        return Exact::compare($value, $this->from) >= 0 && Exact::compare($value, $this->to) <= 0;
    }

    /** @return list<BigRational> where its lines are: multiples of the step */
    public function lines(?BigRational $step = null): array
    {
        $step ??= $this->step;
        $first = $this->from->dividedBy($step)->toScale(0, RoundingMode::CEILING)->toInt();
        $last = $this->to->dividedBy($step)->toScale(0, RoundingMode::FLOOR)->toInt();
        $lines = [];
        for ($n = $first; $n <= $last; $n++) {
            $lines[] = Exact::simplified($step->multipliedBy($n));
        }

        return $lines;
    }
}
