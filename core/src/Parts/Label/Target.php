<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Label;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;
use WideQuarry\Variables\Value;

/** A place of a picture that takes a label, and where its box stands: a line leads from one to the other. */
final readonly class Target
{
    /**
     * @param  array{Value, Value}  $at
     * @param  array{Value, Value}|null  $box  its middle; null where the box stands on the place itself
     */
    private function __construct(public string $id, public string $label, private array $at, private ?array $box, public string $path)
    {
    }

    /**
     * @return list<self>
     *
     * @throws Malformed
     */
    public static function list(Fields $settings, string $path): array
    {
        $targets = [];
        foreach ($settings->list('targets') as $i => $json) {
            $place = "$path/targets/$i";
            $fields = Fields::of($json, $place, ['id', 'at', 'box', 'label'])->need('at');
            $id = $fields->id();
            if (isset($targets["=$id"])) {
                throw Malformed::repeatedId("$place/id", $id);
            }
            $targets["=$id"] = new self(
                $id,
                $fields->string('label'),
                self::pair($fields->raw('at'), "$place/at"),
                $fields->raw('box') === null ? null : self::pair($fields->raw('box'), "$place/box"),
                $place,
            );
        }

        return array_values($targets);
    }

    /** @throws RollProblem */
    public function at(Roll $roll): Point
    {
        return new Point($this->at[0]->number($roll), $this->at[1]->number($roll));
    }

    /** @throws RollProblem */
    public function box(Roll $roll): ?Point
    {
        return $this->box === null ? null : new Point($this->box[0]->number($roll), $this->box[1]->number($roll));
    }

    /**
     * @return array{id: string, label: string, at: array{string, string}, box: array{string, string}|null} decimals
     *
     * @throws RollProblem
     */
    public function shown(Roll $roll): array
    {
        $box = $this->box($roll);

        return [
            'id' => $this->id,
            'label' => $this->label,
            'at' => self::written($this->at($roll)),
            'box' => $box === null ? null : self::written($box),
        ];
    }

    /** @return array{string, string} */
    private static function written(Point $point): array
    {
        $number = fn (BigRational $number): string => Exact::decimal($number) ?? (string) Exact::toPlaces($number, 3);

        return [$number($point->x), $number($point->y)];
    }

    /**
     * @return array{Value, Value}
     *
     * @throws Malformed
     */
    private static function pair(mixed $json, string $path): array
    {
        if (! is_array($json) || ! array_is_list($json) || count($json) !== 2) {
            throw Malformed::wrongType($path, 'two numbers', $json);
        }

        return [Value::readNumber($json[0], "$path/0"), Value::readNumber($json[1], "$path/1")];
    }
}
