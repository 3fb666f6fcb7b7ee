<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;

/**
 * Stimuli as they are shown with questions.
 *
 * @phpstan-type ShownStimulus object{id: string, title: string, language: string, body: string, revision: int, media: string,
 *     bank: string|null}&\stdClass
 */
final class Stimuli
{
    /**
     * Those of some that a person may read, of the bin too: what a question shows does not go away. One that is only in an intake
     * is shown to who works on that.
     *
     * @param  list<string>  $ids
     * @param  array<string, int>  $pins  stimulus → the revision to show; the newest otherwise
     * @return array<string, ShownStimulus> by id, in the order asked for; media: the address its pictures are below
     */
    public static function shown(array $ids, User $person, array $pins = []): array
    {
        if ($ids === []) {
            return [];
        }
        $list = '{'.implode(',', $ids).'}';
        $found = [];
        /** @var list<ShownStimulus> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT stimuli.id, coalesce(pinned.content->>'title', stimuli.title) AS title, coalesce(pinned.content->>'language',
                stimuli.language) AS language, coalesce(pinned.content->>'body', stimuli.body) AS body,
                coalesce(pinned.number, stimuli.revision) AS revision, '/api/v1/stimuli/' || stimuli.id || '/media' AS media,
                    banks.slug AS bank
            FROM stimuli JOIN banks ON banks.id = stimuli.bank_id
            LEFT JOIN stimulus_revisions AS pinned ON pinned.stimulus_id = stimuli.id
                AND pinned.number = (?::jsonb->>stimuli.id::text)::int
            WHERE stimuli.id IN (SELECT id FROM readable_stimuli(?, ?::uuid[]))
            SQL,
            [Json::encode((object) $pins), $person->id, $list],
        );
        foreach ($rows as $row) {
            $found[$row->id] = $row;
        }
        $missing = array_values(array_diff($ids, array_keys($found)));
        /** @var list<ShownStimulus> $staged */
        $staged = $missing === [] ? [] : DB::select(
            <<<'SQL'
            SELECT DISTINCT ON (value->>'id') value->>'id' AS id, coalesce(value->>'title', '') AS title,
                coalesce(value->>'language', 'und') AS language, value->>'body' AS body, 0 AS revision,
                '/api/v1/intakes/' || intakes.id || '/media' AS media, NULL AS bank
            FROM staged_things JOIN intakes ON intakes.id = intake_id
            WHERE staged_things.type = 'stimulus' AND value->>'id' = ANY (?::text[]) AND (intakes.user_id = ?
                OR intakes.bank_id IN (SELECT bank_id FROM bank_roles(?) WHERE role <> 'reader'))
            ORDER BY value->>'id', intakes.created_at DESC
            SQL,
            ['{'.implode(',', $missing).'}', $person->id, $person->id],
        );
        foreach ($staged as $row) {
            $found[$row->id] = $row;
        }

        // in the order they were named
        $shown = [];
        foreach ($ids as $id) {
            if (isset($found[$id])) {
                $shown[$id] = $found[$id];
            }
        }

        return $shown;
    }

    /**
     * Where a stimulus is shown: with which questions, and in which assessments those are asked; what a person may not read is only
     * counted.
     *
     * @return array{questions: int, approved: int, assessments: list<array{id: string, title: string}>, others: int}
     */
    public static function uses(string $stimulus, User $person): array
    {
        /** @var object{all: int, approved: int}&\stdClass $questions */
        $questions = DB::selectOne(
            <<<'SQL'
                SELECT count(*) AS all, count(*) FILTER (WHERE status = 'approved') AS approved FROM question_stimuli
                    JOIN questions ON questions.id = question_id WHERE stimulus_id = ?
                SQL,
            [$stimulus],
        );
        /** @var list<object{id: string, title: string, readable: bool}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT DISTINCT assessments.id, assessments.title, mine.bank_id IS NOT NULL AS readable FROM question_stimuli
                JOIN assessment_uses USING (question_id) JOIN assessments ON assessments.id = assessment_id
            LEFT JOIN bank_roles(?) AS mine ON mine.bank_id = assessments.bank_id
            WHERE stimulus_id = ? AND (assessment_uses.user_id IS NULL OR may_read_question(assessment_uses.user_id,
                assessment_uses.question_id)) ORDER BY assessments.title
            SQL,
            [$person->id, $stimulus],
        );
        $readable = array_values(array_filter($rows, fn (\stdClass $row): bool => $row->readable));

        return [
            'questions' => $questions->all,
            'approved' => $questions->approved,
            'assessments' => array_map(fn (\stdClass $row): array => ['id' => $row->id, 'title' => $row->title], $readable),
            'others' => count($rows) - count($readable),
        ];
    }

    /** @return list<list<string>> paths of names of the folders it lies in */
    public static function folders(string $stimulus): array
    {
        $paths = [];
        /** @var list<object{path: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT array_to_json(array_agg(above.name ORDER BY nlevel(above.path))) AS path
            FROM stimulus_placements JOIN folders ON folders.id = folder_id
                JOIN folders AS above ON above.bank_id = folders.bank_id AND folders.path <@ above.path
            WHERE stimulus_id = ? GROUP BY folders.id ORDER BY 1::text
            SQL,
            [$stimulus],
        );
        foreach ($rows as $row) {
            $paths[] = Json::texts($row->path);
        }

        return $paths;
    }
}
