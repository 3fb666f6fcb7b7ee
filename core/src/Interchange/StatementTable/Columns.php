<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\StatementTable;

use WideQuarry\Interchange\QuestionTable\Mapping\Heading;

/** Which column of a table is what, by the words of its heading. */
final readonly class Columns
{
    private const WORDS = [
        'id' => ['identifier', 'guid', 'uuid', 'uid', 'case identifier'],
        'code' => [
            'code', 'codes', 'statement code', 'standard code', 'human coding scheme', 'humancodingscheme', 'notation',
            'reference', 'ref', 'number', 'no',
        ],
        'text' => [
            'statement', 'statements', 'full statement', 'fullstatement', 'wording', 'text', 'standard', 'description',
            'objective', 'outcome', 'learning outcome', 'competency',
        ],
        'title' => ['title', 'short title', 'name', 'abbreviated statement', 'abbreviatedstatement', 'heading', 'short'],
        'parent' => [
            'parent', 'parent code', 'parent id', 'parent identifier', 'above', 'belongs to', 'broader', 'child of', 'ischildof',
            'is child of',
        ],
        'depth' => ['depth', 'indent', 'indentation', 'outline level', 'level number'],
        'level' => ['level', 'type', 'kind', 'item type', 'cfitemtype', 'statement type'],
        'notes' => ['notes', 'note', 'comment', 'comments', 'remarks', 'guidance'],
        'retired' => ['retired', 'withdrawn', 'deprecated', 'obsolete'],
        'replaced' => ['replaced by', 'replacedby', 'successor', 'superseded by'],
    ];

    /** Headings that say a row may be a question. */
    private const QUESTIONS =
        '/\b(question|stem|prompt|item text|answers?|options?|correct|key|choices?|distractors?|response|marks?|points|feedback)\b/u';

    /**
     * @param  array<string, int>  $at  what → column
     * @param  list<string>  $heading
     */
    private function __construct(public array $at, private array $heading)
    {
    }

    /** @param  list<string>  $heading */
    public static function of(array $heading): self
    {
        $words = array_map(
            fn (string $cell): string => trim(mb_strtolower((string) preg_replace('/[\s_\-]+/u', ' ', $cell)), " .:*\u{FEFF}"),
            $heading,
        );
        $at = [];
        foreach (self::WORDS as $what => $names) {
            foreach ($names as $name) {
                $column = array_search($name, $words, true);
                if ($column !== false && ! in_array($column, $at, true)) {
                    $at[$what] = $column;
                    break;
                }
            }
        }

        return new self($at, $words);
    }

    public function areStatements(): bool
    {
        return isset($this->at['code']) && (isset($this->at['text']) || isset($this->at['parent']));
    }

    public function couldBeQuestions(): bool
    {
        return preg_grep(self::QUESTIONS, $this->heading) !== [];
    }

    /** Whether the heading leaves no doubt: what is asked, and what is answered or chosen from. */
    public function areQuestions(): bool
    {
        return Heading::isOfQuestions($this->heading);
    }

    /** @param  list<string>  $cells */
    public function cell(array $cells, string $what): string
    {
        return isset($this->at[$what]) ? $cells[$this->at[$what]] ?? '' : '';
    }
}
