<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- How many specimens a question has and how many of them do not score as stated; derived when it is saved, and by runs.
            ALTER TABLE questions ADD COLUMN specimens integer NOT NULL DEFAULT 0, ADD COLUMN specimens_failing integer NOT NULL DEFAULT 0;
            ALTER TABLE staged_questions ADD COLUMN specimens integer NOT NULL DEFAULT 0, ADD COLUMN specimens_failing integer NOT NULL DEFAULT 0;
            UPDATE questions SET specimens = jsonb_array_length(coalesce(record->'specimens', '[]'));
            CREATE INDEX questions_failing ON questions (bank_id) WHERE specimens_failing > 0;

            -- All specimens of a bank run again, as after a change of how something is scored.
            CREATE TABLE specimen_runs (
                id uuid PRIMARY KEY, bank_id uuid NOT NULL REFERENCES banks ON DELETE CASCADE, user_id uuid REFERENCES users ON DELETE SET NULL,
                state text NOT NULL DEFAULT 'running' CHECK (state IN ('running', 'done', 'stopped', 'failed')), total integer NOT NULL, done integer NOT NULL DEFAULT 0, last uuid,
                specimens integer NOT NULL DEFAULT 0, failing integer NOT NULL DEFAULT 0, changed integer NOT NULL DEFAULT 0, created_at timestamptz NOT NULL DEFAULT now(), finished_at timestamptz
            );
            CREATE UNIQUE INDEX specimen_runs_one ON specimen_runs (bank_id) WHERE state = 'running';
            CREATE INDEX specimen_runs_bank ON specimen_runs (bank_id, id DESC);
            SQL);
    }
};
