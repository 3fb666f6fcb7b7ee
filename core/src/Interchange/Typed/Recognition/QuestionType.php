<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

/** What a typed question asks for, where its author says so or a table tells. */
enum QuestionType: string
{
    case Options = 'options';
    case Words = 'words';
    case Number = 'number';
    case Essay = 'essay';
    case Matching = 'matching';
    case Ordering = 'ordering';

    /** Whether the answer is typed. */
    public function isTyped(): bool
    {
        return in_array($this, [self::Words, self::Number, self::Essay], true);
    }
}
