<?php

declare(strict_types=1);

namespace WideQuarry\Pictures;

use WideQuarry\Finding;
use WideQuarry\Geometry\Box;
use WideQuarry\Geometry\Point;
use WideQuarry\Geometry\Shape;
use WideQuarry\Messages\Message;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;

/** What an author should mend in a picture and the areas on it. */
final readonly class PictureCheck
{
    /** A target that a finger finds (WCAG 2.2, 2.5.8), in CSS pixels. */
    private const TARGET = 24;

    /** How wide a picture is shown on a small phone at most, 390 CSS pixels less what stands around it, and at least. */
    private const NARROW = [320, 342];

    /** @param  int  $least  CSS pixels an area is across at least, where it is shown on a small phone */
    public function __construct(private ?Picture $picture, private Roll $roll, private int $least = self::TARGET)
    {
    }

    /**
     * @param  string  $path  of the settings
     * @return list<Finding>
     */
    public function picture(string $path): array
    {
        if ($this->picture === null) {
            return [Finding::blocking('picture.none', "$path/picture", Message::of('pictures.no-picture'))];
        }

        return trim($this->picture->alt) === ''
            ? [Finding::warning('media.undescribed', "$path/picture/alt", Message::of('pictures.undescribed'))]
            : [];
    }

    /**
     * Areas without numbers or size, beyond the picture, crossing themselves, covered by others or too small to hit.
     *
     * @param  list<array{Area, string}>  $areas  in the order in which they are tried, each with its place in the JSON
     * @return list<Finding>
     */
    public function areas(array $areas): array
    {
        $findings = [];
        $before = [];
        foreach ($areas as $i => [$area, $path]) {
            try {
                $shape = $area->in($this->roll);
            } catch (RollProblem $problem) {
                $findings[] = Finding::blocking('region.number', $problem->path, $problem->getMessage());

                continue;
            }
            $finding = $shape === null
                ? Finding::blocking('region.numbers', "$path/at", Message::of('pictures.too-few-numbers', ['shape' => $area->shape]))
                : $this->area($shape, $path, $before);
            if ($finding !== null) {
                $findings[] = $finding;
            }
            if ($shape !== null) {
                $before[$i] = $shape;
            }
        }

        return $findings;
    }

    /** @param  array<int, Shape>  $before  areas that are tried first */
    private function area(Shape $shape, string $path, array $before): ?Finding
    {
        $box = $this->picture?->box();
        $covering = $this->covering($shape, $before);

        return match (true) {
            ! $shape->hasArea() => Finding::blocking('region.empty', "$path/at", Message::of('pictures.no-area')),
            $shape->crossesItself() => Finding::warning('region.crosses_itself', "$path/at", Message::of('pictures.crosses-itself')),
            $box !== null && ! $box->meets($shape->box()) => Finding::blocking(
                'region.outside',
                "$path/at",
                Message::of('pictures.outside'),
            ),
            $box !== null && ! ($box->holds($shape->box()->from) && $box->holds($shape->box()->to)) => Finding::warning(
                'region.partly_outside',
                "$path/at",
                Message::of('pictures.partly-outside'),
            ),
            $covering !== null => Finding::warning('region.covered', "$path/at", Message::of('pictures.covered', ['by' => $covering + 1])),
            $this->isSmall($shape->box()) => Finding::warning('region.small', "$path/at", Message::of('pictures.too-small', [
                'size' => $this->least,
            ])),
            default => null,
        };
    }

    /**
     * The area that is tried first and holds this one with all its corners, so that this one is never reached.
     *
     * @param  array<int, Shape>  $before
     */
    private function covering(Shape $shape, array $before): ?int
    {
        $tried = [$shape->middle(), ...$shape->outline()];
        foreach ($before as $i => $other) {
            $around = $other->box();
            if ($around->holds($shape->box()->from) && $around->holds($shape->box()->to) && self::holdsAll($other, $tried)) {
                return $i;
            }
        }

        return null;
    }

    /** @param  list<Point>  $points */
    private static function holdsAll(Shape $shape, array $points): bool
    {
        foreach ($points as $point) {
            if (! $shape->holds($point)) {
                return false;
            }
        }

        return true;
    }

    private function isSmall(Box $box): bool
    {
        if ($this->picture === null) {
            return false;
        }
        $scale = min(max($this->picture->width, self::NARROW[0]), self::NARROW[1]) / $this->picture->width;

        return min($box->width()->toFloat(), $box->height()->toFloat()) * $scale < $this->least;
    }
}
