<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- A bank of a team uses the team's tree of topics, any other its own.
            ALTER TABLE banks ADD COLUMN team_id uuid REFERENCES teams ON DELETE SET NULL;
            CREATE TABLE topics (
                id uuid PRIMARY KEY, team_id uuid REFERENCES teams ON DELETE CASCADE, bank_id uuid REFERENCES banks ON DELETE CASCADE, parent_id uuid REFERENCES topics ON DELETE CASCADE,
                title text NOT NULL COLLATE by_name CHECK (title <> ''), path ltree NOT NULL, created_at timestamptz NOT NULL DEFAULT now(), updated_at timestamptz NOT NULL DEFAULT now(),
                CHECK (num_nonnulls(team_id, bank_id) = 1), UNIQUE NULLS NOT DISTINCT (team_id, bank_id, parent_id, title)
            );
            CREATE INDEX topics_path ON topics USING gist (path);
            CREATE TABLE question_topics (
                question_id uuid NOT NULL REFERENCES questions ON DELETE CASCADE, topic_id uuid NOT NULL REFERENCES topics ON DELETE CASCADE, PRIMARY KEY (question_id, topic_id)
            );
            CREATE INDEX question_topics_topic ON question_topics (topic_id, question_id);

            -- More of the record as columns, for facets; derived by App\Support\QuestionIndex.
            ALTER TABLE questions
                ADD COLUMN tags text[] NOT NULL DEFAULT '{}', ADD COLUMN level text NOT NULL DEFAULT '', ADD COLUMN purpose text[] NOT NULL DEFAULT '{}',
                ADD COLUMN licence text NOT NULL DEFAULT '', ADD COLUMN author text NOT NULL DEFAULT '';
            CREATE INDEX questions_bank_updated ON questions (bank_id, updated_at DESC, id);
            CREATE INDEX questions_bank_points ON questions (bank_id, points, id);
            CREATE INDEX questions_bank_difficulty ON questions (bank_id, difficulty, id);
            CREATE INDEX questions_tags ON questions USING gin (tags);

            -- The stems of a text as words of their own, marked so that they meet only stems of a query.
            CREATE FUNCTION stems(config regconfig, plain text) RETURNS tsvector LANGUAGE sql IMMUTABLE STRICT AS $$
                SELECT array_to_tsvector(coalesce(array_agg('~' || lexeme), '{}')) FROM unnest(to_tsvector(config, plain))
            $$;

            -- Words beside the questions, not in them, so that lists and facets read narrow rows.
            CREATE TABLE question_search (
                question_id uuid PRIMARY KEY REFERENCES questions ON DELETE CASCADE, words tsvector NOT NULL, answers text NOT NULL, rest text NOT NULL
            );
            CREATE INDEX question_search_words ON question_search USING gin (words);

            -- One thing somebody did to one or many questions; what changed is in changes, field by field.
            CREATE TABLE acts (
                id uuid PRIMARY KEY, user_id uuid REFERENCES users ON DELETE SET NULL, kind text NOT NULL, undoes uuid UNIQUE REFERENCES acts ON DELETE CASCADE, created_at timestamptz NOT NULL DEFAULT now()
            );
            ALTER TABLE changes ADD COLUMN act_id uuid REFERENCES acts ON DELETE CASCADE;
            CREATE UNIQUE INDEX changes_act ON changes (act_id, question_id, field) WHERE act_id IS NOT NULL;
            CREATE INDEX folders_bank ON folders (bank_id);
            SQL);
    }
};
