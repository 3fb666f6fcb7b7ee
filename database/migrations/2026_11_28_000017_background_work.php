<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- Signs of life of the workers; job names what one is busy with.
            CREATE TABLE workers (name text PRIMARY KEY, job text, beat_at timestamptz NOT NULL);

            -- How often work on a thing (an import, an export, a bulk action) was begun and did not come to an end: three times, then it has failed.
            CREATE TABLE work_tries (thing text PRIMARY KEY, tries integer NOT NULL DEFAULT 0, begun_at timestamptz NOT NULL DEFAULT now());

            -- What the installation knows of itself, such as which version its index has.
            CREATE TABLE settings (name text PRIMARY KEY, value text NOT NULL);

            -- Who was served last in a queue, so that one person's many jobs do not hold up everybody else's.
            CREATE TABLE queue_turns (queue text NOT NULL, user_id uuid NOT NULL, served_at timestamptz NOT NULL, PRIMARY KEY (queue, user_id));
            SQL);
    }
};
