<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** When an assessment was used, with whom, and what it asked then. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE assessment_occasions (
                id uuid PRIMARY KEY, assessment_id uuid NOT NULL REFERENCES assessments ON DELETE CASCADE, used_on date NOT NULL,
                with_whom text NOT NULL CHECK (with_whom <> ''), asked jsonb NOT NULL, print jsonb NOT NULL,
                recorded_by uuid REFERENCES users ON DELETE SET NULL, created_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX assessment_occasions_assessment ON assessment_occasions (assessment_id, used_on);
            COMMENT ON COLUMN assessment_occasions.asked IS 'question and revision by entry; values and order follow the roll in print';
            SQL);
    }
};
