<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Assessment;

/** Which revisions the questions of an assessment have now. */
final class AssessmentRevisions
{
    /** @return array<string, array{int, int|null}> question → its newest revision, and the one that was approved */
    public static function newest(Assessment $document): array
    {
        /** @var list<object{id: string, revision: int, approved_revision: int|null}&\stdClass> $rows */
        $rows = DB::select(
            'SELECT id, revision, approved_revision FROM questions WHERE id = ANY (?::uuid[])',
            ['{'.implode(',', $document->questions()).'}'],
        );
        $revisions = [];
        foreach ($rows as $row) {
            $revisions[$row->id] = [$row->revision, $row->approved_revision];
        }

        return $revisions;
    }
}
