<?php

declare(strict_types=1);

namespace WideQuarry\Specimens;

use WideQuarry\Json\Malformed;
use WideQuarry\Marking\Agreement;
use WideQuarry\Marking\PartMarks;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Question;
use WideQuarry\Question\Specimen;

/** How far each person who marked the specimens of a question agrees with the marks that count, criterion by criterion. */
final class MarkerAgreement
{
    /**
     * @return list<array{by: string, specimens: int, criteria: int, exact: string|null, within_one: string|null, kappa: string|null,
     *     outdated: int}> by name; outdated: markings by an earlier rubric, which cannot be compared
     */
    public static function of(Question $question): array
    {
        $people = [];
        foreach ($question->record->specimens as $specimen) {
            foreach ($specimen->markings as $marking) {
                $by = $marking['by'];
                $people[$by] ??= ['levels' => [], 'specimens' => 0, 'outdated' => 0];
                try {
                    array_push($people[$by]['levels'], ...self::levels($question, $specimen, $marking['marks']));
                    $people[$by]['specimens']++;
                } catch (Malformed) {
                    $people[$by]['outdated']++;
                }
            }
        }
        ksort($people);
        $rows = [];
        foreach ($people as $by => $found) {
            $agreement = Agreement::of($found['levels']);
            $rows[] = [
                'by' => (string) $by,
                'specimens' => $found['specimens'],
                'criteria' => $agreement->count ?? 0,
                'exact' => $agreement === null ? null : Exact::text($agreement->exact),
                'within_one' => $agreement === null ? null : Exact::text($agreement->withinOne),
                'kappa' => $agreement?->kappa === null ? null : Exact::text($agreement->kappa),
                'outdated' => $found['outdated'],
            ];
        }

        return $rows;
    }

    /**
     * @return list<array{int, int}>
     *
     * @throws Malformed when the marks were given by an earlier rubric
     */
    private static function levels(Question $question, Specimen $specimen, \stdClass $marks): array
    {
        $levels = [];
        foreach ($question->parts as $part) {
            $rubric = $part->key->rubric;
            $both = [$specimen->marks->{$part->id} ?? null, $marks->{$part->id} ?? null];
            if ($rubric !== null && $rubric->criteria !== [] && $both[0] !== null && $both[1] !== null) {
                $read = fn (mixed $given): PartMarks => PartMarks::read($given, $specimen->path, $rubric, $part->points());
                array_push($levels, ...Agreement::levels($rubric, $read($both[0]), $read($both[1])));
            }
        }

        return $levels;
    }
}
