<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- An assessment is one document (core/schema/assessment.json); rights come from its home bank.
            CREATE TABLE assessments (
                id uuid PRIMARY KEY, bank_id uuid NOT NULL REFERENCES banks ON DELETE CASCADE, version integer NOT NULL DEFAULT 1 CHECK (version > 0), title text NOT NULL COLLATE by_name CHECK (title <> ''),
                state text NOT NULL DEFAULT 'draft' CHECK (state IN ('draft', 'ready', 'used', 'archived')), content jsonb NOT NULL, print jsonb NOT NULL DEFAULT '{}',
                created_by uuid REFERENCES users ON DELETE SET NULL, created_at timestamptz NOT NULL DEFAULT now(), updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX assessments_bank ON assessments (bank_id, title);
            -- Which questions it picks, derived from the document; the title is kept for a question that is gone.
            CREATE TABLE assessment_uses (
                assessment_id uuid NOT NULL REFERENCES assessments ON DELETE CASCADE, entry text NOT NULL, question_id uuid NOT NULL, position integer NOT NULL, title text NOT NULL DEFAULT '', PRIMARY KEY (assessment_id, entry)
            );
            CREATE INDEX assessment_uses_question ON assessment_uses (question_id);
            -- Sheets that were printed, by what they were printed from; the files are in the store.
            CREATE TABLE prints (
                id uuid PRIMARY KEY, assessment_id uuid NOT NULL REFERENCES assessments ON DELETE CASCADE, which text NOT NULL CHECK (which IN ('learner', 'key')), source text NOT NULL, sha256 text NOT NULL, pages integer NOT NULL,
                created_at timestamptz NOT NULL DEFAULT now(), UNIQUE (assessment_id, source)
            );
            -- What a person has put aside to do something with, whichever bank it is from.
            CREATE TABLE trays (
                user_id uuid NOT NULL REFERENCES users ON DELETE CASCADE, question_id uuid NOT NULL REFERENCES questions ON DELETE CASCADE, position bigint GENERATED ALWAYS AS IDENTITY, PRIMARY KEY (user_id, question_id)
            );
            SQL);
    }
};
