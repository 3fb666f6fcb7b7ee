<?php

declare(strict_types=1);

namespace App\Policies;

use App\Errors\Refused;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\DrawSource;
use WideQuarry\Blueprints\Blueprint;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** What a blueprint may name: banks, questions and assessments that whoever names them can view, and conditions that a search knows. */
final class BlueprintTerms
{
    /**
     * @param  Blueprint|null  $before  what stood there already may stay
     *
     * @throws Malformed|Refused naming the place of what cannot be
     */
    public static function allow(Blueprint $blueprint, ?Blueprint $before, User $person): void
    {
        $readable = ReadableIds::of($person);
        $banks = $readable->banks($blueprint->banks);
        foreach ($blueprint->banks as $i => $bank) {
            if (! isset($banks[$bank]) && ! in_array($bank, $before->banks ?? [], true)) {
                throw Refused::because('bank.gone', Message::of('app.policies.no-such-bank'), "/banks/$i");
            }
        }
        $asked = self::each($blueprint->questions());
        $readable->allowQuestions($asked, array_values(self::each($before?->questions() ?? [])));
        self::allowAssessments($blueprint, $before, $person);
        foreach ($blueprint->named() as $path => $conditions) {
            if ($path !== '' && isset($conditions['words'])) {
                throw Malformed::unknownField("$path/where/words", 'words');
            }
        }
        // names are looked up in the banks that can be viewed: another manager may have added one that cannot
        $seen = array_keys($banks);
        $stood = $before === null ? [] : self::sources($before, $seen);
        $sources = self::sources($blueprint, $seen);
        DrawConditions::allowSources(array_intersect_key($sources, ['' => 1]), $stood, $person, 'conditions');
        DrawConditions::allowSources(array_diff_key($sources, ['' => 1]), $stood, $person, 'where');
    }

    /**
     * @param  list<string>  $banks
     * @return array<string, DrawSource>
     */
    private static function sources(Blueprint $blueprint, array $banks): array
    {
        return array_map(
            fn (array $conditions): DrawSource => new DrawSource('', 1, $conditions, $banks, [], true),
            $blueprint->named(),
        );
    }

    /**
     * @param  array<string, list<string>>  $lists  path → ids
     * @return array<string, string> path of each → id
     */
    private static function each(array $lists): array
    {
        $each = [];
        foreach ($lists as $path => $ids) {
            foreach ($ids as $i => $id) {
                $each["$path/$i"] = $id;
            }
        }

        return $each;
    }

    /** @throws Refused */
    private static function allowAssessments(Blueprint $blueprint, ?Blueprint $before, User $person): void
    {
        $stood = array_merge(...array_values($before?->assessments() ?? []), ...[[]]);
        foreach ($blueprint->assessments() as $key => $ids) {
            $new = array_values(array_diff($ids, $stood));
            $found = DB::table('assessments')
                ->whereIn('id', $new)
                ->whereRaw('bank_id IN (SELECT bank_id FROM bank_roles(?))', [$person->id])
                ->count();
            if ($found !== count($new)) {
                throw Refused::because('assessment.gone', Message::of('app.policies.no-such-assessment'), self::path($blueprint, $key));
            }
        }
    }

    private static function path(Blueprint $blueprint, string $key): string
    {
        foreach ($blueprint->rules as $i => $rule) {
            if ("rule/$rule->id" === $key) {
                return "/rules/$i/assessments";
            }
        }

        return '/rules';
    }
}
