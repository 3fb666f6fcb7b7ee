<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Spot;

use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Pictures\PictureDrawing;
use WideQuarry\Pictures\Region;
use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;
use WideQuarry\Scoring\ScoringContext;

/** A picture to put crosses on: with outlines and numbers, or bare; the key has the regions drawn in. */
final class PrintedSpot
{
    /** @param  array<mixed>  $presented */
    public function part(SpotSettings $settings, array $presented, Paper $paper): string
    {
        if ($settings->picture === null) {
            return '';
        }
        $drawing = PictureDrawing::asked($paper, $settings->picture->presented($presented));
        $regions = is_array($presented['regions'] ?? null) ? $presented['regions'] : [];
        foreach ($regions as $region) {
            $drawing->area($region, 'dashed'); // @phpstan-ignore argument.type
        }
        $how = Message::of('parts.spot.mark-with-crosses', ['max' => $settings->max ?? 0]);

        return '<figure class="on-picture">'.$drawing->svg().'<figcaption>'.Paper::text($how).'</figcaption></figure>';
    }

    /** @return list<PrintedAnswer> */
    public function answers(Part $part, SpotSettings $settings, ScoringContext $in, Paper $paper): array
    {
        if ($settings->picture === null) {
            return [];
        }
        $drawing = PictureDrawing::inKey($paper, $settings->picture->filled($in->roll->filling()));
        $answers = [];
        $number = 0;
        foreach ($settings->regions as $region) {
            $rule = SpotKey::rule($part, $region->id);
            $shape = $region->in($in->roll);
            if ($rule === null || ! $rule->credit()->isPositive() || $shape === null) {
                continue;
            }
            $number++;
            $isRight = Exact::isAll($rule->credit()) || $part->scheme !== Scheme::Weights;
            $drawing->area($region->area->shown($in->roll), $isRight ? 'right' : 'partly');
            $drawing->mark($shape->middle(), (string) $number);
            $answers[] = new PrintedAnswer("<strong>$number</strong> ".Paper::text(self::called($region)), $rule->credit());
        }

        return $answers === [] ? [] : [new PrintedAnswer($drawing->svg(), Exact::one()), ...$answers];
    }

    private static function called(Region $region): string
    {
        return $region->label === '' ? Message::of('pictures.region-without-name') : $region->label;
    }
}
