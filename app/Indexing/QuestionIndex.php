<?php

declare(strict_types=1);

namespace App\Indexing;

use Illuminate\Support\Facades\DB;
use WideQuarry\Checks\Completeness;
use WideQuarry\Checks\RollCheck;
use WideQuarry\Content\RichText;
use WideQuarry\Duplicates\Fingerprint;
use WideQuarry\Duplicates\MinHashSignature;
use WideQuarry\Finding;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Features;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\QuestionMedia;
use WideQuarry\Question\Record;
use WideQuarry\Question\UnhelpfulTitle;
use WideQuarry\Search\SearchText;
use WideQuarry\Search\Splitter;

/** Turns a question into its derived columns; the only place that does, so that they can be rebuilt. */
final class QuestionIndex
{
    /** Everything that is derived and stands in lists: columns of questions, and of staged ones. */
    public const COLUMNS = [
        'title',
        'stem',
        'kinds',
        'points',
        'has_variables',
        'is_complete',
        'specimens',
        'specimens_failing',
        'fingerprint',
        'near',
        'status',
        'difficulty',
        'tags',
        'level',
        'purpose',
        'licence',
        'author',
        'origin_format',
        'origin_identifier',
        'language',
        'has',
        'marking',
        'marker_minutes',
        'reading_words',
        'key_letter',
        'minutes',
        'source',
        'work',
        'named',
        'media',
    ];

    private const STEM = 400;

    /** Rolls that are looked at on saving: some 50 ms. The rest is looked at in the background. */
    public const ROLLS = 500;

    /** Text search configurations of PostgreSQL by language; others are not stemmed. */
    private const STEMMED = [
        'en' => 'english',
        'de' => 'german',
        'fr' => 'french',
        'es' => 'spanish',
        'it' => 'italian',
        'nl' => 'dutch',
        'sv' => 'swedish',
        'da' => 'danish',
        'nb' => 'norwegian',
        'fi' => 'finnish',
        'pt' => 'portuguese',
    ];

    /** @return array<string, mixed> columns of questions */
    public static function columns(Question $question): array
    {
        $findings = (new Completeness)->findings($question, self::ROLLS);

        return [...self::plain($question, RollCheck::areBad($findings)), ...self::judged($question, $findings)];
    }

    /**
     * What a check of the question gives, its specimens run.
     *
     * @param  list<Finding>|null  $findings  null to check it here
     * @return array{is_complete: bool, specimens: int, specimens_failing: int}
     */
    public static function judged(Question $question, ?array $findings = null): array
    {
        $completeness = new Completeness;
        $failing = $completeness->failingSpecimens($question);
        $blocking = array_filter(
            [...$findings ?? $completeness->findings($question, self::ROLLS), ...$failing],
            fn (Finding $finding): bool => $finding->isBlocking(),
        );

        return [
            'is_complete' => $blocking === [],
            'specimens' => count($question->record->specimens),
            'specimens_failing' => count($failing),
        ];
    }

    /** @return array<string, mixed> the columns that need no check of the question but whether some of its rolls are bad */
    public static function plain(Question $question, bool $hasBadRolls = false): array
    {
        $stem = mb_substr(str_replace("\n", ' ', RichText::read($question->body)->plain(false)), 0, self::STEM);
        $kinds = array_values(array_unique(array_map(fn (Part $part): string => $part->kindName, $question->parts)));

        return [
            'title' => $question->name(),
            'stem' => $stem,
            'kinds' => self::array($kinds),
            'points' => (string) Exact::toPlaces($question->points(), 4),
            'has_variables' => $question->variables->list !== [],
            'fingerprint' => Fingerprint::of($question),
            'near' => '{'.implode(',', MinHashSignature::of($question)).'}',
            'language' => $question->language,
            'has' => self::array([...Features::of($question), ...$hasBadRolls ? [Features::BAD_ROLLS] : []]),
            'marking' => Features::marking($question),
            'marker_minutes' => Features::markingMinutes($question),
            'reading_words' => Features::readingWords($question),
            'key_letter' => Features::keyLetter($question),
            // untitled questions are named by their first words
            'named' => trim($question->title) === '' || ! UnhelpfulTitle::saysNothing($question->title),
            'media' => self::array(QuestionMedia::of($question)),
            ...self::ofRecord($question->record),
        ];
    }

    /** @return array<string, mixed> the columns that come from the record alone */
    public static function ofRecord(Record $record): array
    {
        $origin = $record->provenance->origin ?? new \stdClass();

        return [
            'status' => $record->status->value,
            'difficulty' => $record->classification->difficulty,
            'tags' => self::array($record->classification->tags),
            'level' => $record->classification->level,
            'purpose' => self::array($record->classification->purpose),
            'licence' => $record->provenance->licence,
            'author' => $record->provenance->author,
            'minutes' => $record->classification->minutes,
            'source' => $record->provenance->source,
            'work' => $record->provenance->work,
            'origin_format' => is_string($origin->format ?? null) ? $origin->format : null,
            'origin_identifier' => is_string($origin->identifier ?? null) ? $origin->identifier : null,
        ];
    }

    /**
     * What it is found by: our own vector, the configuration and text its stems come from, and the words shown beside a find.
     *
     * @return array{vector: string, stemmed: string, plain: string, answers: string, rest: string}
     */
    public static function search(Question $question): array
    {
        return self::found(SearchText::of($question), $question->language);
    }

    /**
     * Of questions whose record alone has changed, from what is stored.
     *
     * @param  array<string, array{Record, Record}>  $records  question → before, after
     * @return list<array{id: string, vector: string, stemmed: string, plain: string, answers: string, rest: string}>
     */
    public static function searchUnder(array $records): array
    {
        /** @var list<object{id: string, title: string|null, body: string, language: string, answers: string,
            rest: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
                SELECT questions.id, content->>'title' AS title, content->>'body' AS body, questions.language, answers, rest
                    FROM questions JOIN revisions ON revisions.question_id = questions.id AND number = questions.revision
                    JOIN question_search ON question_search.question_id = questions.id WHERE questions.id = ANY (?::uuid[])
                SQL,
            ['{'.implode(',', array_keys($records)).'}'],
        );

        return array_map(
            fn (\stdClass $row): array => [
                'id' => $row->id,
                ...self::found(
                    SearchText::underRecord(
                        $row->id,
                        $row->title ?? '',
                        $row->body,
                        $row->answers,
                        $row->rest,
                        ...$records[$row->id],
                    ),
                    $row->language,
                ),
            ],
            $rows,
        );
    }

    /**
     * Notes words as those of a bank, by which misspelt ones are put right.
     *
     * @param  list<string>  $texts
     */
    public static function noteTexts(array $texts, string $bankId): void
    {
        $words = [];
        foreach (Splitter::words(implode("\n", $texts)) as $word) {
            foreach ([$word->whole, ...$word->pieces] as $form) {
                if (preg_match('/^\p{L}{4,40}$/uD', $form) === 1) {
                    $words[$form] = true;
                }
            }
        }
        if ($words !== []) {
            DB::insert(
                <<<'SQL'
                    INSERT INTO bank_words (bank_id, word) SELECT ?, word FROM jsonb_array_elements_text(?::jsonb) AS given (word)
                        ON CONFLICT DO NOTHING
                    SQL,
                [$bankId, Json::encode(array_map(strval(...), array_keys($words)))],
            );
        }
    }

    /** @return array{vector: string, stemmed: string, plain: string, answers: string, rest: string} */
    private static function found(SearchText $text, string $language): array
    {
        $language = self::STEMMED[strtolower(explode('-', $language)[0])] ?? 'simple';

        return [
            'vector' => $text->vector(),
            'stemmed' => $language,
            'plain' => mb_strcut($text->all(), 0, 500_000),
            'answers' => $text->answers,
            'rest' => $text->rest,
        ]; // a vector may hold 1 MB
    }

    /** Writes the search words of a question and of its stimuli; call stimuli() first. */
    public static function words(Question $question): void
    {
        DB::statement(
            <<<'SQL'
            INSERT INTO question_search (question_id, words, answers, rest)
                SELECT id, with_stimuli(id, vector::tsvector || stems(stemmed::regconfig, plain)), answers, rest
                FROM (VALUES (?::uuid, ?, ?, ?, ?, ?)) AS one (id, vector, stemmed, plain, answers, rest)
            ON CONFLICT (question_id) DO UPDATE SET words = excluded.words, answers = excluded.answers, rest = excluded.rest
            SQL,
            [$question->id, ...array_values(self::search($question))],
        );
        self::note([$question->id]);
    }

    /**
     * The same for many at once.
     *
     * @param  list<array{id: string, vector: string, stemmed: string, plain: string, answers: string, rest: string}>  $rows
     */
    public static function manyWords(array $rows): void
    {
        foreach (array_chunk($rows, 500) as $some) {
            DB::insert(
                <<<'SQL'
                INSERT INTO question_search (question_id, words, answers, rest)
                SELECT id, with_stimuli(id, vector::tsvector || stems(stemmed::regconfig, plain)), answers, rest
                    FROM jsonb_to_recordset(?::jsonb) AS one (id uuid, vector text, stemmed text, plain text, answers text, rest text)
                ON CONFLICT (question_id) DO UPDATE SET words = excluded.words, answers = excluded.answers, rest = excluded.rest
                SQL,
                [Json::encode($some)],
            );
        }
    }

    /**
     * Notes the words of questions as those of their bank, once they stand in question_search.
     *
     * @param  list<string>  $questions
     */
    public static function note(array $questions): void
    {
        DB::select('SELECT note_words(?::uuid[])', ['{'.implode(',', $questions).'}']);
    }

    /**
     * Writes which stimuli it shows: those it showed, and those that who saves it may read. So nobody comes to read a stimulus by naming
     * it.
     *
     * @param  string|null  $person  null for all that are there
     */
    public static function stimuli(Question $question, ?string $person): void
    {
        $named = '{'.implode(',', $question->stimuli).'}';
        DB::delete('DELETE FROM question_stimuli WHERE question_id = ? AND stimulus_id <> ALL (?::uuid[])', [$question->id, $named]);
        if ($question->stimuli !== []) {
            [$from, $bound] =
                $person === null
                    ? ['stimuli WHERE id = ANY (?::uuid[])', [$named]]
                    : ['readable_stimuli(?, ?::uuid[])', [$person, $named]];
            DB::insert("INSERT INTO question_stimuli (question_id, stimulus_id) SELECT ?, id FROM $from ON CONFLICT DO NOTHING", [
                $question->id,
                ...$bound,
            ]);
        }
    }

    /** @param  list<string>  $texts */
    public static function array(array $texts): string
    {
        return '{'.implode(',', array_map(fn (string $text): string => '"'.addcslashes($text, '"\\').'"', $texts)).'}';
    }
}
