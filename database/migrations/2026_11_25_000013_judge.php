<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- For what comes in: by what tells one question from others alone. Behind the bank, an index is as good as any other that begins
            -- with it as long as the bank is small or new to the statistics, and a search through the whole bank for each question is taken.
            DROP INDEX questions_bank_fingerprint;
            DROP INDEX questions_bank_origin;
            CREATE INDEX questions_fingerprint ON questions (fingerprint, bank_id);
            CREATE INDEX questions_origin ON questions (origin_identifier, origin_format, bank_id) WHERE origin_identifier IS NOT NULL;
            SQL);
    }
};
