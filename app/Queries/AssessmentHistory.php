<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Assessment;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Assembly\AssessmentDifferences;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;

/**
 * The revisions of an assessment, each with what was changed in it.
 *
 * @phpstan-type Row object{number: int, content: string, person: string|null, begun_at: string, saved_at: string,
 *     brought_back: int|null}&\stdClass
 */
final readonly class AssessmentHistory
{
    private const PAGE = 30;

    public function __construct(private PartKinds $kinds)
    {
    }

    /**
     * @param  int|null  $before  only older ones
     * @return list<array<string, mixed>> the newest first
     */
    public function of(Assessment $assessment, User $person, ?int $before = null): array
    {
        /** @var list<Row> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT number, content, users.name AS person, to_json(begun_at) #>> '{}' AS begun_at, to_json(saved_at) #>> '{}' AS saved_at,
                brought_back
            FROM assessment_revisions LEFT JOIN users ON users.id = user_id
            WHERE assessment_id = ? AND (?::integer IS NULL OR number < ?) ORDER BY number DESC LIMIT ?
            SQL,
            [$assessment->id, $before, $before, self::PAGE + 1],
        );
        $documents = array_map(fn (\stdClass $row): Document => Document::read(Json::decode($row->content), $this->kinds), $rows);
        $questions = array_merge(...array_map(fn (Document $one): array => $one->questions(), $documents), ...[[]]);
        $titles = QuestionTitles::of(array_values(array_unique($questions)), $person);
        $history = [];
        foreach (array_slice($rows, 0, self::PAGE) as $i => $row) {
            $history[] = [
                'number' => $row->number,
                'person' => $row->person,
                'begun_at' => $row->begun_at,
                'saved_at' => $row->saved_at,
                'brought_back' => $row->brought_back,
                'changes' => isset($documents[$i + 1]) ? AssessmentDifferences::between($documents[$i + 1], $documents[$i], $titles) : [],
                'is_now' => $before === null && $i === 0,
            ];
        }

        return $history;
    }
}
