<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Mapping;

/** How a table says which option is right. */
enum KeyStyle: string
{
    case Letter = 'letter';
    /** 1 is the first. */
    case Position = 'position';
    /** 0 is the first. */
    case FromZero = 'position from 0';
    case Words = 'words';
}
