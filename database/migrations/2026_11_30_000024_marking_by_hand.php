<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- how long a person needs to mark one response, derived; filled by the rebuilding of the index after an upgrade
            ALTER TABLE questions ADD marker_minutes numeric(10, 4) NOT NULL DEFAULT 0;
            ALTER TABLE staged_questions ADD marker_minutes numeric(10, 4) NOT NULL DEFAULT 0;
            ALTER TABLE prints DROP CONSTRAINT prints_which_check,
                ADD CHECK (which ~ '^(learner|key|scheme|notes)(,(learner|key|scheme|notes))*$');
            SQL);
    }
};
