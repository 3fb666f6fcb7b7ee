<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Where assessments lie in their bank, what they come to, and who opened them when. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE assessments ADD COLUMN folder text[] NOT NULL DEFAULT '{}', ADD COLUMN course text NOT NULL DEFAULT '',
                ADD COLUMN term text NOT NULL DEFAULT '', ADD COLUMN points numeric, ADD COLUMN minutes numeric,
                ADD COLUMN strata jsonb NOT NULL DEFAULT '{}';
            COMMENT ON COLUMN assessments.folder IS 'names from the top down; a folder is there as long as something lies in it';
            COMMENT ON COLUMN assessments.points IS 'as of the last time it was stored or opened, like minutes and strata';
            COMMENT ON COLUMN assessments.strata IS 'kind of question to how many';
            CREATE TABLE assessment_openings (
                user_id uuid NOT NULL REFERENCES users ON DELETE CASCADE,
                assessment_id uuid NOT NULL REFERENCES assessments ON DELETE CASCADE,
                opened_at timestamptz NOT NULL DEFAULT now(), PRIMARY KEY (user_id, assessment_id)
            );
            CREATE INDEX assessment_openings_assessment ON assessment_openings (assessment_id);
            SQL);
    }
};
