<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE acts RENAME TO bulk_operations;
            ALTER TABLE act_left RENAME TO bulk_skips;
            ALTER TABLE bulk_skips RENAME COLUMN act_id TO operation_id;
            ALTER TABLE changes RENAME COLUMN act_id TO operation_id;
            ALTER TABLE intakes RENAME COLUMN act_id TO operation_id;
            ALTER TABLE receipts RENAME COLUMN act_id TO operation_id;
            SQL);
    }
};
