<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use WideQuarry\Question\Naming;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- An act on many questions: what is to be changed of which, how far it is, what it left. One that was interrupted goes on after its last question.
            ALTER TABLE acts
                ADD COLUMN bank_id uuid REFERENCES banks ON DELETE CASCADE, ADD COLUMN state text NOT NULL DEFAULT 'done' CHECK (state IN ('waiting', 'running', 'done', 'stopped', 'failed')),
                ADD COLUMN total integer NOT NULL DEFAULT 0, ADD COLUMN done integer NOT NULL DEFAULT 0, ADD COLUMN changed integer NOT NULL DEFAULT 0,
                ADD COLUMN last uuid, ADD COLUMN what jsonb, ADD COLUMN finished_at timestamptz;
            CREATE INDEX acts_bank ON acts (bank_id, id DESC);
            CREATE TABLE act_left (
                act_id uuid NOT NULL REFERENCES acts ON DELETE CASCADE, question_id uuid NOT NULL REFERENCES questions ON DELETE CASCADE, why text NOT NULL, PRIMARY KEY (act_id, question_id)
            );

            -- Whether who keeps a bank lets its questions be shown in folders of others.
            ALTER TABLE banks ADD COLUMN lends boolean NOT NULL DEFAULT false;
            ALTER TABLE topics ADD COLUMN position integer NOT NULL DEFAULT 0;

            ALTER TABLE questions ADD COLUMN binned_at timestamptz, ADD COLUMN uses integer NOT NULL DEFAULT 0, ADD COLUMN named boolean NOT NULL DEFAULT true;
            ALTER TABLE staged_questions ADD COLUMN named boolean NOT NULL DEFAULT true;

            -- Every list leaves out the bin, so its indexes do too.
            DROP INDEX questions_bank_created, questions_bank_difficulty, questions_bank_points, questions_bank_title, questions_bank_updated;
            CREATE INDEX questions_bank_created ON questions (bank_id, created_at DESC, id) WHERE binned_at IS NULL;
            CREATE INDEX questions_bank_difficulty ON questions (bank_id, coalesce(difficulty, 0), id) WHERE binned_at IS NULL;
            CREATE INDEX questions_bank_points ON questions (bank_id, points, id) WHERE binned_at IS NULL;
            CREATE INDEX questions_bank_title ON questions (bank_id, title, id) WHERE binned_at IS NULL;
            CREATE INDEX questions_bank_updated ON questions (bank_id, updated_at DESC, id) WHERE binned_at IS NULL;
            CREATE INDEX questions_bank_uses ON questions (bank_id, uses DESC, id) WHERE binned_at IS NULL;
            CREATE INDEX questions_sample ON questions (bank_id) WHERE get_byte(uuid_send(id), 15) < 16 AND binned_at IS NULL;
            CREATE STATISTICS questions_sampled ON (get_byte(uuid_send(id), 15)) FROM questions; -- so that the planner knows how small the sample is
            CREATE INDEX questions_bin ON questions (bank_id, binned_at) WHERE binned_at IS NOT NULL;

            -- How many assessments ask a question, kept beside it to be sorted by.
            CREATE FUNCTION count_uses() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
                UPDATE questions SET uses = (SELECT count(DISTINCT assessment_id) FROM assessment_uses WHERE question_id = questions.id) WHERE id IN (SELECT question_id FROM touched);
                RETURN NULL;
            END $$;
            CREATE TRIGGER uses_added AFTER INSERT ON assessment_uses REFERENCING NEW TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION count_uses();
            CREATE TRIGGER uses_gone AFTER DELETE ON assessment_uses REFERENCING OLD TABLE AS touched FOR EACH STATEMENT EXECUTE FUNCTION count_uses();
            UPDATE questions SET uses = counted.n FROM (SELECT question_id, count(DISTINCT assessment_id) AS n FROM assessment_uses GROUP BY question_id) AS counted WHERE counted.question_id = questions.id;

            -- As before, but for what lies in the bin: that is seen by who writes in its bank, and nowhere else.
            CREATE OR REPLACE FUNCTION visible_questions(person uuid) RETURNS TABLE (id uuid) LANGUAGE sql STABLE AS $$
                SELECT questions.id FROM questions WHERE questions.binned_at IS NULL AND questions.bank_id IN (SELECT bank_id FROM bank_roles(person))
                UNION
                SELECT placements.question_id FROM placements JOIN folders ON folders.id = placements.folder_id JOIN questions ON questions.id = placements.question_id AND questions.binned_at IS NULL
                WHERE folders.bank_id IN (SELECT bank_id FROM bank_roles(person))
            $$;

            -- As before, with the words counted together by ts_stat: that is four times as fast, and was a quarter of bringing questions in.
            CREATE OR REPLACE FUNCTION note_words(questions uuid[]) RETURNS void LANGUAGE plpgsql AS $$
            DECLARE home uuid; theirs uuid[];
            BEGIN
                FOR home, theirs IN SELECT one.bank_id, array_agg(one.id) FROM questions AS one WHERE one.id = ANY ($1) GROUP BY one.bank_id LOOP
                    INSERT INTO bank_words (bank_id, word)
                    SELECT home, found.word FROM ts_stat(format('SELECT words FROM question_search WHERE question_id = ANY (%L::uuid[])', theirs::text)) AS found WHERE found.word ~ '^[[:alpha:]]{4,40}$' ON CONFLICT DO NOTHING;
                END LOOP;
            END $$;
            SQL);
        // A title that is missing is the name that lists show, so what was written is asked for.
        DB::table('questions')->join('revisions', fn ($join) => $join->on('question_id', 'questions.id')->on('number', 'questions.revision'))->selectRaw("questions.id, coalesce(content->>'title', '') AS title")->orderBy('questions.id')->chunk(5000, function ($rows): void {
            $mute = array_values(array_filter($rows->all(), fn (\stdClass $row): bool => Naming::saysNothing(is_string($row->title) ? $row->title : '')));
            DB::table('questions')->whereIn('id', array_column($mute, 'id'))->update(['named' => false]);
        });
    }
};
