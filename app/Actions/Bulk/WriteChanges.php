<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Indexing\QuestionIndex;
use App\Models\User;
use App\Storage\ChangeLog;
use Illuminate\Support\Facades\DB;
use WideQuarry\Bulk\QuestionState;
use WideQuarry\Checks\Completeness;
use WideQuarry\Json\Json;
use WideQuarry\Question\Approval;
use WideQuarry\Question\Canonical;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Question\Record;
use WideQuarry\Search\SearchText;

/**
 * Writes how questions stand after a change, and logs what was: record, places, bin and home as they are, content as a new revision.
 *
 * @phpstan-import-type QuestionRow from ReadStates
 */
final class WriteChanges
{
    public function __construct(
        private readonly PartKinds $kinds,
        private readonly WritePlaces $places,
        private readonly MoveToBank $home,
    ) {
    }

    /**
     * @param  list<array{QuestionRow, QuestionState, QuestionState}>  $changes  row, before, after
     * @return int how many differ
     */
    public function handle(array $changes, string $bankId, User $person, string $act): int
    {
        $log = $topics = $folders = $records = $contents = $searched = $moved = [];
        foreach ($changes as [$row, $before, $after]) {
            $fields = ChangeLog::between($before->fields(), $after->fields());
            $revised = $after->content !== null && $after->content !== $before->content;
            if ($revised) {
                $fields['revision'] = [$row->revision, $row->revision + 1];
            }
            if ($before->isHome !== $after->isHome) {
                $moved[$row->id] = $row;
            }
            foreach ($fields as $field => [$old, $new]) {
                $log[] = ['question' => $row->id, 'field' => $field, 'before' => $old, 'after' => $new];
            }
            // topics are those of the bank where it lives, whatever bank the act is of
            if (isset($fields['topics']) && ! isset($moved[$row->id])) {
                $topics[$row->bank_id][$row->id] = $after->topics;
            }
            if (isset($fields['folders'])) {
                $folders[$row->id] = $after->folders;
            }
            $names = array_diff(array_keys($fields), ['topics', 'folders', 'revision']);
            if ($revised || array_intersect($names, Completeness::RECORD_FIELDS) !== []) {
                $contents[] = [$row, $after, $revised];
            } elseif ($names !== []) {
                $record = Record::read($after->record, '');
                $records[] = [...$this->row($row, $after), ...QuestionIndex::ofRecord($record)];
                if (array_intersect($names, SearchText::RECORD_FIELDS) !== []) {
                    $searched[$row->id] = [Record::read($before->record, ''), $record];
                }
            }
        }
        array_push($log, ...$this->home->handle($moved, $bankId, $changes));
        ChangeLog::rows($log, $person->id, $act);
        $this->contents($contents, $person);
        $this->update($records);
        if ($searched !== []) {
            $this->words($searched, $bankId);
        }
        foreach ($topics as $home => $paths) {
            $this->places->topics($paths, (string) $home);
        }
        if ($folders !== []) {
            $this->places->folders($folders, $bankId);
        }

        return count(array_unique(array_column($log, 'question')));
    }

    /** @param  array<string, array{Record, Record}>  $records  question → before, after */
    private function words(array $records, string $bankId): void
    {
        QuestionIndex::manyWords(QuestionIndex::searchUnder($records));
        $texts = array_map(
            fn (Record $after): string => implode("\n", [
                ...$after->classification->tags,
                $after->notes,
                $after->provenance->source,
                $after->provenance->author,
            ]),
            array_column($records, 1),
        );
        QuestionIndex::noteTexts(array_values(array_unique($texts)), $bankId);
    }

    /**
     * Those whose content is new, or whose completeness may change with the record.
     *
     * @param  list<array{QuestionRow, QuestionState, bool}>  $rows  row, after, whether its content is new
     */
    private function contents(array $rows, User $person): void
    {
        if ($rows === []) {
            return;
        }
        $missing = array_filter($rows, fn (array $one): bool => $one[1]->content === null);
        $stored = $missing === [] ? [] : ReadStates::contents(array_map(fn (array $one): string => $one[0]->id, array_values($missing)));
        $columns = $revisions = $words = [];
        foreach ($rows as [$row, $after, $revised]) {
            $json =
                $revised && $after->content !== null
                    ? Canonical::of($after->content)[0]
                    : Json::copy($after->content ?? $stored[$row->id]);
            assert($json instanceof \stdClass);
            $json->record = $after->record;
            $question = Question::read($json, $this->kinds);
            $columns[] = [...$this->row($row, $after, $revised), ...QuestionIndex::columns($question)];
            if ($revised) {
                $revisions[] = ['id' => $row->id, 'number' => $row->revision + 1, 'content' => $question->content()];
            }
            $words[] = ['id' => $row->id, ...QuestionIndex::search($question)];
        }
        if ($revisions !== []) {
            DB::insert(
                <<<'SQL'
                    INSERT INTO revisions (question_id, number, content, note, author_id)
                        SELECT id, number, content, 'changed together with others', ?
                        FROM jsonb_to_recordset(?::jsonb) AS one (id uuid, number integer, content jsonb)
                    SQL,
                [$person->id, Json::encode($revisions)],
            );
        }
        $this->update($columns);
        QuestionIndex::manyWords($words);
        QuestionIndex::note(array_column($words, 'id'));
    }

    /**
     * @param  QuestionRow  $row
     * @return array<string, mixed> the columns every changed question has
     */
    private function row(\stdClass $row, QuestionState $after, bool $revised = false): array
    {
        $revision = $row->revision + ($revised ? 1 : 0);

        return [
            'id' => $row->id,
            'record' => $after->record,
            'revision' => $revision,
            'updated_at' => now()->format('Y-m-d H:i:s.uP'),
            'approved_revision' => Approval::revision($after->record, $revision, $row->approved_revision),
            'binned_at' => $after->isBinned ? $row->binned_at ?? now()->format('Y-m-d H:i:s.uP') : null,
        ];
    }

    /** @param  list<array<string, mixed>>  $rows  all with the same columns */
    private function update(array $rows): void
    {
        if ($rows === []) {
            return;
        }
        $columns = array_diff(array_keys($rows[0]), ['id']);
        $set = implode(', ', array_map(fn (string $column): string => "$column = given.$column", $columns));
        DB::update(
            "UPDATE questions SET $set FROM jsonb_populate_recordset(NULL::questions, ?::jsonb) AS given WHERE questions.id = given.id",
            [Json::encode($rows)],
        );
    }
}
