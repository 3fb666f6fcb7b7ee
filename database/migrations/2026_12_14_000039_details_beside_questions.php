<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What each person wants to see beside questions. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE users ADD details text[] NOT NULL DEFAULT '{standards,difficulty,state}';
            COMMENT ON COLUMN users.details IS 'what stands beside questions in lists and on papers for authors';
            SQL);
    }
};
