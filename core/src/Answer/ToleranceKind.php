<?php

declare(strict_types=1);

namespace WideQuarry\Answer;

enum ToleranceKind: string
{
    case Absolute = 'absolute'; // width in the key's unit
    case Percent = 'percent'; // width in per cent of the key
    case Places = 'places'; // agrees when both are rounded to so many decimals
    case Figures = 'figures'; // agrees when both are rounded to so many significant figures
}
