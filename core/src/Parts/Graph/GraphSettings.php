<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use WideQuarry\Graph\Axis;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureKind;
use WideQuarry\Graph\FigureProblem;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\WrittenFigure;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;
use WideQuarry\Variables\Value;

/** The grid that is drawn on, and what a learner may draw. */
final readonly class GraphSettings
{
    public const LABELS = ['numbers', 'degrees', 'pi', 'none'];

    private const MOST_GIVEN = 50;

    /**
     * @param  array{from: Value, to: Value, step: Value, minor: Value|null, name: string, unit: string, labels: string}  $x
     * @param  array{from: Value, to: Value, step: Value, minor: Value|null, name: string, unit: string, labels: string}|null  $y  null on
     *     a number line
     * @param  Value|null  $snap  what points keep to, in units of the x axis' step; null: to nothing
     * @param  list<FigureKind>  $tools
     * @param  list<WrittenFigure>  $given  shown from the start
     * @param  int|null  $max  figures; null: as many as one likes
     * @param  bool  $dashes  whether learners choose between solid and dashed
     * @param  bool  $isTrue  whether a step of the grid is a centimetre on paper
     */
    private function __construct(
        private array $x,
        private ?array $y,
        public ?Value $snap,
        public array $tools,
        public array $given,
        public ?Background $background,
        public ?int $max,
        public bool $dashes,
        public bool $isTrue,
        public string $path,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, [
            'surface', 'x', 'y', 'snap', 'tools', 'given', 'background', 'max', 'dashes', 'centimetre',
        ]);
        $isPlane = $fields->oneOf('surface', ['plane', 'line'], 'plane') === 'plane';
        $given = [];
        foreach ($fields->list('given', self::MOST_GIVEN) as $i => $figure) {
            $given[] = WrittenFigure::read($figure, "$path/given/$i");
        }

        return new self(
            self::axis($fields, 'x'),
            $isPlane ? self::axis($fields, 'y') : null,
            $fields->has('snap') && $fields->raw('snap') !== null ? Value::readNumber($fields->raw('snap'), "$path/snap") : null,
            self::toolsOf($fields),
            $given,
            Background::read($fields),
            $fields->intOrNull('max', null, 1, 50),
            $fields->bool('dashes', false),
            $fields->bool('centimetre', false),
            $path,
        );
    }

    public function isPlane(): bool
    {
        return $this->y !== null;
    }

    /** @throws FigureProblem|RollProblem */
    public function grid(Roll $roll): Grid
    {
        return new Grid(self::axisIn($this->x, $roll), $this->y === null ? null : self::axisIn($this->y, $roll));
    }

    /**
     * What is there from the start.
     *
     * @return list<Figure>
     *
     * @throws FigureProblem|RollProblem
     */
    public function givenIn(Roll $roll): array
    {
        DrawingLimit::check($this->given);

        return array_map(fn (WrittenFigure $one): Figure => $one->in($roll), $this->given);
    }

    /**
     * @return list<FigureKind>
     *
     * @throws Malformed
     */
    private static function toolsOf(Fields $fields): array
    {
        $names = array_map(fn (FigureKind $kind): string => $kind->value, FigureKind::cases());
        $tools = [];
        foreach ($fields->strings('tools', count($names)) as $i => $tool) {
            $tools[] = FigureKind::tryFrom($tool) ?? throw Malformed::notOneOf($fields->at("tools/$i"), $names, $tool);
        }

        return array_values(array_unique($tools, SORT_REGULAR));
    }

    /**
     * @return array{from: Value, to: Value, step: Value, minor: Value|null, name: string, unit: string, labels: string}
     *
     * @throws Malformed
     */
    private static function axis(Fields $settings, string $name): array
    {
        $path = $settings->at($name);
        if (! $settings->has($name)) {
            $value = fn (string $number): Value => Value::readNumber($number, $path);

            return [
                'from' => $value('-5'), 'to' => $value('5'), 'step' => $value('1'), 'minor' => null,
                'name' => $name, 'unit' => '', 'labels' => 'numbers',
            ];
        }
        $fields = $settings->object($name, ['from', 'to', 'step', 'minor', 'name', 'unit', 'labels'])->need('from')->need('to');
        $read = fn (string $field): Value => Value::readNumber($fields->raw($field), "$path/$field");

        return [
            'from' => $read('from'),
            'to' => $read('to'),
            'step' => $fields->has('step') ? $read('step') : Value::readNumber('1', "$path/step"),
            'minor' => $fields->has('minor') && $fields->raw('minor') !== null ? $read('minor') : null,
            'name' => $fields->string('name'),
            'unit' => $fields->string('unit', '', 60),
            'labels' => $fields->oneOf('labels', self::LABELS, 'numbers'),
        ];
    }

    /**
     * @param  array{from: Value, to: Value, step: Value, minor: Value|null, name: string, unit: string, labels: string}  $axis
     *
     * @throws FigureProblem|RollProblem
     */
    private static function axisIn(array $axis, Roll $roll): Axis
    {
        return Axis::of(
            $axis['from']->number($roll),
            $axis['to']->number($roll),
            $axis['step']->number($roll),
            $axis['minor']?->number($roll),
            $axis['name'],
            $axis['unit'],
            $axis['labels'],
        );
    }
}
