<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- how long a person needs to mark one response, derived; filled by the rebuilding of the index after an upgrade
            ALTER TABLE questions ADD marker_minutes numeric(10, 4) NOT NULL DEFAULT 0;
            ALTER TABLE staged_questions ADD marker_minutes numeric(10, 4) NOT NULL DEFAULT 0;
            -- rubrics kept for reuse; questions that follow one hold it whole, with its id and revision
            CREATE TABLE rubrics (
                id uuid PRIMARY KEY, bank_id uuid NOT NULL REFERENCES banks ON DELETE CASCADE, title text NOT NULL,
                content jsonb NOT NULL, revision integer NOT NULL DEFAULT 1, created_by uuid REFERENCES users ON DELETE SET NULL,
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX rubrics_bank ON rubrics (bank_id, title);
            CREATE TABLE rubric_revisions (
                rubric_id uuid NOT NULL REFERENCES rubrics ON DELETE CASCADE, number integer NOT NULL, content jsonb NOT NULL,
                author_id uuid REFERENCES users ON DELETE SET NULL, created_at timestamptz NOT NULL DEFAULT now(),
                PRIMARY KEY (rubric_id, number)
            );
            ALTER TABLE prints DROP CONSTRAINT prints_which_check,
                ADD CHECK (which ~ '^(learner|key|scheme|notes)(,(learner|key|scheme|notes))*$');
            SQL);
    }
};
