<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Intake;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WideQuarry\Duplicates\DuplicateMatch;
use WideQuarry\Json\Fields;

/** The staged questions of an intake as they are reviewed: filters, counts, and what was noticed of each. */
final class StagedQuestions
{
    public const PAGE = 100;

    private const SHOWN = [
        'all' => 'true',
        'new' => 'duplicate_by IS NULL',
        'duplicate' => 'duplicate_by IS NOT NULL',
        'loss' => <<<'SQL'
            EXISTS (SELECT 1 FROM staged_things AS notices
                WHERE notices.intake_id = staged_questions.intake_id AND notices.type = 'notice'
                AND notices.question = staged_questions.source_id AND notices.value->>'severity' <> 'note')
            SQL,
        'incomplete' => 'NOT is_complete',
        'skipped' => 'skipped',
        'added' => "outcome = 'added'",
        'replaced' => "outcome = 'replaced'",
        'left out' => "outcome = 'skipped'",
    ];

    private const NOTICES = <<<'SQL'
        (SELECT jsonb_object_agg(severity, times) FROM (SELECT value->>'severity' AS severity, count(*) AS times
            FROM staged_things AS notices WHERE notices.intake_id = staged_questions.intake_id AND notices.type = 'notice'
            AND notices.question = staged_questions.source_id GROUP BY 1) AS counted) AS notices
        SQL;

    private function __construct(
        private readonly string $intake,
        private readonly string $show,
        private readonly string $kind,
        private readonly string $file,
        private readonly string $words,
        private readonly string $group,
        private readonly Intake $of,
    ) {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(Intake $intake, string $query): self
    {
        parse_str($query, $given);
        $fields = Fields::of((object) array_filter($given, is_string(...)), '', ['show', 'kind', 'file', 'group', 'words', 'cursor']);
        $file = $fields->string('file');

        return new self(
            $intake->id,
            $fields->oneOf('show', array_keys(self::SHOWN), 'all'),
            $fields->string('kind'),
            $file === '' ? '' : Fields::asUuid($file, '/file'),
            $fields->string('words', '', 500),
            $fields->string('group', '', 255),
            $intake,
        );
    }

    public function rows(): Builder
    {
        $rows = DB::table('staged_questions')->where('staged_questions.intake_id', $this->intake)->whereRaw(self::SHOWN[$this->show]);
        if ($this->kind !== '') {
            $rows->whereRaw('? = ANY (kinds)', [$this->kind]);
        }
        if ($this->file !== '') {
            $rows->where('file_id', $this->file);
        }
        if ($this->group !== '') {
            $rows->whereIn('grp', $this->of->grouping()->within($this->group));
        }
        foreach (preg_split('/\s+/u', $this->words, 20, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $rows->whereRaw("(title || ' ' || stem || ' ' || answers) ILIKE ?", ['%'.addcslashes($word, '%_\\').'%']);
        }

        return $rows;
    }

    /** @return list<\stdClass> one more than a page when there are more */
    public function page(int $after): array
    {
        return array_values(
            $this->rows()
                ->where('number', '>', $after)
                ->orderBy('number')
                ->limit(self::PAGE + 1)
                ->select([
                    'id',
                    'number',
                    'title',
                    'stem',
                    'kinds',
                    'points',
                    'difficulty',
                    'status',
                    'is_complete',
                    'has_variables',
                    'tags',
                    'skipped',
                    'decision',
                    'duplicate_by',
                    'outcome',
                    'question_id',
                ])
                ->selectRaw(self::NOTICES)
                ->get()
                ->all(),
        );
    }

    public function count(): int
    {
        return $this->rows()->count();
    }

    /** @return array{added: int, replaced: int, skipped: int} what bringing it in would do now */
    public static function coming(Intake $intake): array
    {
        $coming = ['added' => 0, 'replaced' => 0, 'skipped' => 0];
        /** @var iterable<object{skipped: bool, duplicate_by: string|null, decision: 'add'|'replace'|'skip'|null, times: int}&\stdClass>
            $some */
        $some = DB::table('staged_questions')
            ->where('intake_id', $intake->id)
            ->whereNull('outcome')
            ->selectRaw('skipped, duplicate_by, decision, count(*) AS times')
            ->groupBy('skipped', 'duplicate_by', 'decision')
            ->get();
        foreach ($some as $alike) {
            $found = $alike->duplicate_by === null ? null : DuplicateMatch::from($alike->duplicate_by);
            $coming[DuplicateMatch::outcome($alike->skipped, $found, $alike->decision, $intake->duplicates)] += $alike->times;
        }

        return $coming;
    }

    /** @return array<string, int> how many each way of showing has */
    public static function counts(Intake $intake): array
    {
        $each = implode(
            ', ',
            array_map(
                fn (string $name, string $condition): string => "count(*) FILTER (WHERE $condition) AS \"$name\"",
                array_keys(self::SHOWN),
                self::SHOWN,
            ),
        );

        /** @var array<string, int> */
        return (array) DB::table('staged_questions')->where('intake_id', $intake->id)->selectRaw($each)->first();
    }
}
