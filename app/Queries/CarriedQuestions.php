<?php

declare(strict_types=1);

namespace App\Queries;

use App\Actions\Bulk\CarryPlan;
use App\Errors\Refused;
use App\Models\User;
use App\Search\QuestionFilter;
use App\Search\QuestionSearch;
use App\Search\Scope;
use Illuminate\Support\Facades\DB;
use WideQuarry\Messages\Message;

/** Which questions a carry-over takes along: what meets its filter, what lies in its folders, what its assessments ask. */
final readonly class CarriedQuestions
{
    private const MOST = 50_000;

    public function __construct(private QuestionSearch $search)
    {
    }

    /**
     * @param  string|null  $until  only those that were there by then
     * @return array{chosen: list<string>, asked: list<string>} asked: those that only assessments bring along
     * @throws Refused when they are too many
     */
    public function of(CarryPlan $plan, User $person, ?string $until = null): array
    {
        $filters = [
            ...$plan->filter === null ? [] : [$plan->filter],
            ...$plan->folders === [] ? [] : ['folder='.implode(',', $plan->folders)],
        ];
        $chosen = [];
        foreach ($filters as $filter) {
            $ids = $this->search->ids(Scope::bank($plan->from), QuestionFilter::fromQuery($filter), until: $until);
            $chosen += array_fill_keys($ids, true);
        }
        $asked = array_diff_key(array_fill_keys(self::asked($plan->assessments, $person), true), $chosen);
        if (count($chosen) + count($asked) > self::MOST) {
            throw Refused::because('carry.too_many', Message::of('app.actions.bulk.carry-too-many', ['most' => self::MOST]));
        }

        return ['chosen' => array_map(strval(...), array_keys($chosen)), 'asked' => array_map(strval(...), array_keys($asked))];
    }

    /**
     * @param  list<string>  $assessments
     * @return list<string> that the person may read
     */
    private static function asked(array $assessments, User $person): array
    {
        $rows = $assessments === [] ? [] : DB::select(
            <<<'SQL'
            SELECT DISTINCT questions.id FROM assessment_uses JOIN questions ON questions.id = question_id AND binned_at IS NULL
            WHERE assessment_id = ANY (?::uuid[]) AND EXISTS (SELECT 1 FROM visible_questions(?) AS visible
                WHERE visible.id = questions.id OFFSET 0)
            SQL,
            ['{'.implode(',', $assessments).'}', $person->id],
        );

        return array_values(array_filter(array_column($rows, 'id'), is_string(...)));
    }
}
