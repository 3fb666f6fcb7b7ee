<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE EXTENSION IF NOT EXISTS fuzzystrmatch;
            -- The words that stand in a bank's questions, as they are looked for: so that a misspelt one leads to those that are there.
            -- Words that are gone from all questions may stay; what is proposed is counted before it is shown.
            CREATE TABLE bank_words (bank_id uuid NOT NULL REFERENCES banks ON DELETE CASCADE, word text NOT NULL, PRIMARY KEY (bank_id, word));
            CREATE INDEX bank_words_length ON bank_words (bank_id, length(word));
            CREATE FUNCTION note_words(questions uuid[]) RETURNS void LANGUAGE sql AS $$
                INSERT INTO bank_words (bank_id, word)
                SELECT DISTINCT questions.bank_id, lexeme FROM question_search JOIN questions ON questions.id = question_id CROSS JOIN LATERAL unnest(words) WHERE question_id = ANY ($1) AND lexeme ~ '^[[:alpha:]]{4,40}$'
                ON CONFLICT DO NOTHING
            $$;
            INSERT INTO bank_words (bank_id, word)
                SELECT DISTINCT bank_id, lexeme FROM question_search JOIN questions ON questions.id = question_id CROSS JOIN LATERAL unnest(words) WHERE lexeme ~ '^[[:alpha:]]{4,40}$';
            SQL);
    }
};
