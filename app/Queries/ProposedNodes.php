<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\PostgresArray;
use Illuminate\Support\Facades\DB;
use WideQuarry\Search\Splitter;
use WideQuarry\Standards\NodeModel;
use WideQuarry\Standards\Proposal;
use WideQuarry\Standards\Proposals;

/** Statements or topics proposed for a question, from the wording of the tree and the questions classified in banks that may be read. */
final readonly class ProposedNodes
{
    private const MOST_STEMS = 120;

    /**
     * @param  'framework'|'topics'  $tree
     * @param  string  $id  of the framework, or of the bank whose topics they are
     * @param  list<string>  $banks  those that may be read
     */
    public function __construct(private string $tree, private string $id, private array $banks)
    {
    }

    /** @return list<array{node: string, words: list<string>}> the best first, with the words of the question that decided */
    public function for(string $question, int $most = 5): array
    {
        $stems = $this->stems($question);
        $proposals = $stems === [] ? [] : Proposals::for(array_fill_keys($stems, 1.0), $this->nodes($stems), $most);
        $words = $this->words($question, array_merge([], ...array_map(fn (Proposal $one): array => $one->stems, $proposals)));

        return array_map(
            fn (Proposal $one): array => [
                'node' => $one->node,
                'words' => array_values(array_unique(array_filter(array_map(fn (string $stem): string => $words[$stem] ?? '', $one->stems)))),
            ],
            $proposals,
        );
    }

    /** @return list<string> marked as in question_search: ~basalt */
    public function stems(string $question): array
    {
        /** @var list<object{lexeme: string}&\stdClass> $rows */
        $rows = DB::select(
            "SELECT lexeme FROM question_search, unnest(words) WHERE question_id = ? AND lexeme LIKE '~%' AND length(lexeme) > 2 LIMIT ?",
            [$question, self::MOST_STEMS],
        );

        return array_column($rows, 'lexeme');
    }

    /**
     * @param  list<string>  $stems
     * @param  string|null  $without  a question that is left out of what is classified, as if it were not
     * @return list<NodeModel>
     */
    public function nodes(array $stems, ?string $without = null): array
    {
        [$nodes, $bound] = $this->tree === 'framework'
            ? [
                <<<'SQL'
                    SELECT id, above, stems, retired FROM statements WHERE framework_id = ?
                    SQL,
                [$this->id],
            ]
            : [
                <<<'SQL'
                    SELECT topics.id, array(SELECT above.id FROM topics AS above WHERE topics.path <@ above.path ORDER BY nlevel(above.path))
                        AS above, tsvector_to_array(stems('english', topics.title)) AS stems, false AS retired
                    FROM topics JOIN banks ON banks.id = ? WHERE topics.team_id = banks.team_id OR topics.bank_id = banks.id
                    SQL,
                [$this->id],
            ];
        $list = '{'.implode(',', array_map(fn (string $stem): string => '"'.addcslashes($stem, '"\\').'"', $stems)).'}';
        /** @var list<object{id: string, above: string, length: int, retired: bool, wording: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<SQL
                WITH nodes AS ($nodes)
                SELECT nodes.id, above, cardinality(stems) AS length, retired,
                    array(SELECT one FROM unnest(stems) AS one WHERE one = ANY (?::text[])) AS wording
                FROM nodes
                SQL,
            [...$bound, $list],
        );
        $classified = $this->classified($list, array_column($rows, 'id'), $without);

        return array_map(fn (\stdClass $row): NodeModel => new NodeModel(
            $row->id,
            PostgresArray::read($row->above),
            PostgresArray::read($row->wording),
            $row->length,
            array_diff_key($classified[$row->id] ?? [], ['' => 0, '*' => 0]),
            $classified[$row->id][''] ?? 0,
            $classified[$row->id]['*'] ?? 0,
            ! $row->retired,
        ), $rows);
    }

    /**
     * @param  list<string>  $nodes
     * @return array<string, array<string, int>> node → word → questions
     */
    private function classified(string $stems, array $nodes, ?string $without): array
    {
        /** @var list<object{node_id: string, word: string, questions: int}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
                SELECT node_id, word, sum(questions)::int AS questions FROM classified_words
                WHERE word = ANY (?::text[] || ARRAY['', '*']) AND bank_id = ANY (?::uuid[]) AND node_id = ANY (?::uuid[])
                GROUP BY node_id, word
                SQL,
            [$stems, '{'.implode(',', $this->banks).'}', '{'.implode(',', $nodes).'}'],
        );
        $classified = [];
        foreach ($rows as $row) {
            $classified[$row->node_id][$row->word] = $row->questions;
        }

        return $without === null ? $classified : $this->forget($classified, $without, PostgresArray::read($stems));
    }

    /**
     * @param  array<string, array<string, int>>  $classified
     * @param  list<string>  $stems
     * @return array<string, array<string, int>>
     */
    private function forget(array $classified, string $question, array $stems): array
    {
        /** @var list<object{id: string}&\stdClass> $nodes */
        $nodes = DB::select(
            <<<'SQL'
                SELECT statement_id AS id FROM question_standards WHERE question_id = ? AND statement_id IS NOT NULL
                UNION SELECT topic_id FROM question_topics WHERE question_id = ?
                SQL,
            [$question, $question],
        );
        foreach (array_column($nodes, 'id') as $node) {
            foreach ($stems as $stem) {
                if (isset($classified[$node][$stem])) {
                    $classified[$node][$stem]--;
                }
            }
            if (isset($classified[$node][''])) {
                $classified[$node]['']--;
                $classified[$node]['*'] = max(0, ($classified[$node]['*'] ?? 0) - count($stems));
            }
            $classified[$node] = array_filter($classified[$node] ?? []);
        }

        return $classified;
    }

    /**
     * The words of a question that have these stems, as they stand in it.
     *
     * @param  list<string>  $stems
     * @return array<string, string> stem → word
     */
    private function words(string $question, array $stems): array
    {
        if ($stems === []) {
            return [];
        }
        $row = DB::selectOne(
            <<<'SQL'
                SELECT concat_ws(' ', title, content->>'body', answers, rest, (SELECT string_agg(concat(stimuli.title, ' ', stimuli.stem), ' ')
                    FROM question_stimuli JOIN stimuli ON stimuli.id = stimulus_id WHERE question_id = questions.id)) AS text,
                    questions.language
                FROM questions JOIN revisions ON revisions.question_id = questions.id AND number = revision
                LEFT JOIN question_search ON question_search.question_id = questions.id WHERE questions.id = ?
                SQL,
            [$question],
        );
        $text = $row instanceof \stdClass && is_string($row->text) ? html_entity_decode(strip_tags($row->text)) : '';
        $forms = [];
        foreach (Splitter::words(mb_strcut($text, 0, 20_000)) as $word) {
            foreach ([$word->whole, ...$word->pieces] as $form) {
                $forms[$form] = true;
            }
        }
        $list = '{'.implode(',', array_map(fn (string|int $form): string => '"'.addcslashes((string) $form, '"\\').'"', array_keys($forms))).'}';
        /** @var list<object{stem: string, form: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
                SELECT DISTINCT ON (stem) stem, form FROM unnest(?::text[]) WITH ORDINALITY AS given (form, place),
                    unnest(tsvector_to_array(stems('english', form))) AS stem
                WHERE stem = ANY (?::text[]) ORDER BY stem, place
                SQL,
            [$list, '{'.implode(',', array_map(fn (string $stem): string => '"'.addcslashes($stem, '"\\').'"', $stems)).'}'],
        );

        return array_column($rows, 'form', 'stem');
    }
}
