<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Actions\SaveQuestion;
use App\Indexing\QuestionIndex;
use App\Indexing\StagedRows;
use App\Models\Bank;
use App\Models\Intake;
use App\Models\User;
use App\Queries\Topics;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Question\QuestionMedia;

/**
 * Some hundred staged questions on their way into a bank: new ones by copying rows, replaced ones as revisions.
 *
 * @phpstan-type StagedRow object{id: string, source_id: string, topics: string, grp: string|null, duplicate_of: string|null,
 *     duplicate_by: string|null, skipped: bool, decision: 'add'|'replace'|'skip'|null}&\stdClass
 */
final readonly class ImportChunk
{
    public function __construct(private PartKinds $kinds, private SaveQuestion $save, private ImportedSurroundings $surroundings)
    {
    }

    /** @param  array{added: list<StagedRow>, replaced: list<StagedRow>, skipped: list<StagedRow>}  $by  rows of staged_questions */
    public function store(Intake $intake, Bank $bank, User $person, array $by): void
    {
        $replace = $this->surroundings->bring($intake, $bank, $person);
        $places = $this->surroundings->places($intake, $bank, [...$by['added'], ...$by['replaced']]);
        $this->add($bank, $person, $by['added'], $replace, $places);
        foreach ($by['replaced'] as $row) {
            $this->replace($row, $person, (string) $intake->operation_id, $replace, $places[$row->id] ?? null);
        }
        DB::table('staged_questions')
            ->whereIn('id', array_column($by['skipped'], 'id'))
            ->update(['outcome' => 'skipped']);
        $this->surroundings->note($intake, $bank);
    }

    /**
     * What each staged question is to be called: by its own id, unless that is taken.
     *
     * @param  list<object{id: string, source_id: string}&\stdClass>  $rows
     * @param  array<string, string>  $places
     * @return list<array{staged: string, target: string, folder: string|null}>
     */
    private static function targets(array $rows, array $places): array
    {
        /** @var list<string> $there */
        $there = DB::table('questions')->whereIn('id', array_column($rows, 'source_id'))->pluck('id')->all();
        $taken = array_flip($there);
        $targets = [];
        foreach ($rows as $row) {
            $target = isset($taken[$row->source_id]) ? (string) Str::uuid7() : $row->source_id;
            $taken[$target] = true;
            $targets[] = ['staged' => $row->id, 'target' => $target, 'folder' => $places[$row->id] ?? null];
        }

        return $targets;
    }

    /**
     * The media of new questions by the names they have in the bank.
     *
     * @param  list<string>  $questions
     */
    private static function media(array $questions): void
    {
        /** @var array<string, string> $contents */
        $contents = DB::table('questions')
            ->join('revisions', fn (JoinClause $join) => $join->on('question_id', 'questions.id')->on('number', 'revision'))
            ->whereIn('questions.id', $questions)
            ->where('media', '<>', '{}')
            ->pluck('content', 'questions.id')
            ->all();
        foreach ($contents as $id => $content) {
            DB::table('questions')
                ->where('id', $id)
                ->update(['media' => QuestionIndex::array(QuestionMedia::in(Json::decode($content)))]);
        }
    }

    /** The stimuli of the new questions, as far as the person may read them. */
    private static function stimuli(string $given, string $list, User $person): void
    {
        DB::statement(
            <<<SQL
                WITH named AS (SELECT DISTINCT target, one.id::uuid AS stimulus FROM $given
                    JOIN revisions ON revisions.question_id = target AND revisions.number = 1 CROSS
                    JOIN LATERAL jsonb_array_elements_text(coalesce(revisions.content->'stimuli',
                    '[]')) AS one (id)) INSERT INTO question_stimuli (question_id, stimulus_id) SELECT target, stimulus FROM named
                    WHERE stimulus IN (SELECT id FROM readable_stimuli(?, (SELECT array_agg(DISTINCT stimulus) FROM named)))
                SQL,
            [$list, $person->id],
        );
    }

    /**
     * @param  list<StagedRow>  $rows
     * @param  array<string, string>  $replace  what to write instead of what in the JSON of a content
     * @param  array<string, string>  $places  staged question → folder
     */
    private function add(Bank $bank, User $person, array $rows, array $replace, array $places): void
    {
        if ($rows === []) {
            return;
        }
        $targets = self::targets($rows, $places);
        $columns = implode(', ', QuestionIndex::COLUMNS);
        [$content, $bound] = self::content($replace);
        $given =
            <<<'SQL'
                (SELECT * FROM jsonb_to_recordset(?::jsonb) AS one (staged uuid, target uuid)) AS given
                    JOIN staged_questions ON staged_questions.id = given.staged
                SQL;
        $list = Json::encode($targets);
        DB::statement(
            <<<SQL
                INSERT INTO questions (id, bank_id, revision, record, created_by, approved_revision, $columns)
                    SELECT target, ?, 1, record, ?, CASE WHEN status = 'approved' THEN 1 END, $columns FROM $given
                SQL,
            [$bank->id, $person->id, $list],
        );
        DB::statement(
            <<<SQL
                INSERT INTO revisions (question_id, number, content, note, author_id)
                    SELECT target, 1, $content, 'brought in', ? FROM $given
                SQL,
            [...$bound, $person->id, $list],
        );
        if ($replace !== []) {
            self::media(array_column($targets, 'target'));
        }
        self::stimuli($given, $list, $person);
        DB::statement(
            <<<SQL
                INSERT INTO question_search (question_id, words, answers, rest)
                    SELECT target, CASE WHEN EXISTS (SELECT FROM question_stimuli WHERE question_id = target)
                    THEN with_stimuli(target, words) ELSE words END, answers, rest FROM $given
                SQL,
            [$list],
        );
        QuestionIndex::note(array_column($targets, 'target'));
        if ($places !== []) {
            DB::statement(
                <<<'SQL'
                    INSERT INTO placements (question_id, folder_id) SELECT target, folder
                        FROM jsonb_to_recordset(?::jsonb) AS given (target uuid, folder uuid) WHERE folder IS NOT NULL
                    SQL,
                [$list],
            );
        }
        DB::statement(
            <<<'SQL'
                UPDATE staged_questions SET outcome = 'added', question_id = target, revision = 1
                    FROM jsonb_to_recordset(?::jsonb) AS given (staged uuid, target uuid) WHERE staged_questions.id = given.staged
                SQL,
            [$list],
        );
        $this->topics($bank, $rows, array_column($targets, 'target'));
    }

    /**
     * @param  list<StagedRow>  $rows
     * @param  list<string>  $targets  in their order
     */
    private function topics(Bank $bank, array $rows, array $targets): void
    {
        $wanted = [];
        $of = [];
        foreach ($rows as $i => $row) {
            /** @var list<list<string>> $paths */
            $paths = $row->topics === '[]' ? [] : Json::decode($row->topics);
            foreach ($paths as $path) {
                $key = Json::encode($path);
                $wanted[$key] = $path;
                $of[] = [$targets[$i], $key];
            }
        }
        if ($wanted === []) {
            return;
        }
        $topics = Topics::atAll($wanted, $bank->id);
        $joins = [];
        foreach ($of as [$question, $key]) {
            if ($topics[$key] !== null) {
                $joins[] = ['question_id' => $question, 'topic_id' => $topics[$key]];
            }
        }
        foreach (array_chunk($joins, 1000) as $some) {
            DB::table('question_topics')->insertOrIgnore($some);
        }
    }

    /**
     * @param  StagedRow  $row
     * @param  array<string, string>  $replace  what to write instead of what in the JSON of a content
     */
    private function replace(\stdClass $row, User $person, string $act, array $replace, ?string $folder): void
    {
        /** @var (object{id: string, revision: int, record: string, content: string}&\stdClass)|null $stored */
        $stored = DB::table('questions')
            ->join(
                'revisions',
                fn (JoinClause $join) => $join->on('revisions.question_id', 'questions.id')->on('revisions.number', 'questions.revision'),
            )
            ->where('questions.id', $row->duplicate_of)
            ->first(['questions.id', 'revision', 'record', 'content']);
        if ($stored === null) {
            return; // judged in this very transaction, so it is there
        }
        $json = StagedRows::json(
            DB::table('staged_questions')->where('id', $row->id)->firstOrFail(['content', 'record', 'topics']),
        );
        if ($replace !== []) {
            $json = Json::object(strtr(Json::encode($json), $replace));
        }
        $json->id = $stored->id;
        $topics = Topics::paths([$stored->id])[$stored->id] ?? [];
        $revision = $this->save->revise(
            Question::read($json, $this->kinds),
            $stored->revision,
            $person,
            'replaced by what was brought in',
            true,
            $act,
        );
        if ($folder !== null) {
            DB::table('placements')->insertOrIgnore(['question_id' => $stored->id, 'folder_id' => $folder]);
        }
        DB::table('staged_questions')
            ->where('id', $row->id)
            ->update([
                'outcome' => 'replaced',
                'question_id' => $stored->id,
                'revision' => $revision,
                'before' => Json::encode([
                    'revision' => $stored->revision,
                    'record' => Json::object($stored->record),
                    'topics' => $topics,
                ]),
            ]);
    }

    /**
     * The content with the id of its question, and with the new names of stimuli and media that had to be renamed. Mostly nothing
     * changes, and then it is copied as it is stored, without being unpacked, built and packed again.
     *
     * @param  array<string, string>  $replace  what to write instead of what in the JSON of a content
     * @return array{string, list<string>} an SQL expression and what is bound in it
     */
    private static function content(array $replace): array
    {
        if ($replace === []) {
            return ["CASE WHEN content->>'id' = target::text THEN content ELSE jsonb_set(content, '{id}', to_jsonb(target::text)) END", []];
        }
        $expression = 'content::text';
        $bound = [];
        foreach ($replace as $old => $new) {
            $expression = "replace($expression, ?, ?)";
            array_push($bound, $old, $new);
        }

        return ["jsonb_set(($expression)::jsonb, '{id}', to_jsonb(target::text))", $bound];
    }
}
