<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Box;
use WideQuarry\Geometry\Shapes;
use WideQuarry\Interchange\Qti30\Areas;
use WideQuarry\Numbers\Exact;

/**
 * Areas of a picture as 1.2.1 writes them (ASI information model 1.2.1, rarea): a rectangle by its left upper corner, width and height;
 * an ellipse by its middle, width and height; anything else by its corners.
 */
final class HotspotAreas
{
    /** @return array{shape: string, at: list<string>}|null null where it cannot be read */
    public static function read(\DOMElement $label): ?array
    {
        $text = '';
        foreach ($label->childNodes as $node) {
            $text .= $node instanceof \DOMText ? $node->textContent : '';
        }

        return self::of($label->getAttribute('rarea') ?: 'ellipse', $text);
    }

    /** @return array{shape: string, at: list<string>}|null null where it cannot be read */
    public static function of(string $kind, string $text): ?array
    {
        $n = array_map(Exact::read(...), preg_split('/[\s,;]+/', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: []);
        $at = array_values(array_filter($n));
        if (count($at) !== count($n)) {
            return null;
        }
        $half = fn (BigRational $size): BigRational => $size->dividedBy(2);

        return match (strtolower($kind).' '.count($at)) {
            'rectangle 4' => self::area('rectangle', [$at[0], $at[1], $at[0]->plus($at[2]), $at[1]->plus($at[3])]),
            'ellipse 4' => $at[2]->isEqualTo($at[3])
                ? self::area('circle', [$at[0], $at[1], $half($at[2])])
                : self::area('ellipse', [$at[0], $at[1], $half($at[2]), $half($at[3])]),
            'ellipse 3' => self::area('circle', $at),
            default => strcasecmp($kind, 'bounded') === 0 && count($at) >= 6 && count($at) % 2 === 0
                ? self::area('polygon', $at)
                : null,
        };
    }

    /** @param  array{shape: string, at: list<BigRational>}  $area */
    public static function box(array $area): ?Box
    {
        return Shapes::of($area['shape'], $area['at'])?->box();
    }

    /**
     * @param  list<BigRational>  $at
     * @return array{string, string} rarea and what stands in the label
     */
    public static function write(string $shape, array $at): array
    {
        $twice = fn (BigRational $size): BigRational => $size->multipliedBy(2);
        [$area, $numbers] = match ($shape) {
            'rectangle' => ['Rectangle', [$at[0], $at[1], $at[2]->minus($at[0]), $at[3]->minus($at[1])]],
            'circle' => ['Ellipse', [$at[0], $at[1], $twice($at[2]), $twice($at[2])]],
            'ellipse' => ['Ellipse', [$at[0], $at[1], $twice($at[2]), $twice($at[3])]],
            default => ['Bounded', $at],
        };

        return [$area, implode(',', array_map(Areas::number(...), $numbers))];
    }

    /**
     * @param  list<BigRational>  $at
     * @return array{shape: string, at: list<string>}
     */
    private static function area(string $shape, array $at): array
    {
        return ['shape' => $shape, 'at' => array_map(Areas::number(...), $at)];
    }
}
