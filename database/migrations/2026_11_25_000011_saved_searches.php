<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- Conditions on the questions of a bank under a name: a person's own, or for everybody who reads the bank.
            CREATE TABLE saved_searches (
                id uuid PRIMARY KEY, bank_id uuid NOT NULL REFERENCES banks ON DELETE CASCADE, user_id uuid NOT NULL REFERENCES users ON DELETE CASCADE, shared boolean NOT NULL DEFAULT false,
                name text NOT NULL COLLATE by_name CHECK (name <> ''), filter text NOT NULL, created_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX saved_searches_bank ON saved_searches (bank_id, name);
            SQL);
    }
};
