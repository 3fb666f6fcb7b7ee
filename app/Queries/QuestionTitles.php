<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\User;
use Illuminate\Support\Facades\DB;

/** What questions are called, as far as somebody may know. */
final class QuestionTitles
{
    /**
     * @param  list<string>  $questions
     * @return array<string, string> question → title; one that may not be viewed, or is gone, is missing
     */
    public static function of(array $questions, User $person): array
    {
        /** @var list<object{id: string, title: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT id, title FROM questions WHERE id = ANY (?::uuid[]) AND EXISTS (SELECT 1 FROM visible_questions(?) AS visible
                WHERE visible.id = questions.id OFFSET 0)
            SQL,
            ['{'.implode(',', $questions).'}', $person->id],
        );
        $titles = [];
        foreach ($rows as $row) {
            $titles[$row->id] = $row->title;
        }

        return $titles;
    }
}
