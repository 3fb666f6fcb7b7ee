<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Tables as they were read, and how tables are read, kept by name for the next one alike. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE staged_things DROP CONSTRAINT staged_things_type_check;
            ALTER TABLE staged_things ADD CONSTRAINT staged_things_type_check
                CHECK (type IN ('stimulus', 'group', 'assessment', 'medium', 'notice', 'document', 'table'));
            CREATE TABLE table_mappings (
                id uuid PRIMARY KEY,
                user_id uuid NOT NULL REFERENCES users (id) ON DELETE CASCADE,
                name text NOT NULL CHECK (name <> '' AND length(name) <= 100),
                mapping jsonb NOT NULL,
                created_at timestamptz NOT NULL DEFAULT now(),
                UNIQUE (user_id, name)
            );
            SQL);
    }
};
