<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- Who put a question into an assessment. Their use counts only as long as they may read the question, so that nobody can keep
            -- a bank's owner from deleting questions by naming them. Older rows belong to whoever created the assessment.
            ALTER TABLE assessment_uses ADD COLUMN user_id uuid REFERENCES users ON DELETE SET NULL;
            UPDATE assessment_uses SET user_id = assessments.created_by FROM assessments WHERE assessments.id = assessment_id;

            -- visible_questions() for a single question, in or out of the bin.
            CREATE FUNCTION may_read_question(person uuid, question uuid) RETURNS boolean LANGUAGE sql STABLE AS $$
                SELECT EXISTS (SELECT 1 FROM questions JOIN bank_roles(person) AS mine ON mine.bank_id = questions.bank_id WHERE questions.id = question)
                    OR EXISTS (
                        SELECT 1 FROM placements JOIN folders ON folders.id = placements.folder_id JOIN bank_roles(person) AS mine ON mine.bank_id = folders.bank_id
                        WHERE placements.question_id = question
                    )
            $$;

            -- How many assessments use a question; the one definition for the column, the bin and what people are shown.
            CREATE FUNCTION counted_uses(question uuid) RETURNS bigint LANGUAGE sql STABLE AS $$
                SELECT count(DISTINCT assessment_id) FROM assessment_uses
                WHERE question_id = question AND (user_id IS NULL OR may_read_question(user_id, question))
            $$;
            CREATE OR REPLACE FUNCTION count_uses() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
                UPDATE questions SET uses = counted_uses(questions.id) WHERE id IN (SELECT question_id FROM touched);
                RETURN NULL;
            END $$;

            -- A print shows what the person who made it could read, so it is theirs.
            DELETE FROM prints;
            ALTER TABLE prints ADD COLUMN user_id uuid NOT NULL REFERENCES users ON DELETE CASCADE, ADD COLUMN questions uuid[] NOT NULL DEFAULT '{}',
                DROP CONSTRAINT prints_assessment_id_source_key, ADD UNIQUE (assessment_id, user_id, source);
            SQL);
    }
};
