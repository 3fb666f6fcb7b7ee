<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Which questions were asked on which day, to be searched by. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE question_occasions (
                question_id uuid NOT NULL REFERENCES questions ON DELETE CASCADE,
                occasion_id uuid NOT NULL REFERENCES assessment_occasions ON DELETE CASCADE, used_on date NOT NULL,
                PRIMARY KEY (question_id, occasion_id)
            );
            CREATE INDEX question_occasions_day ON question_occasions (used_on, question_id);
            CREATE INDEX question_occasions_occasion ON question_occasions (occasion_id);
            CREATE FUNCTION note_question_occasions() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                INSERT INTO question_occasions (question_id, occasion_id, used_on)
                    SELECT DISTINCT questions.id, NEW.id, NEW.used_on FROM jsonb_array_elements(NEW.asked) AS asked
                        JOIN questions ON questions.id = (asked->>'question')::uuid;
                RETURN NULL;
            END $$;
            CREATE TRIGGER note_question_occasions AFTER INSERT ON assessment_occasions
                FOR EACH ROW EXECUTE FUNCTION note_question_occasions();
            INSERT INTO question_occasions (question_id, occasion_id, used_on)
                SELECT DISTINCT questions.id, assessment_occasions.id, used_on
                    FROM assessment_occasions CROSS JOIN LATERAL jsonb_array_elements(asked) AS one
                    JOIN questions ON questions.id = (one->>'question')::uuid;
            SQL);
    }
};
