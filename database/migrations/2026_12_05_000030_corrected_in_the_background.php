<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A large file is read again in the background: what its corrections go on from stays until that is done. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE intake_files ADD COLUMN corrected_from jsonb;
            ALTER TABLE intakes DROP CONSTRAINT intakes_state_check, ADD CONSTRAINT intakes_state_check
                CHECK (state IN ('reading', 'review', 'correcting', 'committing', 'committed', 'undoing', 'cancelled', 'failed'));
            SQL);
    }
};
