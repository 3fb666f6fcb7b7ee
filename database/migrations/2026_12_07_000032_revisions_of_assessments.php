<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What an assessment was like before, and a bin in the place of deleting it for good. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE assessment_revisions (
                assessment_id uuid NOT NULL REFERENCES assessments ON DELETE CASCADE, number integer NOT NULL CHECK (number > 0),
                content jsonb NOT NULL, user_id uuid REFERENCES users ON DELETE SET NULL,
                begun_at timestamptz NOT NULL DEFAULT now(), saved_at timestamptz NOT NULL DEFAULT now(),
                brought_back integer, PRIMARY KEY (assessment_id, number)
            );
            COMMENT ON COLUMN assessment_revisions.brought_back IS 'the revision whose content it is again';
            ALTER TABLE assessments ADD COLUMN binned_at timestamptz, ADD COLUMN binned_by uuid REFERENCES users ON DELETE SET NULL;
            SQL);
    }
};
