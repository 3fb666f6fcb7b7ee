<?php

declare(strict_types=1);

namespace App\Queries;

use App\Search\Conditions;
use App\Search\QuestionFilter;
use App\Search\Scope;
use App\Search\WordPlan;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\DrawSource;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;

/**
 * What the conditions of draws find now, in one query however many draws there are. The pool is the same whoever looks: what somebody
 * may not read is counted, and not shown; who sets conditions has to be able to read the banks (`DrawConditions`).
 */
final class DrawPools
{
    /** So long a save is answered with what was found before: somebody typing a title does not have every pool looked up again. */
    private const SECONDS = 60;

    /** @param  bool  $isRemembered  whether what was found a moment ago will do */
    public static function grow(Assessment $assessment, bool $isRemembered = false): Assessment
    {
        $growing = $assessment->growing();
        if ($growing === []) {
            return $assessment;
        }
        $stamp = self::stamp($growing);
        $keys = array_map(fn (array $one): string => self::key($one['source'], $stamp), $growing);
        $known = $isRemembered ? array_filter(Cache::many($keys), is_string(...)) : [];
        $found = self::found(array_filter($growing, fn (int $i): bool => ! isset($known[$keys[$i]]), ARRAY_FILTER_USE_KEY));
        $new = [];
        foreach ($found as $i => $ids) {
            $new[$keys[$i]] = implode(' ', $ids);
        }
        if ($new !== []) {
            Cache::putMany($new, self::SECONDS);
        }
        $pools = [];
        foreach ($growing as $i => ['draw' => $draw, 'at' => $at]) {
            $ids = $new[$keys[$i]] ?? $known[$keys[$i]] ?? '';
            $pools[$draw][$at] = $ids === '' ? [] : explode(' ', $ids);
        }

        return $assessment->grown($pools);
    }

    private static function key(DrawSource $source, string $stamp): string
    {
        return 'draw.'.hash('sha256', Json::encode([$source->conditions, $source->banks, $stamp]));
    }

    /**
     * When a question of the banks was changed last: nothing is remembered beyond that. What is moved in a tree is known a minute later.
     *
     * @param  list<array{draw: string, at: int, source: DrawSource}>  $growing
     */
    private static function stamp(array $growing): string
    {
        $banks = array_unique(array_merge(...array_map(fn (array $one): array => $one['source']->banks, $growing)));
        $stamp = DB::scalar(
            <<<'SQL'
            SELECT string_agg(latest::text, ' ' ORDER BY bank) FROM unnest(?::uuid[]) AS given (bank)
                CROSS JOIN LATERAL (SELECT max(updated_at) AS latest FROM questions WHERE bank_id = bank AND binned_at IS NULL) AS of_bank
            SQL,
            ['{'.implode(',', $banks).'}'],
        );

        return is_string($stamp) ? $stamp : '';
    }

    /**
     * @param  array<int, array{draw: string, at: int, source: DrawSource}>  $growing
     * @return array<int, list<string>> what each finds
     */
    private static function found(array $growing): array
    {
        $scopes = $pools = [];
        $all = null;
        foreach ($growing as $i => ['source' => $source]) {
            $pools[$i] = [];
            $found = self::matching($source, $scopes)
                ?->selectRaw('?::int AS source, questions.id', [$i])
                ->orderBy('questions.id')
                ->limit(DrawSource::POOL);
            $all = $found === null || $all === null ? $all ?? $found : $all->unionAll($found);
        }
        foreach ($all === null ? [] : DB::query()->fromSub($all, 'found')->orderBy('source')->orderBy('id')->get() as $row) {
            assert(is_int($row->source) && is_string($row->id));
            $pools[$row->source][] = $row->id;
        }

        return $pools;
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
