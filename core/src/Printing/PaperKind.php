<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

/** What an assessment can be printed as. */
enum PaperKind: string
{
    /** What learners write on. */
    case Learner = 'learner';

    /** What is right, in a few words. */
    case Key = 'key';

    /** What earns points, what does not, and the rubrics. */
    case Scheme = 'scheme';

    /** Example answers with the examiner's remarks. */
    case Notes = 'notes';

    /**
     * @param  string  $list  "learner", or several as "scheme,notes"
     * @return list<self>|null in the order in which they lie on one another; null when one of them is none
     */
    public static function list(string $list): ?array
    {
        $names = explode(',', $list);
        $kinds = array_values(array_filter(self::cases(), fn (self $kind): bool => in_array($kind->value, $names, true)));

        return count($kinds) === count($names) ? $kinds : null;
    }
}
