<?php

declare(strict_types=1);

namespace WideQuarry\Migration;

use WideQuarry\Interchange\Ids;

/** A quiz that an older migration flattened, with the draws it is said to have had. */
final class RebuiltDraws
{
    /**
     * @param  \stdClass|null  $flat  the assessment as it came, whose title, instructions and times stay; null where there was none
     * @return \stdClass|null core/schema/assessment.json; null when nothing is stated of the quiz
     */
    public static function of(string $quiz, Tally $tally, ?\stdClass $flat): ?\stdClass
    {
        $entries = [];
        foreach ($tally->lines as $line) {
            $pool = $line->pool();
            if ($line->stated === null || $pool === [] || $pool[0]->quiz() !== $quiz || $line->stated->draw < 1) {
                continue;
            }
            $title = $line->path === null ? $line->stated->of : $line->path[count($line->path) - 1] ?? '';
            $entries[] = (object) [
                'id' => 'd'.(count($entries) + 1),
                'title' => $title,
                'draw' => min($line->stated->draw, count($pool)),
                'pool' => array_map(fn (SourceQuestion $one): string => $one->id, $pool),
                ...$line->stated->points === null ? [] : ['points' => (float) $line->stated->points],
            ];
        }
        if ($entries === []) {
            return null;
        }
        $section = (object) ['id' => 's1', 'title' => '', 'instructions' => '', 'entries' => $entries];

        return (object) [
            'format' => 'wide-quarry/assessment',
            'version' => 1,
            'id' => $flat->id ?? Ids::of('migration', $quiz),
            'title' => $quiz,
            'language' => $flat->language ?? 'und',
            'instructions' => $flat->instructions ?? '',
            'time_limit' => $flat->time_limit ?? null,
            'state' => $flat->state ?? 'draft',
            'sections' => [$section],
        ];
    }
}
