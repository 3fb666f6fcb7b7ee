<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Stimulus\Stimulus;

return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            -- A stimulus is kept as a question is: revisions that never change, places, a bin. Title, language, body, stem and words are those of its newest revision.
            ALTER TABLE stimuli
                ADD COLUMN revision integer NOT NULL DEFAULT 1 CHECK (revision > 0), ADD COLUMN stem text NOT NULL DEFAULT '', ADD COLUMN words tsvector NOT NULL DEFAULT '',
                ADD COLUMN binned_at timestamptz, ADD COLUMN created_by uuid REFERENCES users ON DELETE SET NULL, ALTER COLUMN title TYPE text COLLATE by_name;
            CREATE INDEX stimuli_bank ON stimuli (bank_id, title, id) WHERE binned_at IS NULL;
            CREATE INDEX stimuli_words ON stimuli USING gin (words);
            CREATE TABLE stimulus_revisions (
                stimulus_id uuid NOT NULL REFERENCES stimuli ON DELETE CASCADE, number integer NOT NULL CHECK (number > 0), content jsonb NOT NULL, note text NOT NULL DEFAULT '',
                author_id uuid REFERENCES users ON DELETE SET NULL, created_at timestamptz NOT NULL DEFAULT now(), PRIMARY KEY (stimulus_id, number)
            );
            CREATE TRIGGER stimulus_revisions_immutable BEFORE UPDATE OF content, number, stimulus_id ON stimulus_revisions FOR EACH ROW EXECUTE FUNCTION refuse_change();
            CREATE TABLE stimulus_placements (
                stimulus_id uuid NOT NULL REFERENCES stimuli ON DELETE CASCADE, folder_id uuid NOT NULL REFERENCES folders ON DELETE CASCADE, PRIMARY KEY (stimulus_id, folder_id)
            );
            CREATE INDEX stimulus_placements_folder ON stimulus_placements (folder_id);

            -- Which stimuli the newest revision of a question names; derived by App\Support\QuestionIndex. A stimulus that is not there may be named.
            CREATE TABLE question_stimuli (
                question_id uuid NOT NULL REFERENCES questions ON DELETE CASCADE, stimulus_id uuid NOT NULL, PRIMARY KEY (question_id, stimulus_id)
            );
            CREATE INDEX question_stimuli_stimulus ON question_stimuli (stimulus_id);
            INSERT INTO question_stimuli (question_id, stimulus_id)
                SELECT DISTINCT questions.id, named.id::uuid FROM questions JOIN revisions ON revisions.question_id = questions.id AND revisions.number = questions.revision
                CROSS JOIN LATERAL jsonb_array_elements_text(coalesce(revisions.content->'stimuli', '[]')) AS named (id);
            CREATE INDEX staged_stimuli ON staged_things ((value->>'id')) WHERE type = 'stimulus';

            -- Of some stimuli those a person may read: where they live, where they are placed, and with the questions that show them.
            CREATE FUNCTION readable_stimuli(person uuid, wanted uuid[]) RETURNS TABLE (id uuid) LANGUAGE sql STABLE AS $$
                WITH mine AS MATERIALIZED (SELECT bank_id FROM bank_roles(person))
                SELECT stimuli.id FROM stimuli WHERE stimuli.id = ANY (wanted) AND (
                    stimuli.bank_id IN (SELECT bank_id FROM mine)
                    OR EXISTS (SELECT 1 FROM stimulus_placements JOIN folders ON folders.id = folder_id WHERE stimulus_id = stimuli.id AND folders.bank_id IN (SELECT bank_id FROM mine))
                    OR EXISTS (SELECT 1 FROM question_stimuli JOIN questions ON questions.id = question_id WHERE stimulus_id = stimuli.id AND questions.bank_id IN (SELECT bank_id FROM mine))
                    OR EXISTS (SELECT 1 FROM question_stimuli JOIN placements USING (question_id) JOIN folders ON folders.id = folder_id WHERE stimulus_id = stimuli.id AND folders.bank_id IN (SELECT bank_id FROM mine))
                )
            $$;
            SQL);
        foreach (DB::table('stimuli')->orderBy('id')->lazy() as $row) {
            assert($row instanceof \stdClass);
            $stimulus = Stimulus::read((object) array_filter(['id' => $row->id, 'title' => $row->title, 'language' => $row->language, 'body' => $row->body, 'origin' => is_string($row->origin) ? Json::decode($row->origin) : null], fn (mixed $value): bool => $value !== null));
            DB::table('stimuli')->where('id', $row->id)->update(['stem' => mb_substr($stimulus->text->plain(), 0, 400)]);
            DB::statement("UPDATE stimuli SET words = ?::tsvector || stems('english', title || ' ' || stem) WHERE id = ?", [$stimulus->vector(), $row->id]);
            DB::table('stimulus_revisions')->insert(['stimulus_id' => $row->id, 'number' => 1, 'content' => Json::encode($stimulus->toJson()), 'note' => 'brought in']);
        }
    }
};
