<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE folders (
                id uuid PRIMARY KEY, bank_id uuid NOT NULL REFERENCES banks ON DELETE CASCADE, parent_id uuid REFERENCES folders ON DELETE CASCADE,
                name text NOT NULL CHECK (name <> ''), path ltree NOT NULL, position integer NOT NULL DEFAULT 0, created_at timestamptz NOT NULL DEFAULT now(), updated_at timestamptz NOT NULL DEFAULT now(),
                UNIQUE NULLS NOT DISTINCT (bank_id, parent_id, name)
            );
            CREATE INDEX folders_path ON folders USING gist (path);

            CREATE TABLE questions (
                id uuid PRIMARY KEY, bank_id uuid NOT NULL REFERENCES banks ON DELETE CASCADE, revision integer NOT NULL CHECK (revision > 0), approved_revision integer,
                -- the record: logged in changes, not revisioned
                status text NOT NULL DEFAULT 'draft' CHECK (status IN ('draft', 'in_review', 'approved', 'retired')), difficulty smallint CHECK (difficulty BETWEEN 1 AND 5),
                record jsonb NOT NULL DEFAULT '{}',
                -- derived from the revision by App\Support\QuestionIndex
                title text NOT NULL COLLATE by_name, stem text NOT NULL, kinds text[] NOT NULL, points numeric(12, 4) NOT NULL, has_variables boolean NOT NULL, is_complete boolean NOT NULL,
                origin_format text, origin_identifier text, created_by uuid REFERENCES users ON DELETE SET NULL,
                created_at timestamptz NOT NULL DEFAULT now(), updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX questions_bank_title ON questions (bank_id, title, id);

            CREATE TABLE revisions (
                question_id uuid NOT NULL REFERENCES questions ON DELETE CASCADE, number integer NOT NULL CHECK (number > 0), content jsonb NOT NULL, scoring_version smallint NOT NULL DEFAULT 1,
                note text NOT NULL DEFAULT '', author_id uuid REFERENCES users ON DELETE SET NULL, created_at timestamptz NOT NULL DEFAULT now(), PRIMARY KEY (question_id, number)
            );
            ALTER TABLE questions ADD CONSTRAINT questions_revision FOREIGN KEY (id, revision) REFERENCES revisions (question_id, number) DEFERRABLE INITIALLY DEFERRED;
            CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION 'A revision is never changed.'; END $$;
            CREATE TRIGGER revisions_immutable BEFORE UPDATE OF content, number, question_id ON revisions FOR EACH ROW EXECUTE FUNCTION refuse_change();

            CREATE TABLE placements (
                question_id uuid NOT NULL REFERENCES questions ON DELETE CASCADE, folder_id uuid NOT NULL REFERENCES folders ON DELETE CASCADE, position integer NOT NULL DEFAULT 0, PRIMARY KEY (question_id, folder_id)
            );
            CREATE INDEX placements_folder ON placements (folder_id, position);

            -- The one expression of who may see which question: its home bank, or a bank in whose folder it is placed.
            CREATE FUNCTION visible_questions(person uuid) RETURNS TABLE (id uuid) LANGUAGE sql STABLE AS $$
                SELECT questions.id FROM questions WHERE questions.bank_id IN (SELECT bank_id FROM bank_roles(person))
                UNION
                SELECT placements.question_id FROM placements JOIN folders ON folders.id = placements.folder_id WHERE folders.bank_id IN (SELECT bank_id FROM bank_roles(person))
            $$;

            CREATE TABLE stimuli (
                id uuid PRIMARY KEY, bank_id uuid NOT NULL REFERENCES banks ON DELETE CASCADE, title text NOT NULL DEFAULT '', language text NOT NULL DEFAULT 'und', body text NOT NULL, origin jsonb,
                created_at timestamptz NOT NULL DEFAULT now(), updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE TABLE media (
                id text NOT NULL, bank_id uuid NOT NULL REFERENCES banks ON DELETE CASCADE, sha256 text NOT NULL CHECK (sha256 ~ '^[0-9a-f]{64}$'), type text NOT NULL, name text NOT NULL, bytes bigint NOT NULL,
                created_at timestamptz NOT NULL DEFAULT now(), PRIMARY KEY (bank_id, id)
            );
            CREATE TABLE changes (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY, question_id uuid NOT NULL REFERENCES questions ON DELETE CASCADE, field text NOT NULL, before jsonb, after jsonb,
                user_id uuid REFERENCES users ON DELETE SET NULL, created_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX changes_question ON changes (question_id, id DESC);
            CREATE TABLE autosaves (
                user_id uuid NOT NULL REFERENCES users ON DELETE CASCADE, subject text NOT NULL CHECK (length(subject) BETWEEN 1 AND 200), base_revision integer, content jsonb NOT NULL,
                updated_at timestamptz NOT NULL DEFAULT now(), PRIMARY KEY (user_id, subject)
            );
            SQL);
    }
};
