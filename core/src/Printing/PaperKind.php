<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

/** What an assessment can be printed as. */
enum PaperKind: string
{
    /** A first page of its own. */
    case Cover = 'cover';

    /** What learners write on. */
    case Learner = 'learner';

    /** Circles to fill, for what has options. */
    case Answers = 'answers';

    /** What is right, in a few words. */
    case Key = 'key';

    /** The keys of all forms in one table. */
    case Keys = 'keys';

    /** What earns points, what does not, and the rubrics. */
    case Scheme = 'scheme';

    /** Example answers with the examiner's remarks. */
    case Notes = 'notes';

    /** The questions with the details that the author wants beside them. */
    case Author = 'author';

    /** Questions by topic and by standard, for the author. */
    case Contents = 'contents';

    /** What it is called in the words of the paper. */
    public function word(): string
    {
        return $this === self::Learner ? 'question' : $this->value;
    }

    /** Whether there is one of each form, rather than one for all. */
    public function isOfForm(): bool
    {
        return $this !== self::Keys && $this !== self::Contents;
    }

    /**
     * How many papers there are of so many forms.
     *
     * @param  list<self>  $kinds
     * @param  int  $forms  0 for a test without forms
     */
    public static function count(array $kinds, int $forms): int
    {
        $ofForm = count(array_filter($kinds, fn (self $kind): bool => $kind->isOfForm()));

        return $ofForm * max(1, $forms) + count($kinds) - $ofForm;
    }

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
