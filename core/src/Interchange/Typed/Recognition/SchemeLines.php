<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Words;

/** The lines of a mark scheme as a checklist: "names two minerals (2)". */
final class SchemeLines
{
    /** @param  list<Words>  $lines */
    public static function rubric(array $lines): \stdClass
    {
        $criteria = $notes = [];
        foreach ($lines as $line) {
            $label = Label::at($line->text())[0] ?? null;
            $words = $line->slice($label->length ?? 0)->trimmed();
            [$words, $points] = Points::in($words);
            if ($points === null) {
                $notes[] = '<p>'.$line->html().'</p>';

                continue;
            }
            $criteria[] = (object) [
                'id' => 'c'.(count($criteria) + 1),
                'title' => mb_strimwidth(rtrim($words->text(), ' .:–-'), 0, 200, '…'),
                'levels' => [
                    (object) ['id' => 'v1', 'points' => (float) $points == (int) $points ? (int) $points : (float) $points, 'html' => ''],
                ],
            ];
        }

        return (object) [
            'scheme' => 'checklist',
            ...$notes === [] ? [] : ['html' => implode('', $notes)],
            'criteria' => array_slice($criteria, 0, 50),
        ];
    }
}
