<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- a run checks a bank whole: specimens, and the rolls of questions whose values vary
            ALTER TABLE specimen_runs ADD varying integer NOT NULL DEFAULT 0, ADD bad integer NOT NULL DEFAULT 0;
            SQL);
    }
};
