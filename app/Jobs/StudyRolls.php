<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\JudgeQuestion;
use Illuminate\Support\Facades\DB;

/** Studies all the rolls of a question that has just been saved; on saving only some were looked at. */
final class StudyRolls extends BackgroundWork
{
    protected function work(): void
    {
        $row = DB::table('questions')
            ->join('revisions', fn ($join) => $join->on('question_id', 'questions.id')->on('number', 'questions.revision'))
            ->where('questions.id', $this->thing)
            ->selectRaw(JudgeQuestion::COLUMNS)
            ->first();
        if ($row !== null) {
            app(JudgeQuestion::class)->handle($row);
        }
    }

    protected function stopped(string $sentence): void
    {
        logger()->error("Only some rolls of question $this->thing have been looked at: $sentence Check the questions of its bank.");
    }
}
