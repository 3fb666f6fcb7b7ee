<?php

declare(strict_types=1);

namespace WideQuarry\Pictures;

use WideQuarry\Geometry\Point;
use WideQuarry\Geometry\Shape;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;

/** An area of a picture under an identifier and a name. */
final readonly class Region
{
    private function __construct(public string $id, public string $label, public Area $area, public string $path)
    {
    }

    /**
     * @return list<self>
     *
     * @throws Malformed
     */
    public static function list(Fields $settings, string $path): array
    {
        $regions = [];
        foreach ($settings->list('regions') as $i => $json) {
            $at = "$path/regions/$i";
            $fields = Fields::of($json, $at, ['id', 'shape', 'at', 'label']);
            $id = $fields->id();
            if (isset($regions["=$id"])) {
                throw Malformed::repeatedId("$at/id", $id);
            }
            $regions["=$id"] = new self($id, $fields->string('label'), Area::of($fields, $at), $at);
        }

        return array_values($regions);
    }

    /**
     * The first of some areas that holds a point, as the area mapping of the standard has it (QTI 3.0 ASI, qti-area-mapping).
     *
     * @param  list<Shape|null>  $shapes
     * @return int|null its place in the list
     */
    public static function first(array $shapes, Point $point): ?int
    {
        foreach ($shapes as $i => $shape) {
            if ($shape?->holds($point) === true) {
                return $i;
            }
        }

        return null;
    }

    /** @throws RollProblem */
    public function in(Roll $roll): ?Shape
    {
        return $this->area->in($roll);
    }
}
