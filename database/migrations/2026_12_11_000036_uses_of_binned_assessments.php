<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A question that only assessments in the bin ask is not used. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE OR REPLACE FUNCTION counted_uses(question uuid) RETURNS bigint LANGUAGE sql STABLE AS $$
                SELECT count(DISTINCT assessment_id) FROM assessment_uses
                    JOIN assessments ON assessments.id = assessment_id AND binned_at IS NULL
                WHERE question_id = question AND (user_id IS NULL OR may_read_question(user_id, question))
            $$;
            CREATE FUNCTION count_uses_of_binned() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
                UPDATE questions SET uses = counted_uses(questions.id)
                    WHERE id IN (SELECT question_id FROM assessment_uses WHERE assessment_id = NEW.id);
                RETURN NULL;
            END $$;
            CREATE TRIGGER count_uses_of_binned AFTER UPDATE OF binned_at ON assessments FOR EACH ROW
                WHEN (OLD.binned_at IS DISTINCT FROM NEW.binned_at) EXECUTE FUNCTION count_uses_of_binned();
            UPDATE questions SET uses = counted_uses(questions.id) WHERE uses > 0 AND id IN (
                SELECT question_id FROM assessment_uses JOIN assessments ON assessments.id = assessment_id WHERE binned_at IS NOT NULL
            );
            SQL);
    }
};
