<?php

declare(strict_types=1);

namespace App\Search;

use App\Indexing\QuestionIndex;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Builds SQL from a filter. Rights stand in the scope. */
final class Conditions
{
    /** One question in so many is of the sample. */
    public const SAMPLE = 16;

    /**
     * The questions of a scope that meet a filter.
     *
     * @param  string|null  $except  a dimension that is left out, for its own facet
     * @param  WordPlan|null  $plan  null to find out
     * @param  bool  $sampled  only the questions of the sample: those whose identifiers end so, which is chance and never changes
     */
    public static function on(
        Scope $scope,
        QuestionFilter $filter,
        ?string $except = null,
        ?WordPlan $plan = null,
        bool $sampled = false,
    ): Builder {
        $query = DB::table('questions');
        $scope->on($query);
        $query->whereRaw($filter->inBin() ? 'questions.binned_at IS NOT NULL' : 'questions.binned_at IS NULL');
        if (! $filter->words->isEmpty()) {
            self::words($query, $filter, $plan ?? (new Breadth)->plan($filter, $sampled) ?? WordPlan::WordsFirst, $sampled);
        } elseif (trim($filter->typed) !== '') {
            $query->whereRaw('false'); // only marks were typed, and no question has them
        }
        if ($sampled) {
            $query->whereRaw(self::sample('questions.id'));
        }
        self::filtered($query, $filter, $except);

        return $query;
    }

    private static function filtered(Builder $query, QuestionFilter $filter, ?string $except = null): void
    {
        foreach ($filter->values as $name => $values) {
            if ($values !== [] && $name !== $except) {
                [$sql, $bound] = self::dimension($name, $values);
                $query->whereRaw("($sql)", $bound);
            }
        }
        foreach (array_filter($filter->not) as $name => $values) {
            [$sql, $bound] = self::dimension($name, $values);
            $query->whereRaw("($sql) IS NOT TRUE", $bound);
        }
        foreach ($filter->ranges as $name => [$from, $to]) {
            self::range($query, $name, $from, $to);
        }
    }

    /**
     * Whether a question meets a filter that names no words, as an expression over `questions`.
     *
     * @return array{string, list<mixed>} SQL and what is bound in it
     */
    public static function expression(QuestionFilter $filter): array
    {
        $query = DB::table('questions');
        self::filtered($query, $filter);
        $sql = $query->getGrammar()->compileWheres($query);

        return [$sql === '' ? 'true' : substr($sql, strlen('where ')), $query->getBindings()];
    }

    /**
     * The questions that meet a filter of one condition, where they are found by what joins them to something: a topic, a folder, a
     * standard, a stimulus. Many such filters are cheaper joined once than asked one by one.
     *
     * @return array{string, list<mixed>}|null a SELECT of one column and what is bound in it; null for any other filter
     */
    public static function members(QuestionFilter $filter): ?array
    {
        $named = array_filter($filter->values);
        if (count($named) !== 1 || count($filter->names()) !== 1 || ! $filter->words->isEmpty()) {
            return null;
        }
        [$sql, $bound] = self::dimension((string) array_key_first($named), array_values($named)[0]);

        return preg_match('/^\s*questions\.id IN \((.*)\)\s*$/s', $sql, $inside) === 1 ? [$inside[1], $bound] : null;
    }

    private static function sample(string $id): string
    {
        return "get_byte(uuid_send($id), 15) < 256 / ".self::SAMPLE;
    }

    /** The planner cannot tell which plan is right, so it is told: OFFSET 0 keeps it from turning the first two into the last. */
    private static function words(Builder $query, QuestionFilter $filter, WordPlan $plan, bool $sampled): void
    {
        $tsquery = Stems::tsquery($filter->words);
        if ($plan === WordPlan::OrderFirst || $plan === WordPlan::Any) {
            $query
                ->join('question_search AS found', 'found.question_id', '=', 'questions.id')
                // IS TRUE keeps the words' index out of it
                ->whereRaw('(found.words @@ ?::tsquery)'.($plan === WordPlan::OrderFirst ? ' IS TRUE' : ''), [$tsquery]);

            return;
        }
        $query->joinSub(
            DB::table('question_search')
                ->select($filter->sort === 'best' ? ['question_id', 'words'] : ['question_id'])
                ->when(
                    $plan === WordPlan::TitlesFirst,
                    fn (Builder $titles): Builder => $titles->whereRaw(Breadth::TITLE.' @@ ?::tsquery', [$tsquery]),
                )
                ->whereRaw('words @@ ?::tsquery', [$tsquery])
                ->when($sampled, fn (Builder $some): Builder => $some->whereRaw(self::sample('question_id')))
                ->offset(0),
            'found',
            'found.question_id',
            '=',
            'questions.id',
        );
    }

    /**
     * A condition as SQL, so that it can be asked for and left out alike.
     *
     * @param  list<string>  $values  not empty
     * @return array{string, list<mixed>} SQL and what is bound in it
     */
    private static function dimension(string $name, array $values): array
    {
        $list = QuestionIndex::array($values);

        return match ($name) {
            'kind' => [
                'questions.kinds && ?::text[]'.(in_array(QuestionFilter::PAGE, $values, true) ? " OR questions.kinds = '{}'" : ''),
                [$list],
            ],
            'tag' => ['questions.tags && ?::text[]', [$list]],
            'purpose' => ['questions.purpose && ?::text[]', [$list]],
            'has' => ['questions.has && ?::text[]', [$list]],
            'medium' => ['questions.media && ?::text[]', [$list]],
            'status', 'author', 'level', 'licence', 'language', 'source', 'work' => ["questions.$name = ANY (?::text[])", [$list]],
            'marks' => ['questions.marking = ANY (?::text[])', [$list]],
            'difficulty' => ['questions.difficulty = ANY (?::smallint[])', [$list]],
            'bank' => ['questions.bank_id = ANY (ARRAY(SELECT id FROM banks WHERE slug = ANY (?::text[])))', [$list]],
            'by' => ['questions.created_by = ANY (?::uuid[])', [$list]],
            'editor' => ['questions.id IN (SELECT question_id FROM revisions WHERE number > 1 AND author_id = ANY (?::uuid[]))', [$list]],
            'topic' => [
                <<<'SQL'
                    questions.id IN (SELECT question_topics.question_id FROM question_topics
                        JOIN topics ON topics.id = question_topics.topic_id WHERE topics.path <@ ANY (SELECT path FROM topics
                        WHERE id = ANY (?::uuid[])))
                    SQL,
                [$list],
            ],
            'standard' => [
                <<<'SQL'
                    questions.id IN (SELECT question_standards.question_id FROM question_standards
                        WHERE question_standards.statement_id IN (SELECT id FROM statements WHERE above && ?::uuid[]))
                    SQL,
                [$list],
            ],
            'assesses' => [
                <<<'SQL'
                    questions.id IN (SELECT question_standards.question_id FROM question_standards
                        WHERE NOT touches AND question_standards.statement_id IN (SELECT id FROM statements WHERE above && ?::uuid[]))
                    SQL,
                [$list],
            ],
            'covers' => [
                <<<'SQL'
                    questions.id IN (WITH wanted AS (SELECT id FROM statements WHERE above && ?::uuid[])
                        SELECT question_standards.question_id FROM question_standards
                        WHERE NOT touches AND question_standards.statement_id IN (
                            SELECT id FROM wanted UNION SELECT from_id FROM statement_associations
                                WHERE kind IN ('exact', 'replaced_by', 'broader') AND to_id IN (SELECT id FROM wanted)
                            UNION SELECT to_id FROM statement_associations WHERE kind = 'exact' AND from_id IN (SELECT id FROM wanted)))
                    SQL,
                [$list],
            ],
            'framework' => [
                <<<'SQL'
                    questions.id IN (SELECT question_standards.question_id FROM question_standards
                        WHERE question_standards.statement_id IN (SELECT id FROM statements WHERE framework_id = ANY (?::uuid[])))
                    SQL,
                [$list],
            ],
            'unmatched' => [
                <<<'SQL'
                    questions.id IN (SELECT question_standards.question_id FROM question_standards
                        WHERE statement_id IS NULL AND code = ANY (?::text[]))
                    SQL,
                [$list],
            ],
            'folder' => [
                <<<'SQL'
                    questions.id IN (SELECT placements.question_id FROM placements JOIN folders ON folders.id = placements.folder_id
                        WHERE folders.path <@ ANY (SELECT path FROM folders WHERE id = ANY (?::uuid[])))
                    SQL,
                [$list],
            ],
            'titled' => [
                <<<'SQL'
                    questions.id IN (SELECT question_topics.question_id FROM question_topics
                        JOIN topics ON topics.id = question_topics.topic_id JOIN topics AS above ON topics.path <@ above.path
                        WHERE above.title = ANY (?::text[]))
                    SQL,
                [$list],
            ],
            'place' => ['questions.id IN (SELECT question_id FROM placements WHERE folder_id = ANY (?::uuid[]))', [$list]],
            'stimulus' => ['questions.id IN (SELECT question_id FROM question_stimuli WHERE stimulus_id = ANY (?::uuid[]))', [$list]],
            'no' => [implode(' AND ', array_map(self::missing(...), $values)), []],
            default => [implode(' AND ', array_map(self::is(...), $values)), []],
        };
    }

    /** A picture or recording is named that the bank does not have. One in its bin is shown all the same. */
    public const UNSEEN = <<<'SQL'
        (questions.media <> '{}' AND EXISTS (SELECT 1 FROM unnest(questions.media) AS named (id) WHERE NOT EXISTS
            (SELECT 1 FROM media WHERE media.bank_id = questions.bank_id AND media.id = named.id)))
        SQL;

    private static function is(string $value): string
    {
        $used = 'questions.uses > 0';

        return match ($value) {
            'varies' => 'questions.has_variables',
            'complete' => 'questions.is_complete',
            'shares' => 'EXISTS (SELECT 1 FROM question_stimuli WHERE question_stimuli.question_id = questions.id)',
            'specimens' => 'questions.specimens > 0',
            'failing' => 'questions.specimens_failing > 0',
            'unseen' => self::UNSEEN,
            'used' => $used,
            'unused' => "NOT $used",
            'binned' => 'true', // every condition says which side of the bin is meant; see on()
            default => 'NOT questions.is_complete',
        };
    }

    private static function missing(string $what): string
    {
        return match ($what) {
            'topic' => 'NOT EXISTS (SELECT 1 FROM question_topics WHERE question_topics.question_id = questions.id)',
            'standard' => 'NOT EXISTS (SELECT 1 FROM question_standards WHERE question_standards.question_id = questions.id)',
            'folder' => 'NOT EXISTS (SELECT 1 FROM placements WHERE placements.question_id = questions.id)',
            'tag' => "questions.tags = '{}'",
            'purpose' => "questions.purpose = '{}'",
            'author' => "questions.author = ''",
            'level' => "questions.level = ''",
            'licence' => "questions.licence = ''",
            'source' => "questions.source = ''",
            'minutes' => 'questions.minutes IS NULL',
            'name' => 'NOT questions.named',
            default => 'questions.difficulty IS NULL',
        };
    }

    /** Days count whole: to the end of the last. */
    private static function range(Builder $query, string $name, ?string $from, ?string $to): void
    {
        if ($name === 'used' || $name === 'not_used') {
            $query->whereRaw(
                'questions.id '.($name === 'used' ? '' : 'NOT ').<<<'SQL'
                    IN (SELECT question_id FROM question_occasions WHERE used_on >= coalesce(?::date, '-infinity')
                        AND used_on <= coalesce(?::date, 'infinity'))
                    SQL,
                [$from, $to],
            );

            return;
        }
        $column = [
            'points' => 'questions.points',
            'minutes' => 'questions.minutes',
            'marker_minutes' => 'questions.marker_minutes',
            'created' => 'questions.created_at',
            'changed' => 'questions.updated_at',
        ][$name];
        $day = in_array($name, QuestionFilter::DAYS, true);
        if ($from !== null) {
            $query->whereRaw("$column >= ?".($day ? '::date' : '::numeric'), [$from]);
        }
        if ($to !== null) {
            $query->whereRaw($day ? "$column < ?::date + 1" : "$column <= ?::numeric", [$to]);
        }
    }
}
