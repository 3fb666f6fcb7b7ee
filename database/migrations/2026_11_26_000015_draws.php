<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- A draw uses every question of its pool; how many somebody is asked is no longer the number of uses.
            ALTER TABLE assessment_uses DROP CONSTRAINT assessment_uses_pkey, ADD PRIMARY KEY (assessment_id, entry, question_id);
            ALTER TABLE assessments ADD COLUMN asked integer NOT NULL DEFAULT 0;
            UPDATE assessments SET asked = (SELECT count(*) FROM assessment_uses WHERE assessment_id = assessments.id);
            SQL);
    }
};
