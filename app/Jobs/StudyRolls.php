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
        $row = DB::selectOne(
            'SELECT '.JudgeQuestion::COLUMNS.' FROM questions JOIN revisions ON question_id = questions.id'.
            ' AND number = questions.revision WHERE questions.id = ?',
            [$this->thing],
        );
        if ($row instanceof \stdClass) {
            app(JudgeQuestion::class)->handle($row);
        }
    }

    protected function stopped(string $sentence): void
    {
        logger()->error("Only some rolls of question $this->thing have been looked at: $sentence Check the questions of its bank.");
    }
}
