<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Which parts of its packages an import reads may be chosen before they are read. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE intakes ADD COLUMN chooses boolean NOT NULL DEFAULT false;
            ALTER TABLE intakes DROP CONSTRAINT intakes_state_check, ADD CONSTRAINT intakes_state_check CHECK (state IN
                ('reading', 'choosing', 'review', 'correcting', 'committing', 'committed', 'undoing', 'cancelled', 'failed'));
            ALTER TABLE intake_files ADD COLUMN parts jsonb, ADD COLUMN chosen jsonb;
            SQL);
    }
};
