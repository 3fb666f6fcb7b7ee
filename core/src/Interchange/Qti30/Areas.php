<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** Shapes and coordinates as the standard writes them (QTI 3.0 ASI, Shape and Coords, after HTML's image maps), and ours. */
final class Areas
{
    private const SHAPES = ['circle' => 'circle', 'ellipse' => 'ellipse', 'rect' => 'rectangle', 'poly' => 'polygon'];

    /**
     * @param  array{width: int, height: int}  $picture  that percentages are of
     * @return array{shape: string, at: list<string>}|null null where there is no such shape, or a coordinate is none
     */
    public static function read(\DOMElement $element, array $picture): ?array
    {
        $name = $element->getAttribute('shape');
        $sizes = [BigRational::of($picture['width']), BigRational::of($picture['height'])];
        if ($name === 'default') {
            return ['shape' => 'rectangle', 'at' => ['0', '0', Exact::text($sizes[0]), Exact::text($sizes[1])]];
        }
        $at = [];
        foreach (preg_split('/\s*[,;]\s*|\s+/', trim($element->getAttribute('coords'))) ?: [] as $i => $written) {
            $number = Exact::read(rtrim($written, '%'));
            if ($number === null) {
                return null;
            }
            // of a circle's radius, a percentage is of the shorter side, as in HTML
            $of = $name === 'circle' && $i === 2 ? $sizes[$picture['width'] <= $picture['height'] ? 0 : 1] : $sizes[$i % 2];
            $at[] = self::number(str_ends_with($written, '%') ? $number->multipliedBy($of)->dividedBy(100) : $number);
        }
        $shape = self::SHAPES[$name] ?? null;
        if ($shape === 'polygon' && count($at) > 6 && array_slice($at, 0, 2) === array_slice($at, -2)) {
            $at = array_slice($at, 0, -2); // closed by its first corner
        }

        return $shape === null ? null : ['shape' => $shape, 'at' => $at];
    }

    /**
     * The two attributes of an area.
     *
     * @param  list<BigRational>  $at
     */
    public static function write(string $shape, array $at): string
    {
        if ($shape === 'rectangle') {
            [$left, $right] = $at[0]->isGreaterThan($at[2]) ? [$at[2], $at[0]] : [$at[0], $at[2]];
            [$top, $bottom] = $at[1]->isGreaterThan($at[3]) ? [$at[3], $at[1]] : [$at[1], $at[3]];
            $at = [$left, $top, $right, $bottom];
        }

        return 'shape="'.array_search($shape, self::SHAPES, true).'" coords="'.implode(',', array_map(self::number(...), $at)).'"';
    }

    /** Decimals; three of them where there is no end. */
    public static function number(BigRational $number): string
    {
        return Exact::decimal($number) ?? (string) Exact::toPlaces($number, 3);
    }
}
