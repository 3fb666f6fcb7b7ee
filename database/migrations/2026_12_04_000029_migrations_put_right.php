<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** How an import is regrouped, what the old system is said to have had, and assumptions somebody is to confirm. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE intakes
                ADD COLUMN pattern text NOT NULL DEFAULT '',
                ADD COLUMN folder_names jsonb NOT NULL DEFAULT '{}',
                ADD COLUMN statements jsonb NOT NULL DEFAULT '[]';
            CREATE TABLE assumptions (
                receipt_id uuid NOT NULL REFERENCES receipts (id) ON DELETE CASCADE,
                number integer NOT NULL,
                statement jsonb NOT NULL,
                asked_id uuid REFERENCES users (id) ON DELETE SET NULL,
                asked_at timestamptz,
                confirmed_by uuid REFERENCES users (id) ON DELETE SET NULL,
                confirmed_at timestamptz,
                PRIMARY KEY (receipt_id, number)
            );
            CREATE INDEX assumptions_asked ON assumptions (asked_id);
            SQL);
    }
};
