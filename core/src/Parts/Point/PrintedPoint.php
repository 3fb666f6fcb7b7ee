<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Point;

use WideQuarry\Geometry\Point;
use WideQuarry\Geometry\Shape;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Pictures\PictureDrawing;
use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;
use WideQuarry\Question\Part;
use WideQuarry\Scoring\ScoringContext;

/** A picture to put crosses on; the key has the areas drawn in. */
final class PrintedPoint
{
    /** @param  array<mixed>  $presented */
    public function part(PointSettings $settings, array $presented, Paper $paper): string
    {
        if ($settings->picture === null) {
            return '';
        }

        return '<figure class="on-picture">'.
            PictureDrawing::asked($paper, $settings->picture->presented($presented))->svg().
            '<figcaption>'.
            Paper::text(Message::of('parts.point.mark-with-crosses', ['max' => $settings->max ?? 0])).
            '</figcaption></figure>';
    }

    /** @return list<PrintedAnswer> */
    public function answers(Part $part, PointSettings $settings, ScoringContext $in, Paper $paper): array
    {
        if ($settings->picture === null) {
            return [];
        }
        $drawing = PictureDrawing::inKey($paper, $settings->picture->filled($in->roll->filling()));
        $answers = [];
        foreach ($part->key->rules as $rule) {
            $shape = PointKind::area($rule)->in($in->roll);
            if ($shape === null || ! $rule->credit()->isPositive()) {
                continue;
            }
            $number = (string) (count($answers) + 1);
            $drawing->area(PointKind::area($rule)->shown($in->roll), Exact::isAll($rule->credit()) ? 'right' : 'partly');
            $drawing->mark(self::top($shape), $number);
            $name = $rule->note === '' ? Message::of('parts.point.inside-area') : $rule->note;
            $answers[] = new PrintedAnswer("<strong>$number</strong> ".Paper::text($name), $rule->credit());
        }

        return $answers === [] ? [] : [new PrintedAnswer($drawing->svg(), Exact::one()), ...$answers];
    }

    /** Where its number stands: on the edge, because areas that lie in one another share their middle. */
    private static function top(Shape $shape): Point
    {
        return array_reduce(
            $shape->outline(),
            fn (?Point $top, Point $corner): Point => $top === null || $corner->compareHeight($top) < 0 ? $corner : $top,
        ) ?? $shape->middle();
    }
}
