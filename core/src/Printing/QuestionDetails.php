<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Messages\Message;
use WideQuarry\Question\Detail;
use WideQuarry\Question\Question;
use WideQuarry\Scoring\ScoringContext;

/** What an author wants beside a question, as a table below it; what a question does not have is left out. */
final readonly class QuestionDetails
{
    private const NAMED = [
        'key' => 'printing.detail-key',
        'feedback' => 'printing.detail-feedback',
        'standards' => 'printing.detail-standards',
        'difficulty' => 'printing.detail-difficulty',
        'place' => 'printing.detail-place',
        'source' => 'printing.detail-source',
        'state' => 'printing.detail-state',
    ];

    private const STATES = [
        'draft' => 'printing.state-draft',
        'in_review' => 'printing.state-in_review',
        'approved' => 'printing.state-approved',
        'retired' => 'printing.state-retired',
    ];

    public function __construct(private ScoringContext $in, private Paper $paper)
    {
    }

    /**
     * @param  list<Detail>  $details
     * @param  list<array<string, mixed>>  $presented  the question's parts as they were presented
     *
     * @throws \WideQuarry\CoreException
     */
    public function html(PrintedQuestion $item, Question $question, array $details, array $presented): string
    {
        $rows = '';
        foreach ($details as $detail) {
            $said = $this->said($detail, $item, $question, $presented);
            $rows .= $said === ''
                ? ''
                : '<tr><th scope="row">'.Paper::text(Message::of(self::NAMED[$detail->value]))."</th><td>$said</td></tr>";
        }

        return $rows === '' ? '' : "<table class=\"details\"><tbody>$rows</tbody></table>";
    }

    /** @param  list<array<string, mixed>>  $presented */
    private function said(Detail $detail, PrintedQuestion $item, Question $question, array $presented): string
    {
        $record = $question->record;

        return match ($detail) {
            Detail::Key => (new PrintedKey($this->in, $this->paper))->html($question, $presented),
            Detail::Feedback => (new FeedbackList($this->in, $this->paper))->html($question, $presented),
            Detail::Standards => Paper::text(implode(', ', $item->standards)),
            Detail::Difficulty => (string) $record->classification->difficulty,
            Detail::Place => implode('<br>', array_map(Paper::text(...), [...$item->folders, ...$item->topics])),
            Detail::Source => Paper::text($record->provenance->source),
            Detail::State => Paper::text(Message::of(self::STATES[$record->status->value])),
        };
    }
}
