<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Workers hear of a job when it is there. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE FUNCTION ring_for_jobs() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN NOTIFY jobs; RETURN NULL; END $$;
            CREATE TRIGGER jobs_bell AFTER INSERT ON jobs FOR EACH STATEMENT EXECUTE FUNCTION ring_for_jobs();
            SQL);
    }
};
