<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("CREATE INDEX question_search_title ON question_search USING gin (ts_filter(words, '{a}'));");
    }
};
