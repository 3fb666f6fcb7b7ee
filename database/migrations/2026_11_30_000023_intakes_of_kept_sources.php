<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // true until the kept sources of its bank are gathered as its files
        DB::unprepared('ALTER TABLE intakes ADD gathers boolean NOT NULL DEFAULT false');
    }
};
