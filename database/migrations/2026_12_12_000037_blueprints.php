<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Demands that tests are assembled from. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- what a learner reads, and the letter of the key; derived, filled by the rebuilding of the index after an upgrade
            ALTER TABLE questions ADD reading_words integer NOT NULL DEFAULT 0, ADD key_letter text NOT NULL DEFAULT '';
            ALTER TABLE staged_questions ADD reading_words integer NOT NULL DEFAULT 0, ADD key_letter text NOT NULL DEFAULT '';
            CREATE TABLE blueprints (
                id uuid PRIMARY KEY, bank_id uuid NOT NULL REFERENCES banks ON DELETE CASCADE, title text COLLATE by_name NOT NULL,
                content jsonb NOT NULL, version integer NOT NULL DEFAULT 1,
                created_by uuid REFERENCES users ON DELETE SET NULL, updated_by uuid REFERENCES users ON DELETE SET NULL,
                created_at timestamptz NOT NULL DEFAULT now(), updated_at timestamptz NOT NULL DEFAULT now(), binned_at timestamptz
            );
            COMMENT ON TABLE blueprints IS 'what core/schema/blueprint.json describes';
            CREATE INDEX blueprints_bank ON blueprints (bank_id, title);
            CREATE INDEX assessments_blueprint ON assessments ((content->'blueprint'->>'id'));
            SQL);
    }
};
