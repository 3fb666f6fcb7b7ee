<?php

declare(strict_types=1);

namespace WideQuarry\Duplicates;

/** By what a question that comes in is known to be there already, the surest first. */
enum DuplicateMatch: string
{
    case Identifier = 'identifier'; // our own identifier: it went out from this bank
    case Origin = 'origin'; // the identifier it has where it comes from, brought in before
    case Words = 'words'; // the same words
    case Earlier = 'earlier'; // the same as an earlier question of this intake
    case Near = 'near'; // nearly the same words
    case NearEarlier = 'near_earlier'; // nearly the words of an earlier question of this intake

    /** The surer of two matches has the lower rank. */
    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }

    /**
     * What happens to a question of an intake.
     *
     * @param  bool  $skipped  taken out in the review
     * @param  self|null  $found  null when it is new
     * @param  'skip'|'add'|'replace'|null  $decision  for this question
     * @param  'skip'|'add'|'replace'  $usual  for all the others
     * @return 'skipped'|'added'|'replaced'
     */
    public static function outcome(bool $skipped, ?self $found, ?string $decision, string $usual): string
    {
        if ($skipped) {
            return 'skipped';
        }
        if ($found === null) {
            return 'added';
        }
        if ($decision === null && in_array($found, [self::Near, self::NearEarlier], true)) {
            return 'added'; // what is only like another is a question of its own, unless somebody says otherwise
        }
        // there is nothing in the bank yet that a twin within one intake could replace
        $wanted = $decision ?? $usual;
        $wanted = in_array($found, [self::Earlier, self::NearEarlier], true) && $wanted === 'replace' ? 'skip' : $wanted;

        return match ($wanted) {
            'add' => 'added',
            'replace' => 'replaced',
            default => 'skipped',
        };
    }
}
