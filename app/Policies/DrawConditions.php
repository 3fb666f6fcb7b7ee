<?php

declare(strict_types=1);

namespace App\Policies;

use App\Errors\Refused;
use App\Models\User;
use App\Queries\ConditionNames;
use App\Queries\DrawPools;
use App\Search\QuestionFilter;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\DrawSource;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** What draws may look through: conditions that a search knows, in banks that whoever sets them can read. Nobody learns more by a draw. */
final class DrawConditions
{
    /**
     * @param  Assessment|null  $before  what it was made of: conditions that stood there already may stay
     *
     * @throws Malformed|Refused naming the place of what cannot be one
     */
    public static function allow(Assessment $document, ?Assessment $before, User $person): void
    {
        self::allowSources($document->namedConditions(), $before?->namedConditions() ?? [], $person, 'conditions');
    }

    /**
     * @param  array<string, DrawSource>  $sources  JSON Pointer → what is to be looked through
     * @param  array<string, DrawSource>  $before  what stood there already
     * @param  string  $field  under which its conditions stand
     *
     * @throws Malformed|Refused
     */
    public static function allowSources(array $sources, array $before, User $person, string $field): void
    {
        $stood = array_map(self::said(...), array_values($before));
        $new = array_filter($sources, fn (DrawSource $source): bool => ! in_array(self::said($source), $stood, true));
        $named = array_values(array_map(fn (DrawSource $one): array => $one->banks, $new));
        $banks = array_values(array_unique(array_merge(...$named, ...[[]])));
        $readable = $banks === [] ? [] : ReadableIds::of($person)->banks($banks);
        foreach ($new as $path => $source) {
            foreach ($source->banks as $i => $bank) {
                if (! isset($readable[$bank])) {
                    throw Refused::because('bank.gone', Message::of('app.policies.no-such-bank'), "$path/banks/$i");
                }
            }
            self::understand($source, "$path/$field");
        }
        $names = ConditionNames::in(array_values($new), $person);
        foreach ($new as $path => $source) {
            foreach ($names->gone($source) as $name) {
                throw Refused::because('draw.condition', Message::of('app.policies.condition-names-nothing'), "$path/$field/$name");
            }
        }
    }

    /** @throws Malformed|Refused */
    private static function understand(DrawSource $source, string $path): void
    {
        foreach (array_keys($source->conditions ?? []) as $name) {
            if (! QuestionFilter::knows($name)) {
                throw Malformed::unknownField("$path/$name", $name);
            }
        }
        try {
            $filter = DrawPools::filter($source);
        } catch (Malformed $problem) {
            throw $problem->under($path);
        }
        if ($filter->inBin() || in_array('binned', $filter->not['is'], true)) {
            throw Refused::because('draw.bin', Message::of('app.policies.no-draw-from-bin'), "$path/is");
        }
    }

    /** @return array<string, mixed> */
    private static function said(DrawSource $source): array
    {
        return ['conditions' => $source->conditions, 'banks' => $source->banks];
    }
}
