<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- The words of a question, so that the same question from elsewhere is known; derived by App\Support\QuestionIndex.
            ALTER TABLE questions ADD COLUMN fingerprint text NOT NULL DEFAULT '';
            CREATE INDEX questions_bank_fingerprint ON questions (bank_id, fingerprint);
            CREATE INDEX questions_bank_origin ON questions (bank_id, origin_format, origin_identifier) WHERE origin_identifier IS NOT NULL;

            -- What somebody gave to be brought in, from the file to the receipt.
            CREATE TABLE intakes (
                id uuid PRIMARY KEY, user_id uuid REFERENCES users ON DELETE SET NULL, title text NOT NULL,
                state text NOT NULL DEFAULT 'reading' CHECK (state IN ('reading', 'review', 'committing', 'committed', 'undoing', 'cancelled', 'failed')),
                problem text, stop_asked boolean NOT NULL DEFAULT false,
                bank_id uuid REFERENCES banks ON DELETE SET NULL, new_bank text, folder text[] NOT NULL DEFAULT '{}',
                duplicates text NOT NULL DEFAULT 'skip' CHECK (duplicates IN ('skip', 'add', 'replace')),
                act_id uuid REFERENCES acts ON DELETE SET NULL, made jsonb NOT NULL DEFAULT '{}',
                created_at timestamptz NOT NULL DEFAULT now(), updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX intakes_user ON intakes (user_id, created_at DESC);
            CREATE INDEX intakes_bank ON intakes (bank_id, created_at DESC);
            CREATE TABLE intake_files (
                id uuid PRIMARY KEY, intake_id uuid NOT NULL REFERENCES intakes ON DELETE CASCADE, position integer NOT NULL, name text NOT NULL, sha256 text NOT NULL, bytes bigint NOT NULL,
                state text NOT NULL DEFAULT 'waiting' CHECK (state IN ('waiting', 'read', 'failed')), format text, problem text,
                things integer NOT NULL DEFAULT 0, bytes_read bigint NOT NULL DEFAULT 0, bytes_all bigint NOT NULL DEFAULT 0, UNIQUE (intake_id, position)
            );
            -- Every question as it would be stored, with its derived columns ready, so that bringing it in is copying rows.
            CREATE TABLE staged_questions (
                id uuid PRIMARY KEY, intake_id uuid NOT NULL REFERENCES intakes ON DELETE CASCADE, file_id uuid NOT NULL REFERENCES intake_files ON DELETE CASCADE, position integer NOT NULL, number integer NOT NULL,
                source_id uuid NOT NULL, version integer NOT NULL DEFAULT 1, content jsonb NOT NULL, record jsonb NOT NULL, topics jsonb NOT NULL DEFAULT '[]',
                title text NOT NULL, stem text NOT NULL, kinds text[] NOT NULL, points numeric(12, 4) NOT NULL, has_variables boolean NOT NULL, is_complete boolean NOT NULL, fingerprint text NOT NULL,
                status text NOT NULL, difficulty smallint, tags text[] NOT NULL, level text NOT NULL, purpose text[] NOT NULL, licence text NOT NULL, author text NOT NULL, origin_format text, origin_identifier text,
                words tsvector NOT NULL, answers text NOT NULL, rest text NOT NULL,
                skipped boolean NOT NULL DEFAULT false, decision text CHECK (decision IN ('skip', 'add', 'replace')),
                duplicate_of uuid, duplicate_by text CHECK (duplicate_by IN ('identifier', 'origin', 'words', 'earlier')),
                outcome text CHECK (outcome IN ('added', 'replaced', 'skipped')), question_id uuid REFERENCES questions ON DELETE SET NULL, revision integer, before jsonb,
                UNIQUE (file_id, position)
            );
            CREATE INDEX staged_questions_intake ON staged_questions (intake_id, number);
            CREATE INDEX staged_questions_source ON staged_questions (intake_id, source_id);
            CREATE INDEX staged_questions_fingerprint ON staged_questions (intake_id, fingerprint);
            CREATE INDEX staged_questions_question ON staged_questions (question_id);
            -- Whatever else a file holds: stimuli, groups, assessments, media (bytes are in the store), notices.
            CREATE TABLE staged_things (
                intake_id uuid NOT NULL REFERENCES intakes ON DELETE CASCADE, file_id uuid NOT NULL REFERENCES intake_files ON DELETE CASCADE, position integer NOT NULL,
                type text NOT NULL CHECK (type IN ('stimulus', 'group', 'assessment', 'medium', 'notice')), question uuid, value jsonb NOT NULL, PRIMARY KEY (file_id, position, type)
            );
            CREATE INDEX staged_things_intake ON staged_things (intake_id, type, question);

            -- What was brought in, undone or sent out: kept for good.
            CREATE TABLE receipts (
                id uuid PRIMARY KEY, kind text NOT NULL CHECK (kind IN ('intake', 'undo', 'dispatch')), intake_id uuid REFERENCES intakes ON DELETE SET NULL, user_id uuid REFERENCES users ON DELETE SET NULL,
                bank_id uuid REFERENCES banks ON DELETE SET NULL, act_id uuid UNIQUE, title text NOT NULL, body jsonb NOT NULL, created_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX receipts_intake ON receipts (intake_id);
            CREATE INDEX receipts_user ON receipts (user_id, created_at DESC);

            -- A file made to be fetched.
            CREATE TABLE dispatches (
                id uuid PRIMARY KEY, user_id uuid NOT NULL REFERENCES users ON DELETE CASCADE, bank_id uuid REFERENCES banks ON DELETE SET NULL, title text NOT NULL, format text NOT NULL,
                what jsonb NOT NULL, state text NOT NULL DEFAULT 'writing' CHECK (state IN ('writing', 'ready', 'failed')), problem text, body jsonb NOT NULL DEFAULT '{}', sha256 text, receipt_id uuid REFERENCES receipts ON DELETE SET NULL,
                created_at timestamptz NOT NULL DEFAULT now(), updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX dispatches_user ON dispatches (user_id, created_at DESC);
            SQL);
    }
};
