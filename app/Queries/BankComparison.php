<?php

declare(strict_types=1);

namespace App\Queries;

use App\Errors\Refused;
use App\Models\Bank;
use App\Search\QuestionFilter;
use App\Search\QuestionSearch;
use App\Search\Scope;
use Illuminate\Support\Facades\DB;
use WideQuarry\CoreException;
use WideQuarry\Duplicates\Comparison;
use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Source;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\UnhelpfulTitle;

/** A bank, or what of it meets a filter, beside another or beside a file: only here, only there, the same, differing. */
final readonly class BankComparison
{
    /** Of each side; more are compared on the command line. */
    public const MOST = 5_000;

    /** Pairs that differ are shown up to here. */
    private const SHOWN = 500;

    public function __construct(private PartKinds $kinds, private QuestionSearch $search, private DocumentConverter $converter)
    {
    }

    /**
     * @return list<string> questions as JSON
     *
     * @throws Refused
     */
    public function ofBank(Bank $bank, string $filter): array
    {
        $ids = $this->search->ids(Scope::bank($bank->id), QuestionFilter::fromQuery($filter));
        self::few(count($ids), '/with');
        $rows = DB::select(
            <<<'SQL'
            SELECT jsonb_set(content, '{record}', record) AS json FROM questions
                JOIN revisions ON question_id = questions.id AND number = questions.revision WHERE questions.id = ANY (?::uuid[])
                ORDER BY title, questions.id
            SQL,
            ['{'.implode(',', array_filter($ids, is_string(...))).'}'],
        );

        return array_values(array_filter(array_column($rows, 'json'), is_string(...)));
    }

    /**
     * @return list<string> questions as JSON
     *
     * @throws CoreException
     */
    public function ofFile(string $path, string $name): array
    {
        $source = new Source($path, $name);
        $questions = [];
        foreach (Formats::standard($this->kinds, $this->converter)->for($source, Formats::QUESTIONS)->read($source) as $thing) {
            if ($thing instanceof \stdClass && ($thing->type ?? '') === 'question') {
                $questions[] = Json::encode($thing->value);
                self::few(count($questions), '/file');
            }
        }

        return $questions;
    }

    /**
     * @param  list<string>  $here
     * @param  list<string>  $there
     * @return array<string, mixed>
     */
    public function of(array $here, array $there): array
    {
        $found = new Comparison($here, $there, $this->kinds);
        $mine = fn (int $at): array => self::named($here[$at]);
        $theirs = fn (int $at): array => self::named($there[$at]);

        return [
            'same' => count($found->same),
            'differing' => array_map(fn (array $one): array => [
                'here' => $mine($one[0]),
                'there' => $theirs($one[1]),
                'by' => $one[2],
                'changes' => array_slice($one[3], 0, 50),
            ], array_slice($found->differing, 0, self::SHOWN)),
            'differ' => count($found->differing),
            'only_here' => array_map($mine, $found->onlyA),
            'only_there' => array_map($theirs, $found->onlyB),
        ];
    }

    /** @return array{id: string, title: string} */
    private static function named(string $json): array
    {
        $question = Json::decode($json);
        $field = function (string $name) use ($question): string {
            $value = $question instanceof \stdClass ? $question->{$name} ?? '' : '';

            return is_string($value) ? $value : '';
        };

        return ['id' => $field('id'), 'title' => UnhelpfulTitle::of($field('title'), $field('body'))];
    }

    /** @throws Refused */
    private static function few(int $count, string $path): void
    {
        if ($count > self::MOST) {
            throw Refused::because('compare.too_many', Message::of('app.queries.compare-too-many', ['most' => self::MOST]), $path);
        }
    }
}
