<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- For a person's desk: what they and others saved lately.
            CREATE INDEX revisions_author ON revisions (author_id, created_at DESC);
            CREATE INDEX revisions_created ON revisions (created_at DESC);
            SQL);
    }
};
