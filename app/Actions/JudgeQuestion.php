<?php

declare(strict_types=1);

namespace App\Actions;

use App\Indexing\QuestionIndex;
use Illuminate\Support\Facades\DB;
use WideQuarry\Checks\Completeness;
use WideQuarry\Checks\RollCheck;
use WideQuarry\Json\Json;
use WideQuarry\Question\Features;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Study\RollStudy;

/** Runs the specimens of a stored question and studies all its rolls; what stands in lists is put right. */
final readonly class JudgeQuestion
{
    /** Nobody waits for it, but other work does. */
    private const SECONDS = 20.0;

    public const COLUMNS = 'questions.id, record, content, is_complete, specimens, specimens_failing, has_variables, has';

    public function __construct(private PartKinds $kinds)
    {
    }

    /** @return array{specimens: int, failing: bool, varies: bool, bad: bool, changed: bool} */
    public function handle(\stdClass $row): array
    {
        $json = Json::decode(is_string($row->content) ? $row->content : '');
        assert($json instanceof \stdClass && is_string($row->record) && is_string($row->has));
        $json->record = Json::decode($row->record);
        $question = Question::read($json, $this->kinds);
        $findings = (new Completeness)->findings($question, RollStudy::ROLLS, self::SECONDS);
        $judged = QuestionIndex::judged($question, $findings);
        $isBad = RollCheck::areBad($findings);
        $wasBad = preg_match('/[{,]'.Features::BAD_ROLLS.'[,}]/', $row->has) === 1;
        $was = ['is_complete' => $row->is_complete, 'specimens' => $row->specimens, 'specimens_failing' => $row->specimens_failing];
        $changed = $judged === $was && $isBad === $wasBad ? 0 : DB::update(
            // unless somebody has saved it meanwhile: then that judged it
            <<<'SQL'
                UPDATE questions SET is_complete = ?, specimens = ?, specimens_failing = ?,
                    has = array_remove(has, ?) || CASE WHEN ? THEN ARRAY[?]::text[] ELSE '{}'::text[] END
                    WHERE id = ? AND record = ?::jsonb AND revision = (SELECT max(number) FROM revisions
                    WHERE question_id = questions.id AND content = ?::jsonb)
                SQL,
            [...array_values($judged), Features::BAD_ROLLS, $isBad, Features::BAD_ROLLS, $row->id, $row->record, $row->content],
        );

        return [
            'specimens' => $judged['specimens'],
            'failing' => $judged['specimens_failing'] > 0,
            'varies' => $question->variables->list !== [],
            'bad' => $isBad,
            'changed' => $changed > 0,
        ];
    }
}
