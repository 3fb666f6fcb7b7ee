<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;
use WideQuarry\Variables\Value;

/** A figure as somebody drew or typed it; its numbers may be expressions. In JSON as common.json#/$defs/figure. */
final class WrittenFigure
{
    private const FIELDS = ['figure', 'points', 'coefficients', 'expression', 'domain', 'ends', 'strict', 'side', 'dashed', 'free'];

    private const MOST_POINTS = 60;

    /** What it is where no number of it varies; made once, because a key is asked many times. */
    private ?Figure $fixed = null;

    /**
     * @param  list<list<Value>>  $points  one or two numbers each
     * @param  list<Value>  $coefficients  a to f of ax² + bxy + cy² + dx + ey + f = 0
     * @param  list<Value>  $domain  none, or from and to
     * @param  list<string>  $ends  open or closed
     * @param  list<Value>|null  $side
     */
    private function __construct(
        public readonly FigureKind $kind,
        public readonly array $points,
        private readonly array $coefficients,
        private readonly string $expression,
        private readonly array $domain,
        private readonly array $ends,
        private readonly ?bool $strict,
        private readonly ?array $side,
        private readonly ?bool $dashed,
        private readonly bool $free,
        public readonly string $path,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, self::FIELDS)->need('figure');
        $points = [];
        foreach ($fields->list('points', self::MOST_POINTS) as $i => $pair) {
            $points[] = self::numbers($pair, "$path/points/$i", 1, 2);
        }
        $kinds = array_map(fn (FigureKind $kind): string => $kind->value, FigureKind::cases());

        return new self(
            FigureKind::from($fields->oneOf('figure', $kinds, '')),
            $points,
            $fields->has('coefficients') ? self::numbers($fields->raw('coefficients'), "$path/coefficients", 6, 6) : [],
            $fields->string('expression'),
            $fields->has('domain') ? self::numbers($fields->raw('domain'), "$path/domain", 2, 2) : [],
            self::endsOf($fields),
            $fields->has('strict') ? $fields->bool('strict', false) : null,
            $fields->has('side') ? self::numbers($fields->raw('side'), "$path/side", 2, 2) : null,
            $fields->has('dashed') ? $fields->bool('dashed', false) : null,
            $fields->bool('free', false),
            $path,
        );
    }

    /**
     * @return Figure the same with its numbers worked out
     *
     * @throws FigureProblem|RollProblem
     */
    public function in(Roll $roll): Figure
    {
        if ($this->fixed !== null) {
            return $this->fixed;
        }
        $number = fn (Value $value): BigRational => $value->number($roll);
        $figure = Figure::of(
            $this->kind,
            array_map(fn (array $pair): Point => self::point($pair, $roll), $this->points),
            array_map($number, $this->coefficients),
            $this->expression === '' ? null : Curve::of($this->expression, $roll, array_map($number, $this->domain)),
            $this->ends,
            $this->strict,
            $this->side === null ? null : self::point($this->side, $roll),
            $this->dashed,
            $this->free,
        );
        if (! $this->varies() && $figure->curve?->varies() !== true) {
            $this->fixed = $figure;
        }

        return $figure;
    }

    /**
     * @param  list<Value>  $numbers  one or two
     *
     * @throws RollProblem
     */
    private static function point(array $numbers, Roll $roll): Point
    {
        return new Point($numbers[0]->number($roll), isset($numbers[1]) ? $numbers[1]->number($roll) : Exact::zero());
    }

    public function isFormula(): bool
    {
        return $this->expression !== '';
    }

    /** @return list<Value> every number of it */
    public function values(): array
    {
        return [...array_merge(...$this->points), ...$this->coefficients, ...$this->domain, ...$this->side ?? []];
    }

    private function varies(): bool
    {
        return array_filter($this->values(), fn (Value $value): bool => $value->isExpression()) !== [];
    }

    /**
     * @return list<string>
     *
     * @throws Malformed
     */
    private static function endsOf(Fields $fields): array
    {
        $ends = $fields->strings('ends', 2);
        foreach ($ends as $i => $end) {
            if (! in_array($end, ['open', 'closed'], true)) {
                throw Malformed::notOneOf($fields->at("ends/$i"), ['open', 'closed'], $end);
            }
        }

        return $ends;
    }

    /**
     * @return list<Value>
     *
     * @throws Malformed
     */
    private static function numbers(mixed $json, string $path, int $least, int $most): array
    {
        if (! is_array($json) || count($json) < $least || count($json) > $most) {
            throw Malformed::outOfRange($path, Message::of('graph.numbers', ['least' => $least, 'most' => $most]), $json);
        }
        $values = [];
        foreach (array_values($json) as $i => $value) {
            $values[] = Value::readNumber($value, "$path/$i");
        }

        return $values;
    }
}
