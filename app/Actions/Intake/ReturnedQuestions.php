<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Interchange\QuestionTable\Written\ReturnedRow;
use WideQuarry\Interchange\Typed\Written\Returned;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;

/** Questions of ours that come back in a document or a table: what that cannot say is taken from the question as it is stored. */
final readonly class ReturnedQuestions
{
    /** Formats of documents, as record.origin names them. */
    private const FORMATS = ['docx', 'odt', 'rtf', 'html', 'md', 'text', self::TABLE];

    private const TABLE = 'table';

    public function __construct(private PartKinds $kinds)
    {
    }

    /** The question with what was edited, where it is one that the person may read; else as it was read. */
    public function whole(\stdClass $question, ?string $person): \stdClass
    {
        $read = $question->record ?? null;
        $origin = $read instanceof \stdClass ? $read->origin ?? null : null;
        $id = $question->id ?? null;
        $isOurs = $origin instanceof \stdClass &&
            is_string($id) &&
            ($origin->identifier ?? null) === $id &&
            in_array($origin->format ?? null, self::FORMATS, true);
        if (! $isOurs || $person === null || ! Str::isUuid($id)) {
            return $question;
        }
        /** @var (object{content: string, record: string}&\stdClass)|null $row */
        $row = DB::selectOne(
            <<<'SQL'
            SELECT revisions.content, questions.record FROM questions JOIN revisions ON revisions.question_id = questions.id
                AND revisions.number = questions.revision
            WHERE questions.id = ?::uuid AND questions.binned_at IS NULL AND questions.bank_id IN (SELECT bank_id FROM bank_roles(?::uuid))
            SQL,
            [$id, $person],
        );
        $original = $row === null ? null : Json::decode($row->content);
        if ($row === null || ! $original instanceof \stdClass) {
            return $question;
        }
        if ($origin->format === self::TABLE) {
            $fields = ($origin->fields ?? null) instanceof \stdClass ? $origin->fields : new \stdClass;
            $columns = array_values(array_filter(is_array($fields->columns ?? null) ? $fields->columns : [], is_string(...)));
            $original->record = Json::decode($row->record);
            $merged = (new ReturnedRow($this->kinds))->merged($original, $question, $columns);
            $merged->id = $id;
            unset($fields->columns);
            $record = ($merged->record ?? null) instanceof \stdClass ? $merged->record : new \stdClass;
            $merged->record = (object) [...(array) $record, 'origin' => $origin];

            return $merged;
        }
        $merged = (new Returned($this->kinds))->merged($original, $question);
        $merged->id = $id;
        $record = (array) Json::decode($row->record);
        $topics = isset($read->topics) ? ['topics' => $read->topics] : [];
        $merged->record = (object) [...$record, ...$topics, 'origin' => $origin];

        return $merged;
    }
}
