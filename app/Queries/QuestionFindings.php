<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Medium;
use WideQuarry\Checks\Completeness;
use WideQuarry\Finding;
use WideQuarry\Question\MediaFindings;
use WideQuarry\Question\Question;
use WideQuarry\Question\QuestionMedia;

/** Everything an author should look at in a question: what the core finds, and media that its bank does not have. */
final class QuestionFindings
{
    /**
     * @param  string|null  $bankId  null where it is of no bank yet, so that nobody can say
     * @return list<Finding>
     */
    public static function of(Question $question, ?string $bankId): array
    {
        $completeness = new Completeness;
        $named = $bankId === null ? [] : QuestionMedia::of($question);

        return [
            ...$completeness->findings($question),
            ...$completeness->failingSpecimens($question),
            ...$bankId === null || $named === [] ? [] : MediaFindings::missing($question->content(), self::there($bankId, $named)),
        ];
    }

    /**
     * @param  list<string>  $named
     * @return list<string>
     */
    private static function there(string $bankId, array $named): array
    {
        return array_values(array_filter(Medium::in($bankId)->whereIn('id', $named)->pluck('id')->all(), is_string(...)));
    }
}
