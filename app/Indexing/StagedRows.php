<?php

declare(strict_types=1);

namespace App\Indexing;

use Illuminate\Support\Facades\DB;
use WideQuarry\Interchange\Notice;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\PartKinds;

/** Questions of an intake as rows: whole, cleaned, with every derived column ready. */
final readonly class StagedRows
{
    public function __construct(private PartKinds $kinds, private MatchedCodes $codes)
    {
    }

    /**
     * @param  array<string, string>  $media  as the file calls them → as they are called here
     * @return array{array<string, mixed>, list<Notice>} the row without its place, and what cleaning left out
     *
     * @throws \WideQuarry\Json\Malformed
     */
    public function row(\stdClass $json, string $file, array $media = []): array
    {
        $this->match($json);

        return PreparedRow::of($json, $file, $media, $this->kinds);
    }

    /** Matches the codes of its standards to statements that are here. */
    public function match(\stdClass $json): void
    {
        try {
            if (($json->record ?? null) instanceof \stdClass) {
                $this->codes->in($json->record);
            }
        } catch (Malformed) {
            // whoever reads the question says so
        }
    }

    /** @param  string  $rows  JSON, as PreparedChunk has it */
    public function store(string $rows): void
    {
        $columns = implode(', ', QuestionIndex::COLUMNS);
        if ($rows !== '[]') {
            DB::statement(
                <<<SQL
                    INSERT INTO staged_questions (id, intake_id, file_id, position, number, source_id, content, record, topics, words,
                        answers, rest, $columns)
                SELECT id, intake_id, file_id, position, number, source_id, content, record, topics,
                    vector::tsvector || stems(stemmed::regconfig, plain), answers, rest, $columns
                FROM jsonb_to_recordset(?::jsonb) AS given (id uuid, intake_id uuid, file_id uuid, position integer, number integer,
                    source_id uuid, content jsonb, record jsonb, topics jsonb,
                    vector text, stemmed text, plain text, answers text, rest text, title text, stem text, kinds text[],
                        points numeric, has_variables boolean, is_complete boolean, specimens integer, specimens_failing integer,
                        fingerprint text, near integer[],
                    status text, difficulty smallint, tags text[], level text, purpose text[], licence text, author text,
                        origin_format text, origin_identifier text, language text, has text[], marking text,
                        marker_minutes numeric, minutes numeric,
                        reading_words integer, key_letter text, source text, work text, named boolean, media text[])
                ON CONFLICT (file_id, position) DO NOTHING
                SQL,
                [$rows],
            );
        }
    }

    /** The question of a staged row, whole: of its content, record and topics. */
    public static function json(\stdClass $row): \stdClass
    {
        /** @var object{content: string, record: string, topics: string}&\stdClass $row */
        $json = Json::object($row->content);
        $record = Json::object($row->record);
        $topics = Json::decode($row->topics);
        if ($topics !== []) {
            $record->topics = $topics;
        }
        $json->record = $record;

        return $json;
    }

    /**
     * Stores a staged question as it was edited; its place and its verdicts stay.
     *
     * @param  int|null  $base  the version it was started from; null when the caller holds the row's lock
     * @return bool false when somebody else has saved since, and nothing was stored
     */
    public function update(string $id, \stdClass $json, ?int $base = null): bool
    {
        [$row] = $this->row($json, '');
        $columns = array_intersect_key($row, array_flip(QuestionIndex::COLUMNS));
        $stored = DB::table('staged_questions')
            ->where('id', $id)
            ->when($base !== null, fn ($query) => $query->where('version', $base))
            ->update([
                ...$columns,
                'content' => Json::encode($row['content']),
                'record' => Json::encode($row['record']),
                'topics' => Json::encode($row['topics']),
                'answers' => $row['answers'],
                'rest' => $row['rest'],
                'version' => DB::raw('version + 1'),
            ]);
        if ($stored === 0) {
            return false;
        }
        DB::statement('UPDATE staged_questions SET words = ?::tsvector || stems(?::regconfig, ?) WHERE id = ?', [
            $row['vector'],
            $row['stemmed'],
            $row['plain'],
            $id,
        ]);

        return true;
    }
}
