<?php

declare(strict_types=1);

namespace App\Queries;

use App\Search\Conditions;
use App\Search\QuestionFilter;
use App\Search\Scope;
use App\Search\WordPlan;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\DrawSource;
use WideQuarry\Json\Malformed;

/**
 * What the conditions of draws find now, in one query however many draws there are. The pool is the same whoever looks: what somebody
 * may not read is counted, and not shown; who sets conditions has to be able to read the banks (`DrawConditions`).
 */
final class DrawPools
{
    public static function grow(Assessment $assessment): Assessment
    {
        $growing = $assessment->growing();
        if ($growing === []) {
            return $assessment;
        }
        $scopes = $pools = [];
        $all = null;
        foreach ($growing as $i => ['draw' => $draw, 'at' => $at, 'source' => $source]) {
            $pools[$draw][$at] = [];
            $found = self::matching($source, $scopes)
                ?->selectRaw('?::int AS source, questions.id', [$i])
                ->orderBy('questions.id')
                ->limit(DrawSource::POOL);
            $all = $found === null || $all === null ? $all ?? $found : $all->unionAll($found);
        }
        foreach ($all === null ? [] : DB::query()->fromSub($all, 'found')->orderBy('source')->orderBy('id')->get() as $row) {
            assert(is_int($row->source) && is_string($row->id));
            $pools[$growing[$row->source]['draw']][$growing[$row->source]['at']][] = $row->id;
        }

        return $assessment->grown($pools);
    }

    /**
     * @param  array<string, Scope>  $scopes  by the banks they are of
     * @return Builder|null null where the conditions cannot be understood any more; what was stored once is not lost for it
     */
    private static function matching(DrawSource $source, array &$scopes): ?Builder
    {
        try {
            $filter = self::filter($source);
        } catch (Malformed) {
            return null;
        }
        $banks = $source->banks;
        sort($banks);
        $scope = $scopes[implode(' ', $banks)] ??= Scope::banks($banks)->known();

        return Conditions::on($scope, $filter, plan: $filter->words->isEmpty() ? null : WordPlan::WordsFirst);
    }

    /** @throws Malformed naming the condition that cannot be one */
    public static function filter(DrawSource $source): QuestionFilter
    {
        $pairs = [];
        foreach ($source->conditions ?? [] as $name => $values) {
            foreach ($values as $value) {
                $pairs[] = urlencode($name).'='.urlencode($value);
            }
        }

        return QuestionFilter::fromQuery(implode('&', $pairs));
    }
}
