<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Actions\Assembly\SaveAssessment;
use App\Models\Bank;
use App\Models\Intake;
use App\Models\User;
use App\Queries\SourceQuestions;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Json\Json;
use WideQuarry\Migration\RebuiltDraws;
use WideQuarry\Question\PartKinds;

/** Assessments of an intake, made once their questions are in the bank. */
final readonly class ImportedAssessments
{
    public function __construct(private SaveAssessment $save, private PartKinds $kinds)
    {
    }

    /** Each asks the questions as they are here: brought in, or there already; what was skipped for good has no place. */
    public function make(Intake $intake, Bank $bank, User $person): void
    {
        $made = $intake->made();
        if (isset($made->assessments)) {
            return;
        }
        $here = $this->here($intake);
        $ids = [];
        foreach ($this->given($intake) as $json) {
            if (DB::table('assessments')->where('id', $json->id)->exists()) {
                $json->id = (string) Str::uuid7();
            }
            $json = Document::read($json, $this->kinds)->asking($here);
            $ids[] = $this->save->create($json, $bank->id, $person)->id;
        }
        $made->assessments = $ids;
        $intake->update(['made' => Json::encode($made)]);
    }

    /** @return list<\stdClass> as they came; those whose draws somebody stated with those draws, also where only the questions came */
    private function given(Intake $intake): array
    {
        $given = [];
        $values = DB::table('staged_things')
            ->where('intake_id', $intake->id)
            ->where('type', 'assessment')
            ->orderBy('position')
            ->pluck('value');
        foreach ($values as $value) {
            $json = Json::decode(is_string($value) ? $value : '{}');
            if ($json instanceof \stdClass) {
                $given[] = $json;
            }
        }
        $tally = SourceQuestions::stated($intake) === [] ? null : SourceQuestions::tally($intake);
        $rebuilt = [];
        foreach ($tally === null ? [] : $tally->quizzes as $quiz) {
            $flat = array_values(array_filter($given, fn (\stdClass $one): bool => ($one->title ?? '') === $quiz->title))[0] ?? null;
            $made = $tally === null ? null : RebuiltDraws::of($quiz->title, $tally, $flat);
            if ($made !== null) {
                $rebuilt[$quiz->title] = $made;
            }
        }
        $kept = array_filter($given, fn (\stdClass $one): bool => ! isset($rebuilt[is_string($one->title ?? null) ? $one->title : '']));

        return [...array_values($kept), ...array_values($rebuilt)];
    }

    /** Takes out what was made and nobody has changed since. */
    public function takeOut(Intake $intake): void
    {
        DB::table('assessments')
            ->whereIn('id', $intake->made()->assessments ?? [])
            ->where('version', 1)
            ->delete();
    }

    /**
     * One that is the same as an earlier one of the intake stands for that.
     *
     * @return array<string, array{string, int}> question as it came → as it is here, and its revision
     */
    private function here(Intake $intake): array
    {
        $here = [];
        /** @var list<object{source_id: string, id: string, revision: int}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT staged.source_id, questions.id, questions.revision
            FROM staged_questions AS staged LEFT JOIN staged_questions AS twin ON twin.id = staged.duplicate_of
                AND staged.duplicate_by = 'earlier'
                JOIN questions ON questions.id = coalesce(staged.question_id, twin.question_id, CASE WHEN staged.skipped THEN NULL
                    ELSE coalesce(twin.duplicate_of, staged.duplicate_of) END)
            WHERE staged.intake_id = ? ORDER BY staged.number DESC
            SQL,
            [$intake->id],
        );
        foreach ($rows as $row) {
            $here[$row->source_id] = [$row->id, $row->revision];
        }

        return $here;
    }
}
