<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- Frameworks of standards are the organisation's; several versions of one stand side by side.
            CREATE TABLE frameworks (
                id uuid PRIMARY KEY, title text NOT NULL COLLATE by_name CHECK (title <> ''), version text NOT NULL DEFAULT '',
                publisher text NOT NULL DEFAULT '',
                language text NOT NULL DEFAULT 'und', notes text NOT NULL DEFAULT '', retired boolean NOT NULL DEFAULT false, kept jsonb,
                identifier uuid NOT NULL,
                created_by uuid REFERENCES users ON DELETE SET NULL, created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            -- The id of a statement is its identifier in CASE, unless a second version of its framework says it again.
            CREATE TABLE statements (
                id uuid PRIMARY KEY, framework_id uuid NOT NULL REFERENCES frameworks ON DELETE CASCADE, identifier uuid NOT NULL,
                parent_id uuid REFERENCES statements ON DELETE CASCADE DEFERRABLE INITIALLY DEFERRED, above uuid[] NOT NULL,
                position integer NOT NULL,
                code text NOT NULL DEFAULT '', folded text NOT NULL DEFAULT '', title text NOT NULL DEFAULT '',
                text text NOT NULL DEFAULT '', level text NOT NULL DEFAULT '',
                notes text NOT NULL DEFAULT '', retired boolean NOT NULL DEFAULT false, kept jsonb,
                stems text[] NOT NULL GENERATED ALWAYS AS (tsvector_to_array(stems('english', title || ' ' || text))) STORED,
                UNIQUE (framework_id, identifier)
            );
            COMMENT ON COLUMN statements.above IS 'itself and all it belongs to';
            COMMENT ON COLUMN statements.folded IS 'its code as WideQuarry\Standards\StatementCode folds it';
            CREATE INDEX statements_order ON statements (framework_id, position);
            CREATE INDEX statements_parent ON statements (parent_id);
            CREATE INDEX statements_above ON statements USING gin (above);
            CREATE INDEX statements_folded ON statements (folded);
            CREATE TABLE statement_associations (
                from_id uuid NOT NULL, to_id uuid NOT NULL, kind text NOT NULL,
                framework_id uuid NOT NULL REFERENCES frameworks ON DELETE CASCADE,
                PRIMARY KEY (from_id, to_id, kind)
            );
            CREATE INDEX statement_associations_to ON statement_associations (to_id);
            CREATE INDEX statement_associations_framework ON statement_associations (framework_id);

            -- What the records of questions name, for finding and counting; the record says it, this follows.
            CREATE TABLE question_standards (
                question_id uuid NOT NULL REFERENCES questions ON DELETE CASCADE, place smallint NOT NULL, framework text NOT NULL,
                code text NOT NULL, folded text NOT NULL,
                named uuid, statement_id uuid REFERENCES statements ON DELETE SET NULL, touches boolean NOT NULL,
                PRIMARY KEY (question_id, place)
            );
            CREATE INDEX question_standards_statement ON question_standards (statement_id, question_id);
            CREATE INDEX question_standards_named ON question_standards (named) WHERE statement_id IS NULL;
            CREATE INDEX question_standards_unmatched ON question_standards (question_id) WHERE statement_id IS NULL;
            CREATE FUNCTION note_standards() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
                IF TG_OP = 'UPDATE' THEN
                    DELETE FROM question_standards WHERE question_id = NEW.id;
                END IF;
                INSERT INTO question_standards (question_id, place, framework, code, folded, named, statement_id, touches)
                    SELECT NEW.id, one.place, one.value->>'framework', one.value->>'code', lower(regexp_replace(one.value->>'code',
                    '\s+', '', 'g')),
                        (one.value->>'statement')::uuid, statements.id, coalesce(one.value->>'relation', '') = 'touches'
                    FROM jsonb_array_elements(NEW.record->'standards') WITH ORDINALITY AS one (value, place)
                    LEFT JOIN statements ON statements.id = (one.value->>'statement')::uuid;
                RETURN NULL;
            END $$;
            CREATE TRIGGER questions_standards_new AFTER INSERT ON questions FOR EACH ROW
                WHEN (NEW.record ? 'standards') EXECUTE FUNCTION note_standards();
            CREATE TRIGGER questions_standards_changed AFTER UPDATE OF record ON questions FOR EACH ROW
                WHEN (OLD.record->'standards' IS DISTINCT FROM NEW.record->'standards') EXECUTE FUNCTION note_standards();
            INSERT INTO question_standards (question_id, place, framework, code, folded, named, touches)
                SELECT questions.id, one.place, one.value->>'framework', one.value->>'code', lower(regexp_replace(one.value->>'code',
                '\s+', '', 'g')), NULL, false
                FROM questions, jsonb_array_elements(record->'standards') WITH ORDINALITY AS one (value, place) WHERE record ? 'standards';

            ALTER TABLE stimuli ADD COLUMN standards jsonb NOT NULL DEFAULT '[]';

            -- Keepers of a bank that is shared look after frameworks; everybody keeps a bank of their own.
            CREATE FUNCTION keeps_frameworks(person uuid) RETURNS boolean LANGUAGE sql STABLE AS $$
                SELECT EXISTS (SELECT 1 FROM users WHERE id = person AND is_administrator) OR EXISTS (
                    SELECT 1 FROM bank_roles(person) AS mine WHERE mine.role = 'keeper' AND EXISTS (
                        SELECT 1 FROM bank_grants WHERE bank_grants.bank_id = mine.bank_id AND bank_grants.user_id IS DISTINCT FROM person
                    )
                )
            $$;

            -- Who is classifying which question just now, so that several people on one bank get different ones.
            CREATE TABLE tagging_claims (
                question_id uuid PRIMARY KEY REFERENCES questions ON DELETE CASCADE,
                user_id uuid NOT NULL REFERENCES users ON DELETE CASCADE, until timestamptz NOT NULL
            );
            -- Under which statements and topics the words of classified questions stand, and in how many questions; by bank, so that
            -- nobody is helped by
            -- banks they may not read. The empty word says how many questions there are, and how many stems they have together.
            CREATE TABLE classified_words (
                bank_id uuid NOT NULL REFERENCES banks ON DELETE CASCADE, word text NOT NULL, nodes uuid[] NOT NULL,
                questions integer[] NOT NULL, stems integer[],
                PRIMARY KEY (bank_id, word)
            );
            CREATE TABLE classified_banks (
                bank_id uuid PRIMARY KEY REFERENCES banks ON DELETE CASCADE, counted_at timestamptz NOT NULL, questions integer NOT NULL
            );
            SQL);
    }
};
