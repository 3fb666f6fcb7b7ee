<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- What new questions of a bank begin with (WideQuarry\Question\Defaults).
            ALTER TABLE banks ADD COLUMN defaults jsonb NOT NULL DEFAULT '{}';
            -- Beginnings of questions that a person keeps, for any bank.
            CREATE TABLE starts (
                id uuid PRIMARY KEY, user_id uuid NOT NULL REFERENCES users ON DELETE CASCADE, name text NOT NULL COLLATE by_name CHECK (name <> ''), content jsonb NOT NULL, created_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX starts_user ON starts (user_id, name);
            SQL);
    }
};
