<?php

declare(strict_types=1);

namespace App\Indexing;

use WideQuarry\Interchange\Notice;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Approval;
use WideQuarry\Question\Canonical;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Question\QuestionMedia;
use WideQuarry\Question\Status;

/** A question of an intake as a row: whole, cleaned, with every derived column ready. It needs no database. */
final class PreparedRow
{
    /**
     * @param  \stdClass  $json  with the codes of its standards matched
     * @param  array<string, string>  $media  as the file calls them → as they are called here
     * @return array{array<string, mixed>, list<Notice>} the row without its place, and what cleaning left out
     *
     * @throws \WideQuarry\Json\Malformed
     */
    public static function of(\stdClass $json, string $file, array $media, PartKinds $kinds): array
    {
        [$clean, $dropped] = Canonical::of($json);
        $clean = QuestionMedia::renamed($clean, $media);
        $question = Question::read($clean, $kinds);
        $notices = array_map(
            fn (array $lost): Notice => Notice::loss('content.dropped', $lost[1]->sentence(), $file, null, $question->id),
            $dropped,
        );
        array_push($notices, ...self::unmatched($question, $file));
        $columns = QuestionIndex::columns($question);
        $given = $clean->record ?? null; // nobody has to send one
        if ($columns['is_complete'] === false && $given instanceof \stdClass && Approval::isApproved($given)) {
            Approval::withdraw($given);
            $columns['status'] = Status::Draft->value;
            $notices[] = Notice::note(
                'status.not_complete',
                Message::of('app.indexing.approved-elsewhere-not-complete-here'),
                $file,
                null,
                $question->id,
            );
        }
        $record = (array) ($clean->record ?? []);
        $topics = $record['topics'] ?? [];
        unset($record['topics'], $clean->record);

        return [
            [
                'source_id' => $question->id,
                'content' => $clean,
                'record' => (object) $record,
                'topics' => $topics,
                ...$columns,
                ...QuestionIndex::search($question),
            ],
            $notices,
        ];
    }

    /** @return list<Notice> codes that belong to no statement here */
    private static function unmatched(Question $question, string $file): array
    {
        $notices = [];
        foreach ($question->record->classification->standards as $one) {
            if ($one->statement === null) {
                $said = Message::of('app.indexing.code-matches-nothing', ['code' => $one->code, 'framework' => $one->framework]);
                $notices[] = Notice::note('standards.unmatched', $said, $file, null, $question->id);
            }
        }

        return $notices;
    }
}
