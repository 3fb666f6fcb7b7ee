<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- alt: null when nobody gave one, '' when the picture only decorates. given_sha256: of the file as it came, where it was changed on the way in.
            ALTER TABLE media ADD width integer, ADD height integer, ADD seconds numeric(10, 2), ADD alt text, ADD given_sha256 text,
                ADD created_by uuid REFERENCES users ON DELETE SET NULL, ADD binned_at timestamptz;
            CREATE INDEX media_bank ON media (bank_id, created_at DESC, id);
            CREATE INDEX media_given ON media (bank_id, given_sha256) WHERE given_sha256 IS NOT NULL;
            CREATE INDEX media_sha256 ON media (sha256);

            -- Narrower copies of pictures, by the bytes they were made of. No file: it could not be made.
            CREATE TABLE media_sizes (
                sha256 text NOT NULL, width integer NOT NULL, file text, type text NOT NULL DEFAULT '', bytes bigint NOT NULL DEFAULT 0, created_at timestamptz NOT NULL DEFAULT now(),
                PRIMARY KEY (sha256, width)
            );

            -- A file on its way, piece by piece.
            CREATE TABLE uploads (
                id uuid PRIMARY KEY, bank_id uuid NOT NULL REFERENCES banks ON DELETE CASCADE, user_id uuid NOT NULL REFERENCES users ON DELETE CASCADE, name text NOT NULL, alt text, bytes bigint NOT NULL,
                received bigint NOT NULL DEFAULT 0, updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX uploads_user ON uploads (user_id);

            -- The media that the newest revision names.
            ALTER TABLE questions ADD media text[] NOT NULL DEFAULT '{}';
            ALTER TABLE staged_questions ADD media text[] NOT NULL DEFAULT '{}';
            ALTER TABLE stimuli ADD media text[] NOT NULL DEFAULT '{}';

            CREATE FUNCTION pg_temp.media_in(content text) RETURNS text[] LANGUAGE sql IMMUTABLE AS $$
                SELECT coalesce(array_agg(DISTINCT coalesce(m[1], m[2])), '{}')
                FROM regexp_matches(content, 'data-(?:media|captions)=\\"([^"\\]+)\\"|"media": "([^"\\]+)"', 'g') AS m
            $$;
            UPDATE questions SET media = pg_temp.media_in(content::text) FROM revisions
                WHERE question_id = questions.id AND number = questions.revision AND content::text ~ '"media": "|data-(media|captions)=';
            UPDATE staged_questions SET media = pg_temp.media_in(content::text) WHERE content::text ~ '"media": "|data-(media|captions)=';
            UPDATE stimuli SET media = pg_temp.media_in(to_json(body)::text) WHERE body ~ 'data-(media|captions)=';

            CREATE INDEX questions_with_media ON questions (bank_id) WHERE media <> '{}';
            CREATE INDEX questions_media ON questions USING gin (media);
            CREATE INDEX stimuli_media ON stimuli USING gin (media);
            SQL);
    }
};
