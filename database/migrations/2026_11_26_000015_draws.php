<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- A draw uses every question of its pool; how many somebody is asked is no longer the number of uses.
            ALTER TABLE assessment_uses DROP CONSTRAINT assessment_uses_pkey, ADD PRIMARY KEY (assessment_id, entry, question_id);
            ALTER TABLE assessments ADD COLUMN asked integer NOT NULL DEFAULT 0;
            UPDATE assessments SET asked = (SELECT count(*) FROM assessment_uses WHERE assessment_id = assessments.id);

            -- Bands of the least hashes of a question's words (WideQuarry\Question\NearPrint): what is nearly the same has some in common.
            ALTER TABLE questions ADD COLUMN near integer[] NOT NULL DEFAULT '{}';
            ALTER TABLE staged_questions ADD COLUMN near integer[] NOT NULL DEFAULT '{}', ADD COLUMN grp text;
            ALTER TABLE staged_questions DROP CONSTRAINT staged_questions_duplicate_by_check, ADD CHECK (duplicate_by IN ('identifier', 'origin', 'words', 'earlier', 'near', 'near_earlier'));
            -- Groups of the source as folders: whether, and what some of them are to be called.
            ALTER TABLE intakes ADD COLUMN regroup boolean NOT NULL DEFAULT false, ADD COLUMN group_names jsonb NOT NULL DEFAULT '{}';
            SQL);
    }
};
