<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

/** How the criteria of a rubric become points. */
enum RubricScheme: string
{
    /** A level for each criterion; their points add up. */
    case Analytic = 'analytic';

    /** One level for the whole answer. */
    case Holistic = 'holistic';

    /** Points that are there or not, with a most. */
    case Checklist = 'checklist';
}
