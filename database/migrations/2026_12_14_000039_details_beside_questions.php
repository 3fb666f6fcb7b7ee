<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What each person wants to see beside questions, and what options of forms are called. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE users ADD details text[] NOT NULL DEFAULT '{standards,difficulty,state}';
            ALTER TABLE form_sets ADD labels text NOT NULL DEFAULT '';
            COMMENT ON COLUMN form_sets.labels IS 'what options were called on paper then; empty: as their questions say';
            COMMENT ON COLUMN users.details IS 'what stands beside questions in lists and on papers for authors';
            SQL);
    }
};
