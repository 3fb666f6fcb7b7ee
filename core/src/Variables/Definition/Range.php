<?php

declare(strict_types=1);

namespace WideQuarry\Variables\Definition;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Maths\Arithmetic;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Random\Stream;
use WideQuarry\Variables\RollProblem;

/** Whole numbers or decimals from – to, in steps, some left out. */
final class Range implements Drawn
{
    private const TRIES = 1000;

    private const MOST = 2_000_000_000;

    /** @var array{int|BigRational, int|BigRational, int, array<int, true>}|null first, step, last step, steps left out */
    private ?array $read = null;

    /** @param  list<string>  $except */
    private function __construct(
        private readonly string $name,
        private readonly bool $isWhole,
        private readonly string $from,
        private readonly string $to,
        private readonly string $step,
        private readonly array $except,
        private readonly string $path,
    ) {
    }

    /** @throws Malformed */
    public static function of(string $name, string $kind, Fields $fields, string $path): self
    {
        $except = [];
        foreach ($fields->list('except') as $i => $number) {
            $except[] = match (true) {
                ! is_string($number) => throw Malformed::wrongType("$path/except/$i", Message::of('variables.number-text'), $number),
                mb_strlen($number) > 200 => throw Malformed::outOfRange(
                    "$path/except/$i",
                    Message::of('variables.most-200-characters'),
                    $number,
                ),
                default => $number,
            };
        }

        return new self(
            $name,
            $kind === 'integer',
            $fields->exact('from', ''),
            $fields->exact('to', ''),
            $fields->exact('step', $kind === 'integer' ? '1' : ''),
            $except,
            $path,
        );
    }

    public function draw(Stream $stream): int
    {
        [, , $last, $out] = $this->read();
        for ($tries = 0; $tries < self::TRIES; $tries++) {
            $at = $stream->below($last + 1);
            if (! isset($out[$at])) {
                return $at;
            }
        }
        throw RollProblem::emptyRange($this->name, "$this->path/except");
    }

    public function count(): int
    {
        [, , $last, $out] = $this->read();

        return $last + 1 - count($out);
    }

    public function outcomes(): iterable
    {
        [, , $last, $out] = $this->read();
        for ($at = 0; $at <= $last; $at++) {
            if (! isset($out[$at])) {
                yield $at;
            }
        }
    }

    public function values(int|string $outcome): array
    {
        [$from, $step] = $this->read();
        $value = Arithmetic::plus($from, Arithmetic::times($step, (int) $outcome));
        assert(! ($value instanceof \WideQuarry\Maths\Approximation));

        return [$this->name => $value];
    }

    /** @return array{int|BigRational, int|BigRational, int, array<int, true>} */
    private function read(): array
    {
        if ($this->read !== null) {
            return $this->read;
        }
        $from = $this->number($this->from, 'from');
        $to = $this->number($this->to, 'to');
        $step = $this->number($this->step === '' ? $this->finest() : $this->step, 'step');
        if ($this->isWhole && array_filter([$from, $to, $step], fn (BigRational $one): bool => ! $this->whole($one)) !== []) {
            throw RollProblem::notWhole($this->name, "$this->path/from");
        }
        if (! $step->isPositive()) {
            throw RollProblem::stepTooSmall($this->name, "$this->path/step");
        }
        $last = $to->minus($from)->dividedBy($step)->toScale(0, RoundingMode::FLOOR);
        if ($last->isNegative()) {
            throw RollProblem::emptyRange($this->name, "$this->path/to");
        }
        if ($last->isGreaterThan(self::MOST)) {
            throw RollProblem::stepTooSmall($this->name, "$this->path/step");
        }
        $out = [];
        foreach ($this->except as $i => $text) {
            $at = $this->number($text, "except/$i")->minus($from)->dividedBy($step)->simplified();
            if ($this->whole($at) && ! $at->isNegative() && $at->isLessThanOrEqualTo($last->toBigRational())) {
                $out[$at->getNumerator()->toInt()] = true;
            }
        }
        if (count($out) > $last->toInt()) {
            throw RollProblem::emptyRange($this->name, "$this->path/except");
        }

        return $this->read = [Arithmetic::tidy($from), Arithmetic::tidy($step), $last->toInt(), $out];
    }

    private function number(string $text, string $field): BigRational
    {
        return Exact::read($text) ?? throw RollProblem::unreadable($text, "$this->path/$field");
    }

    private function whole(BigRational $value): bool
    {
        return $value->simplified()->getDenominator()->isEqualTo(1);
    }

    /** Without a step, a decimal moves by the last place written in its ends. */
    private function finest(): string
    {
        $places = max(array_map(fn (string $end): int => strlen(explode('.', $end)[1] ?? ''), [$this->from, $this->to]));

        return $places === 0 ? '1' : '0.'.str_repeat('0', $places - 1).'1';
    }
}
