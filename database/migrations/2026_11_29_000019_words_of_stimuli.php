<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE AGGREGATE joined_words(tsvector) (SFUNC = tsvector_concat, STYPE = tsvector, INITCOND = '');

            -- A question's own words with those of the stimuli it shows, which weigh least. A vector holds 1 MB; beyond that its own have to do.
            CREATE FUNCTION with_stimuli(shown_by uuid, own tsvector) RETURNS tsvector LANGUAGE plpgsql STABLE AS $$
            BEGIN
                RETURN own || coalesce((
                    SELECT setweight(joined_words(one.words), 'D') FROM (
                        SELECT stimuli.words FROM question_stimuli JOIN stimuli ON stimuli.id = stimulus_id WHERE question_id = shown_by ORDER BY stimulus_id
                    ) AS one
                ), '');
            EXCEPTION WHEN program_limit_exceeded THEN
                RETURN own;
            END $$;
            SQL);
    }
};
