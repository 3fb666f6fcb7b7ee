<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Label;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Shapes;
use WideQuarry\Interchange\Qti30\Areas;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Numbers\Exact;

/** The places of a graphic interaction that take something. */
final class ReadTargets
{
    /**
     * @param  array{media: string, alt: string, width: int, height: int}  $picture
     * @return list<array{id: string, at: list<string>, box?: list<string>, label: string}>|null null where a shape cannot be read
     */
    public static function of(\DOMElement $interaction, array $picture): ?array
    {
        $targets = [];
        foreach (Xml::children($interaction) as $hotspot) {
            if (! in_array($hotspot->localName, ['qti-associable-hotspot', 'qti-hotspot-choice'], true)) {
                continue;
            }
            $area = Areas::read($hotspot, $picture);
            $shape = $area === null ? null : Shapes::of(
                $area['shape'],
                array_map(fn (string $number): BigRational => Exact::of($number), $area['at']),
            );
            if ($shape === null) {
                return null;
            }
            $middle = [Areas::number($shape->middle()->x), Areas::number($shape->middle()->y)];
            $to = self::place($hotspot->getAttribute('data-to'));
            $targets[] = [
                'id' => $hotspot->getAttribute('identifier'),
                'at' => $to ?? $middle,
                ...$to === null ? [] : ['box' => $middle],
                'label' => mb_substr(trim($hotspot->getAttribute('hotspot-label')), 0, 1000),
            ];
        }

        return $targets;
    }

    /** @return list<string>|null */
    private static function place(string $written): ?array
    {
        $numbers = explode(',', $written);

        return count($numbers) === 2 && Exact::read($numbers[0]) !== null && Exact::read($numbers[1]) !== null ? $numbers : null;
    }
}
