<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Indexing\QuestionIndex;
use App\Models\Bank;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Question\QuestionMedia;
use WideQuarry\Search\SearchText;

/**
 * A bank of any size for measuring, the same for the same seed: the demo's questions with other titles, stems and records.
 * Rows go in by COPY; words and columns are made by the same code as everywhere.
 */
final class LargeBankSeeder extends Seeder
{
    private const CHUNK = 2000;

    private const ROCKS = [
        'basalt',
        'granite',
        'slate',
        'schist',
        'gneiss',
        'limestone',
        'chalk',
        'sandstone',
        'mudstone',
        'conglomerate',
        'gabbro',
        'dolerite',
        'rhyolite',
        'tuff',
        'marble',
        'quartzite',
        'coal',
        'flint',
        'dolomite',
        'obsidian',
    ];

    private const PLACES = [
        'Fellmoor',
        'Carn Edge',
        'Harrow Beck',
        'Lund Gill',
        'Penhale Quarry',
        'Brisco Scar',
        'Silt Bay',
        'High Tarn',
        'Oxen Ford',
        'Marl Hill',
        'Raven Crag',
        'Long Strand',
    ];

    private const ABOUT = [
        'density',
        'foliation',
        'cleavage',
        'bedding',
        'porosity',
        'grain size',
        'cooling',
        'weathering',
        'transport',
        'deposition',
        'uplift',
        'erosion',
        'fracture',
        'lustre',
        'hardness',
        'age',
        'dip',
        'strike',
        'texture',
        'magnetism',
    ];

    private const TASKS = ['Describe', 'Explain', 'Estimate', 'Compare', 'Name', 'Sketch', 'Measure', 'Judge', 'Order', 'Find'];

    private const SEEN = [
        'in a thin section',
        'in a hand sample',
        'on a map of 1:25 000',
        'in a borehole',
        'on the foreshore at low water',
        'in a quarry face',
        'under a hand lens',
        'in a river bank after a flood',
        'along a motorway cutting',
        'in the core of a fold',
        'beside a dyke',
        'in a museum drawer',
    ];

    private const LEVELS = ['Year 7', 'Year 8', 'Year 9', 'Year 10', 'Year 11', 'Year 12', ''];

    private const SOURCES = ['Fellmoor field book', 'Penhale papers', 'Own', 'Lund Gill survey', '', ''];

    private const PURPOSES = [['homework'], ['test'], ['revision', 'homework'], ['entry check'], []];

    /** Every so many-th question is nearly the one before it, as in banks that have grown for years. */
    private const NEARLY = 40;

    private int $count = 0;

    /** @var array{string, string}|null title and stem of the question before */
    private ?array $before = null;

    /** @return string the slug of the bank */
    public function make(int $count, int $seed, string $keeper): string
    {
        mt_srand($seed);
        $this->count = $count;
        $bank = Bank::query()->create([
            'slug' => "large-$count",
            'name' => "Large bank of $count",
            'purpose' => 'Made by a seeded command, for measuring',
        ]);
        DB::table('bank_grants')->insert(['bank_id' => $bank->id, 'user_id' => $keeper, 'role' => 'keeper']);
        $topics = $this->topics($bank->id);
        $patterns = $this->patterns();
        for ($from = 0; $from < $count; $from += self::CHUNK) {
            $this->chunk($bank->id, $from, min(self::CHUNK, $count - $from), $patterns, $topics);
        }
        DB::insert(
            <<<'SQL'
                INSERT INTO bank_words (bank_id, word) SELECT DISTINCT bank_id, lexeme FROM question_search
                    JOIN questions ON questions.id = question_id CROSS JOIN LATERAL unnest(words)
                    WHERE bank_id = ? AND lexeme ~ '^[[:alpha:]]{4,40}$' ON CONFLICT DO NOTHING
                SQL,
            [$bank->id],
        );
        DB::unprepared('ANALYZE bank_words, questions, question_search, question_topics, revisions');

        return $bank->slug;
    }

    /**
     * @param  list<\stdClass>  $patterns
     * @param  list<string>  $topics
     */
    private function chunk(string $bankId, int $from, int $count, array $patterns, array $topics): void
    {
        $questions = $revisions = $words = $joins = $ids = $columns = [];
        for ($i = $from; $i < $from + $count; $i++) {
            $question = $this->question($i, $patterns[$i % count($patterns)]);
            $columns = [
                'id' => $question->id,
                'bank_id' => $bankId,
                'revision' => 1,
                'record' => Json::encode($question->toJson()->record ?? new \stdClass()),
                ...QuestionIndex::plain($question),
                'is_complete' => true,
            ];
            $ids[] = $question->id;
            $questions[] = self::row($columns);
            $revisions[] = self::row([$question->id, 1, Json::encode($question->content())]);
            $text = SearchText::of($question);
            $words[] = self::row([$question->id, $text->vector(), $text->answers, $text->rest]);
            $joins[] = self::row([$question->id, $topics[mt_rand(0, count($topics) - 1)]]);
        }
        $pdo = DB::connection()->getPdo();
        DB::transaction(function () use ($pdo, $questions, $revisions, $words, $joins, $columns, $ids): void {
            $copy = fn (string $table, array $rows, string $fields): bool => $pdo->pgsqlCopyFromArray(
                $table,
                $rows,
                "\t",
                '\\\\N',
                $fields,
            );
            $copy('questions', $questions, implode(',', array_keys($columns)));
            $copy('revisions', $revisions, 'question_id,number,content');
            $copy('question_search', $words, 'question_id,words,answers,rest');
            $copy('question_topics', $joins, 'question_id,topic_id');
            DB::statement(
                <<<'SQL'
                    UPDATE question_search SET words = words || stems('english',
                        questions.title || ' ' || questions.stem || ' ' || answers || ' ' || rest) FROM questions
                        WHERE questions.id = question_search.question_id AND question_search.question_id = ANY (?::uuid[])
                    SQL,
                [QuestionIndex::array($ids)],
            );
        });
    }

    /** @param  array<int, string>  $words  numbered from 0 */
    private static function pick(array $words): string
    {
        return $words[mt_rand(0, count($words) - 1)];
    }

    private function question(int $i, \stdClass $pattern): Question
    {
        $pick = self::pick(...);
        [$rock, $place, $about] = [$pick(self::ROCKS), $pick(self::PLACES), $pick(self::ABOUT)];
        $json = Json::copy($pattern);
        assert($json instanceof \stdClass && is_string($json->body));
        $json->id = sprintf(
            '0193b000-%04x-7%03x-8000-%012x',
            $i >> 16,
            $this->count & 0xFFF,
            $i,
        ) /* banks of two sizes may stand beside each other */;
        [$task, $seen] = [$pick(self::TASKS), $pick(self::SEEN)];
        $nearly = $i % self::NEARLY === self::NEARLY - 1 && $this->before !== null;
        [$title, $stem] = $this->before = $nearly
            ? [$this->before[0].' (2)', str_replace('was studied', 'has been studied', $this->before[1])]
            : [
                ucfirst($about)." of $rock at $place $i",
                "<p>At $place a block of $rock was studied for its $about (sample $i). $task what is seen $seen.</p>",
            ];
        $json->title = $title;
        $json->body = $stem.$json->body;
        $json->language = $i % 50 === 7 ? 'cy' : 'en-GB';
        unset($json->stimuli);
        $json->record = (object) [
            'level' => $pick(self::LEVELS),
            'purpose' => self::PURPOSES[mt_rand(0, 4)],
            'source' => $pick(self::SOURCES),
            'minutes' => mt_rand(1, 12) / 2,
            'status' => $pick(['draft', 'in_review', 'approved', 'approved', 'approved']),
            'difficulty' => mt_rand(1, 5),
            'tags' => array_values(array_unique([$rock, $pick(self::ABOUT)])),
            'author' => $pick(['Tam Brisco', 'Inés Varga', 'Orla Penhale', 'Wren Halloran']),
            'licence' => $pick(['CC-BY-4.0', 'CC-BY-4.0', 'CC0-1.0', '']),
        ];

        return Question::read($json, StandardKinds::all());
    }

    /** @return list<\stdClass> */
    private function patterns(): array
    {
        $patterns = [];
        foreach (['rocks', 'maps', 'water', 'field-maths'] as $slug) {
            $read = Json::decode((string) file_get_contents(DemoSeeder::source($slug)));
            array_push(
                $patterns,
                ...$read instanceof \stdClass && is_array($read->questions)
                    ? array_values(
                        array_filter($read->questions, fn (mixed $one): bool => $one instanceof \stdClass && self::isPlain($one)),
                    )
                    : [],
            );
        }

        return $patterns;
    }

    /** Pictures are in banks of their own; and what is measured stays the same mix as before. */
    private static function isPlain(\stdClass $question): bool
    {
        return QuestionMedia::in($question) === [] && ! str_contains(Json::encode($question), '<math');
    }

    /** @return list<string> twenty branches of five twigs */
    private function topics(string $bankId): array
    {
        $topics = [];
        foreach (self::ROCKS as $rock) {
            foreach (array_slice(self::ABOUT, 0, 5) as $about) {
                $topics[] = (string) \App\Queries\Topics::at([ucfirst($rock), ucfirst($about)], $bankId);
            }
        }

        return $topics;
    }

    /** @param  array<mixed>  $values in COPY's text format */
    private static function row(array $values): string
    {
        return implode(
            "\t",
            array_map(
                fn (mixed $value): string => match (true) {
                    $value === null => '\\N',
                    is_bool($value) => $value ? 't' : 'f',
                    default => strtr(is_scalar($value) ? (string) $value : '', [
                        '\\' => '\\\\',
                        "\n" => '\\n',
                        "\t" => '\\t',
                        "\r" => '\\r',
                    ]),
                },
                $values,
            ),
        );
    }
}
