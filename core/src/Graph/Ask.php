<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Graph\Compare\Path;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;
use WideQuarry\Variables\Value;

/** A property that is asked for instead of one figure: "of slope 2", "through (1, 2)", "with a right angle". */
final readonly class Ask
{
    /** What each takes: a number, a point, the name of a sort of figure, or nothing. */
    public const PROPERTIES = [
        'figure' => 'is',
        'corners' => 'value',
        'slope' => 'value',
        'through' => 'at',
        'length' => 'value',
        'area' => 'value',
        'perimeter' => 'value',
        'right_angle' => '',
        'equal_sides' => '',
        'radius' => 'value',
        'centre' => 'at',
    ];

    /** @param  array{Value, Value}|null  $at */
    private function __construct(
        public string $property,
        private ?Value $value,
        private ?array $at,
        public ?FigureKind $is,
        public string $path,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['property', 'value', 'at', 'is'])->need('property');
        $property = $fields->oneOf('property', array_keys(self::PROPERTIES), '');
        $takes = self::PROPERTIES[$property];
        if ($takes !== '') {
            $fields->need($takes);
        }
        $kinds = array_map(fn (FigureKind $kind): string => $kind->value, FigureKind::cases());
        $at = $takes === 'at' ? $fields->list('at', 2) : [];
        if ($takes === 'at' && count($at) !== 2) {
            throw Malformed::outOfRange("$path/at", Message::of('graph.numbers', ['least' => 2, 'most' => 2]), $at);
        }

        return new self(
            $property,
            $takes === 'value' ? Value::readNumber($fields->raw('value'), "$path/value") : null,
            $takes === 'at' ? [Value::readNumber($at[0], "$path/at/0"), Value::readNumber($at[1], "$path/at/1")] : null,
            $takes === 'is' ? FigureKind::from($fields->oneOf('is', $kinds, '')) : null,
            $path,
        );
    }

    /**
     * Whether a figure has it, up to a tolerance in steps where it is about a place.
     *
     * @throws RollProblem
     */
    public function holds(Figure $figure, Grid $grid, BigRational $tolerance, Roll $roll): bool
    {
        if ($this->at !== null) {
            return $this->holdsAt($figure, new Point($this->at[0]->number($roll), $this->at[1]->number($roll)), $grid, $tolerance);
        }
        $measures = new Measures($figure);
        if ($this->value !== null) {
            return $this->measures($measures, $this->value->number($roll));
        }

        return match ($this->property) {
            'figure' => $figure->kind === $this->is,
            'right_angle' => $measures->hasRightAngle(),
            default => $measures->hasEqualSides(),
        };
    }

    private function measures(Measures $measures, BigRational $value): bool
    {
        return match ($this->property) {
            'corners' => self::same(BigRational::of(count($measures->corners())), $value),
            'slope' => self::same($measures->slope(), $value),
            'length' => self::same($measures->squaredLength(), $value->multipliedBy($value)),
            'area' => self::same($measures->area(), $value),
            'perimeter' => self::isAbout($measures->perimeter(), $value),
            default => self::same($measures->squaredRadius(), $value->multipliedBy($value)),
        };
    }

    /** In words: "of slope 2". @throws RollProblem */
    public function inWords(Roll $roll, string $language): string
    {
        return Message::of('graph.ask', [
            'property' => $this->property,
            'value' => $this->value?->words($roll, $language) ?? '',
            'x' => $this->at === null ? '' : $this->at[0]->words($roll, $language),
            'y' => $this->at === null ? '' : $this->at[1]->words($roll, $language),
            'figure' => $this->is === null ? '' : FigureWords::name($this->is),
        ]);
    }

    private function holdsAt(Figure $figure, Point $at, Grid $grid, BigRational $tolerance): bool
    {
        $squared = $tolerance->multipliedBy($tolerance);
        $steps = $grid->inSteps($at);
        if ($this->property === 'centre') {
            return $figure->kind === FigureKind::Circle && Plane::isNear($grid->inSteps($figure->points[0]), $steps, $squared);
        }
        $points = $grid->allInSteps($figure->points);
        $straight = [FigureKind::Line, FigureKind::Ray, FigureKind::Segment, FigureKind::Inequality];
        if ($points !== [] && in_array($figure->kind, $straight, true)) {
            return Exact::compare(Plane::squaredDistanceToLine($steps, $points[0], $points[1]), $squared) <= 0 &&
                Reach::of($figure->kind)->covers($points[0], $points[1], $steps, $tolerance);
        }
        $y = Path::of($figure)?->at($at->x);
        if ($y !== null) {
            return Exact::compare($y->minus($at->y)->abs(), $tolerance->multipliedBy($grid->y->step ?? Exact::one())) <= 0;
        }
        if ($figure->kind === FigureKind::Circle) {
            $squaredRadius = Plane::squaredDistance($figure->points[0], $figure->points[1]);

            return Plane::rootsAreNear(Plane::squaredDistance($figure->points[0], $at), $squaredRadius, $grid->length($tolerance));
        }

        return array_filter($points, fn (Point $point): bool => Plane::isNear($point, $steps, $squared)) !== [];
    }

    private static function same(?BigRational $one, BigRational $other): bool
    {
        return $one !== null && Exact::compare($one, $other) === 0;
    }

    /** A sum of roots has no end; 30 decimals are sure. */
    private static function isAbout(?BigRational $one, BigRational $other): bool
    {
        return $one !== null && Exact::compare($one->minus($other)->abs(), Exact::of('1e-30')) <= 0;
    }
}
