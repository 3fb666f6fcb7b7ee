<?php

declare(strict_types=1);

namespace WideQuarry\Question;

/** How far a question is on its way into assessments. */
enum Status: string
{
    case Draft = 'draft';
    case InReview = 'in_review';
    case Approved = 'approved';
    case Retired = 'retired';

    /** @return list<string> */
    public static function values(): array
    {
        return array_column(self::cases(), 'value');
    }
}
