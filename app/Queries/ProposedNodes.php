<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\PostgresArray;
use Illuminate\Support\Facades\DB;
use WideQuarry\Search\Splitter;
use WideQuarry\Standards\NodeModel;
use WideQuarry\Standards\Proposal;
use WideQuarry\Standards\Proposals;

/**
 * Statements or topics proposed for a question, from the wording of the tree and the questions classified in banks that may be read.
 *
 * @phpstan-type Node array{above: list<string>, length: int, isOffered: bool, questions: int, stems: int}
 */
final class ProposedNodes
{
    private const MOST_STEMS = 120;

    /** Counts that are looked at for one question; rare stems first, as they decide (Y. Yang, J. Pedersen, ICML 1997). */
    private const MOST_COUNTS = 1500;

    private const FEWEST_STEMS = 4;

    /** @var array<string, Node>|null what does not change from question to question */
    private ?array $nodes = null;

    /** @var array<string, list<string>> stem → nodes in whose wording it stands */
    private array $wording = [];

    /**
     * @param  'framework'|'topics'  $tree
     * @param  string  $id  of the framework, or of the bank whose topics they are
     * @param  list<string>  $banks  those that may be read
     */
    public function __construct(private readonly string $tree, private readonly string $id, private readonly array $banks)
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
                'words' => self::called($one->stems, $words),
            ],
            $proposals,
        );
    }

    /**
     * @param  list<string>  $stems  in the order in which they decided
     * @param  array<string, string>  $words  stem → word
     * @return list<string>
     */
    private static function called(array $stems, array $words): array
    {
        return array_values(array_unique(array_filter(array_map(fn (string $stem): string => $words[$stem] ?? '', $stems))));
    }

    /** @return list<string> marked as in question_search: ~basalt */
    public function stems(string $question): array
    {
        /** @var list<object{lexeme: string}&\stdClass> $rows */
        $rows = DB::select(
            "SELECT lexeme FROM question_search, unnest(words) WHERE question_id = ? AND lexeme LIKE '~%' AND length(lexeme) > 2 LIMIT ?",
            [$question, self::MOST_STEMS],
        );

        return $this->telling(array_column($rows, 'lexeme'));
    }

    /**
     * Those that tell most: the rarer under statements and topics the better, as many as can be looked at while somebody waits.
     *
     * @param  list<string>  $stems
     * @return list<string>
     */
    private function telling(array $stems): array
    {
        /** @var list<object{word: string, nodes: int}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
                SELECT word, sum(cardinality(nodes))::int AS nodes FROM classified_words
                WHERE word = ANY (?::text[]) AND bank_id = ANY (?::uuid[]) GROUP BY word
                SQL,
            [self::list($stems), '{'.implode(',', $this->banks).'}'],
        );
        $nodes = array_column($rows, 'nodes', 'word');
        usort($stems, fn (string $a, string $b): int => ($nodes[$a] ?? 0) <=> ($nodes[$b] ?? 0));
        $kept = [];
        $counts = 0;
        foreach ($stems as $stem) {
            $counts += $nodes[$stem] ?? 0;
            if ($counts > self::MOST_COUNTS && count($kept) >= self::FEWEST_STEMS) {
                break;
            }
            $kept[] = $stem;
        }

        return $kept;
    }

    /** @param  list<string>  $texts */
    private static function list(array $texts): string
    {
        return '{'.implode(',', array_map(fn (string $text): string => '"'.addcslashes($text, '"\\').'"', $texts)).'}';
    }

    /**
     * @param  list<string>  $stems
     * @param  string|null  $without  a question that is left out of what is classified, as if it were not
     * @return list<NodeModel>
     */
    public function nodes(array $stems, ?string $without = null): array
    {
        $nodes = $this->tree();
        $wording = [];
        foreach ($stems as $stem) {
            foreach ($this->wording[$stem] ?? [] as $node) {
                $wording[$node][] = $stem;
            }
        }
        $classified = $this->classified($stems);
        foreach ($without === null ? [] : self::under($without) as $node) {
            if (isset($nodes[$node])) {
                $nodes[$node]['questions'] = max(0, $nodes[$node]['questions'] - 1);
                $nodes[$node]['stems'] = max(0, $nodes[$node]['stems'] - count($stems));
                $classified[$node] = array_filter(array_map(fn (int $count): int => $count - 1, $classified[$node] ?? []));
            }
        }
        $models = [];
        foreach ($nodes as $id => $one) {
            $models[] = new NodeModel(
                $id,
                $one['above'],
                $wording[$id] ?? [],
                $one['length'],
                $classified[$id] ?? [],
                $one['questions'],
                $one['stems'],
                $one['isOffered'],
            );
        }

        return $models;
    }

    /** @return array<string, Node> */
    private function tree(): array
    {
        if ($this->nodes !== null) {
            return $this->nodes;
        }
        [$sql, $bound] = $this->tree === 'framework'
            ? ['SELECT id, above, stems, retired FROM statements WHERE framework_id = ?', [$this->id]]
            : [
                <<<'SQL'
                    SELECT topics.id, array(SELECT above.id FROM topics AS above WHERE topics.path <@ above.path
                        ORDER BY nlevel(above.path)) AS above, tsvector_to_array(stems('english', topics.title)) AS stems, false AS retired
                    FROM topics JOIN banks ON banks.id = ? WHERE topics.team_id = banks.team_id OR topics.bank_id = banks.id
                    SQL,
                [$this->id],
            ];
        /** @var list<object{id: string, above: string, stems: string, retired: bool}&\stdClass> $rows */
        $rows = DB::select($sql, $bound);
        $this->nodes = [];
        foreach ($rows as $row) {
            $stems = match (true) {
                $row->stems === '{}' => [],
                str_contains($row->stems, '"') => PostgresArray::read($row->stems),
                default => self::items($row->stems),
            };
            foreach ($stems as $stem) {
                $this->wording[$stem][] = $row->id;
            }
            $this->nodes[$row->id] = [
                'above' => self::items($row->above),
                'length' => count($stems),
                'isOffered' => ! $row->retired,
                'questions' => 0,
                'stems' => 0,
            ];
        }
        $this->nodes = $this->weighed($this->nodes);

        return $this->nodes;
    }

    /**
     * With how many questions stand under each node, and how many stems they have together.
     *
     * @param  array<string, Node>  $nodes
     * @return array<string, Node>
     */
    private function weighed(array $nodes): array
    {
        foreach ($this->counts(['']) as $row) {
            [$questions, $stems] = [self::items($row->questions), self::items($row->stems ?? '')];
            foreach (self::items($row->nodes) as $i => $node) {
                if (isset($nodes[$node])) {
                    $nodes[$node]['questions'] += (int) $questions[$i];
                    $nodes[$node]['stems'] += (int) $stems[$i];
                }
            }
        }

        return $nodes;
    }

    /**
     * @param  list<string>  $stems
     * @return array<string, array<string, int>> node → stem → questions
     */
    private function classified(array $stems): array
    {
        $classified = [];
        foreach ($this->counts($stems) as $row) {
            $questions = self::items($row->questions);
            foreach (self::items($row->nodes) as $i => $node) {
                if (isset($this->nodes[$node])) { // and of no other tree
                    $classified[$node][$row->word] = ($classified[$node][$row->word] ?? 0) + (int) $questions[$i];
                }
            }
        }

        return $classified;
    }

    /**
     * @param  list<string>  $words
     * @return list<object{word: string, nodes: string, questions: string, stems: string|null}&\stdClass>
     */
    private function counts(array $words): array
    {
        /** @var list<object{word: string, nodes: string, questions: string, stems: string|null}&\stdClass> */
        return DB::select(
            'SELECT word, nodes, questions, stems FROM classified_words WHERE word = ANY (?::text[]) AND bank_id = ANY (?::uuid[])',
            [self::list($words), '{'.implode(',', $this->banks).'}'],
        );
    }

    /** @return list<string> statements and topics that a question is classified under */
    private static function under(string $question): array
    {
        /** @var list<object{id: string}&\stdClass> $nodes */
        $nodes = DB::select(
            <<<'SQL'
                SELECT statement_id AS id FROM question_standards WHERE question_id = ? AND statement_id IS NOT NULL
                UNION SELECT topic_id FROM question_topics WHERE question_id = ?
                SQL,
            [$question, $question],
        );

        return array_column($nodes, 'id');
    }

    /** @return list<string> of an array of PostgreSQL whose items need no quotes */
    private static function items(string $array): array
    {
        return explode(',', trim($array, '{}'));
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
                SELECT concat_ws(' ', title, content->>'body', answers, rest,
                    (SELECT string_agg(concat(stimuli.title, ' ', stimuli.stem), ' ')
                    FROM question_stimuli JOIN stimuli ON stimuli.id = stimulus_id WHERE question_id = questions.id)) AS text,
                    questions.language
                FROM questions JOIN revisions ON revisions.question_id = questions.id AND number = revision
                LEFT JOIN question_search ON question_search.question_id = questions.id WHERE questions.id = ?
                SQL,
            [$question],
        );
        $text = $row instanceof \stdClass && is_string($row->text) ? html_entity_decode(strip_tags($row->text)) : '';
        // a word begins as its stem does, mostly; so few have to be looked up
        $beginnings = array_flip(array_map(fn (string $stem): string => mb_substr($stem, 1, 2), $stems));
        $forms = [];
        foreach (Splitter::words(mb_strcut($text, 0, 20_000)) as $word) {
            foreach ([$word->whole, ...$word->pieces] as $form) {
                if (isset($beginnings[mb_substr($form, 0, 2)])) {
                    $forms[$form] = true;
                }
            }
        }
        $list = self::list(array_map(strval(...), array_keys($forms)));
        /** @var list<object{stem: string, form: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
                SELECT DISTINCT ON (stem) stem, form FROM unnest(?::text[]) WITH ORDINALITY AS given (form, place),
                    unnest(tsvector_to_array(stems('english', form))) AS stem
                WHERE stem = ANY (?::text[]) ORDER BY stem, place
                SQL,
            [$list, self::list($stems)],
        );

        return array_column($rows, 'form', 'stem');
    }
}
