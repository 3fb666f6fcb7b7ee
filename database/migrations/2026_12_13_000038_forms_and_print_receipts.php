<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Versions of a test, templates of how tests are printed, and what was printed. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE form_sets (
                id uuid PRIMARY KEY, assessment_id uuid NOT NULL REFERENCES assessments ON DELETE CASCADE,
                seed bigint NOT NULL, longest_run integer NOT NULL, document jsonb NOT NULL, made jsonb NOT NULL, revisions jsonb NOT NULL,
                made_by uuid REFERENCES users ON DELETE SET NULL, made_at timestamptz NOT NULL DEFAULT now()
            );
            COMMENT ON COLUMN form_sets.document IS 'the assessment as it was then, its pools settled';
            COMMENT ON COLUMN form_sets.made IS 'forms, their entries with seeds, keys and numbers, and what could not be met';
            COMMENT ON COLUMN form_sets.revisions IS 'question → its newest revision then';
            CREATE INDEX form_sets_assessment ON form_sets (assessment_id, made_at DESC);

            ALTER TABLE prints DROP CONSTRAINT IF EXISTS prints_which_check; -- the application knows which papers there are
            ALTER TABLE prints ADD form_set_id uuid REFERENCES form_sets ON DELETE CASCADE, ADD forms text NOT NULL DEFAULT '',
                ADD revisions jsonb NOT NULL DEFAULT '{}', ADD settings jsonb NOT NULL DEFAULT '{}', ADD outline jsonb NOT NULL DEFAULT '[]';
            CREATE TABLE print_receipts (
                id uuid PRIMARY KEY, assessment_id uuid NOT NULL REFERENCES assessments ON DELETE CASCADE, title text NOT NULL,
                which text NOT NULL, form_set_id uuid REFERENCES form_sets ON DELETE SET NULL, forms text NOT NULL, seeds jsonb NOT NULL,
                settings jsonb NOT NULL, questions uuid[] NOT NULL, revisions jsonb NOT NULL, sha256 text NOT NULL, pages integer NOT NULL,
                printed_by uuid REFERENCES users ON DELETE SET NULL, printed_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX print_receipts_assessment ON print_receipts (assessment_id, printed_at DESC);
            COMMENT ON TABLE print_receipts IS 'what was taken to paper: the file is kept, so that it can be printed again';

            CREATE TABLE print_orders (
                id uuid PRIMARY KEY, assessment_id uuid NOT NULL REFERENCES assessments ON DELETE CASCADE,
                user_id uuid NOT NULL REFERENCES users ON DELETE CASCADE, which text NOT NULL,
                form_set_id uuid REFERENCES form_sets ON DELETE CASCADE, forms text NOT NULL, done integer NOT NULL DEFAULT 0,
                total integer NOT NULL, problem text, print_id uuid REFERENCES prints ON DELETE CASCADE,
                created_at timestamptz NOT NULL DEFAULT now()
            );
            COMMENT ON TABLE print_orders IS 'papers that are printed in the background, and how far they are';

            CREATE TABLE print_templates (
                id uuid PRIMARY KEY, bank_id uuid NOT NULL REFERENCES banks ON DELETE CASCADE, title text COLLATE by_name NOT NULL,
                settings jsonb NOT NULL, created_by uuid REFERENCES users ON DELETE SET NULL, updated_at timestamptz NOT NULL DEFAULT now(),
                UNIQUE (bank_id, title)
            );
            SQL);
    }
};
