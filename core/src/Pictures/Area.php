<?php

declare(strict_types=1);

namespace WideQuarry\Pictures;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Shape;
use WideQuarry\Geometry\Shapes;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;
use WideQuarry\Variables\Value;

/** An area of a picture as an author drew it; its numbers may be expressions. */
final class Area
{
    /** Numbers of a polygon of 200 corners. */
    private const MOST = 400;

    /** What it is where no number of it varies; made once, because a key is asked many times. */
    private ?Shape $fixed = null;

    /** @param  list<Value>  $at  circle: x, y, r; ellipse: x, y, rx, ry; rectangle: left, top, right, bottom; polygon: x1, y1, x2, y2 … */
    private function __construct(public readonly string $shape, public readonly array $at, public readonly string $path)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        return self::of(Fields::of($json, $path, ['shape', 'at']), $path);
    }

    /** @throws Malformed */
    public static function of(Fields $fields, string $path): self
    {
        $at = [];
        $fields->need('shape')->need('at');
        foreach ($fields->list('at', self::MOST) as $i => $value) {
            $at[] = Value::readNumber($value, "$path/at/$i");
        }

        return new self($fields->oneOf('shape', array_keys(Shapes::NAMES), ''), $at, $path);
    }

    /**
     * @return Shape|null null when it has too few numbers
     *
     * @throws RollProblem when one of them cannot be read
     */
    public function in(Roll $roll): ?Shape
    {
        if ($this->fixed !== null) {
            return $this->fixed;
        }
        $shape = Shapes::of($this->shape, $this->numbers($roll));
        if (array_filter($this->at, fn (Value $value): bool => $value->isExpression()) === []) {
            $this->fixed = $shape;
        }

        return $shape;
    }

    /**
     * @return list<BigRational>
     *
     * @throws RollProblem
     */
    public function numbers(Roll $roll): array
    {
        return array_map(fn (Value $value): BigRational => $value->number($roll), $this->at);
    }

    /**
     * As it is drawn: decimals, rounded where they have no end.
     *
     * @return array{shape: string, at: list<string>}
     *
     * @throws RollProblem
     */
    public function shown(Roll $roll): array
    {
        return [
            'shape' => $this->shape,
            'at' => array_map(
                fn (BigRational $number): string => Exact::decimal($number) ?? (string) Exact::toPlaces($number, 3),
                $this->numbers($roll),
            ),
        ];
    }
}
