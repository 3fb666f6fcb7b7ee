<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Typed documents: their paragraphs as read, and what their author corrected, which holds whenever they are read again. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE staged_things DROP CONSTRAINT staged_things_type_check;
            ALTER TABLE staged_things ADD CONSTRAINT staged_things_type_check
                CHECK (type IN ('stimulus', 'group', 'assessment', 'medium', 'notice', 'document'));
            ALTER TABLE intake_files ADD COLUMN corrections jsonb NOT NULL DEFAULT '{}';
            SQL);
    }
};
