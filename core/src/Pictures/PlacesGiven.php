<?php

declare(strict_types=1);

namespace WideQuarry\Pictures;

use WideQuarry\Geometry\Point;
use WideQuarry\Messages\Message;
use WideQuarry\Question\UnreadableResponse;

/** Places on a picture as a response holds them. */
final class PlacesGiven
{
    /** Nobody places more by hand; each is judged by every area. */
    private const MOST = 1000;

    /**
     * @return list<Point>|null in the order they were given, each once; null when the response holds something else, or too many
     */
    public static function read(mixed $json): ?array
    {
        if (! is_array($json) || count($json) > self::MOST) {
            return null;
        }
        $points = [];
        foreach ($json as $pair) {
            $point = Point::read($pair);
            if ($point === null) {
                return null;
            }
            $points[$point->key()] ??= $point;
        }

        return array_values($points);
    }

    /**
     * The first that lies outside a picture.
     *
     * @param  list<Point>  $points
     */
    public static function outside(Picture $picture, array $points): ?Point
    {
        $box = $picture->box();
        foreach ($points as $point) {
            if (! $box->holds($point)) {
                return $point;
            }
        }

        return null;
    }

    /**
     * Places as people write them into a cell: "120, 44; 300, 12.5".
     *
     * @return list<array{int|float, int|float}>
     *
     * @throws UnreadableResponse
     */
    public static function written(string $written): array
    {
        $number = '(-?\d+(?:\.\d+)?)';

        $places = [];
        foreach (array_filter(array_map(trim(...), explode(';', $written)), fn (string $pair): bool => $pair !== '') as $pair) {
            if (preg_match("/^\\(?\\s*$number\\s*[,\\s]\\s*$number\\s*\\)?$/D", $pair, $m) !== 1) {
                throw UnreadableResponse::because(Message::of('pictures.not-a-place', ['written' => $pair]));
            }
            $places[] = [self::number($m[1]), self::number($m[2])];
        }

        return $places;
    }

    private static function number(string $written): int|float
    {
        return str_contains($written, '.') ? (float) $written : (int) $written;
    }
}
