<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed;

/** What a question or its key was recognised by, under the name that `record.origin.fields.signs` has for it. */
enum Sign: string
{
    case Number = 'number';
    case Options = 'options';
    case TrueFalse = 'true-false';
    case Gaps = 'gaps';
    case TickedBox = 'ticked-box';
    case AnswerLine = 'answer-line';
    case KeySection = 'key-section';
    case MarkedOption = 'marked-option';

    /** From this on a key counts as sure. */
    public const SURE = 0.9;

    /** Of a key that something else in the document contradicts. */
    public const DISPUTED = 0.5;

    /** How certain a key is that this sign alone gives, from 0 to 1; 0 for a sign that gives none. */
    public function certainty(): float
    {
        return match ($this) {
            self::AnswerLine => 0.97,
            self::TickedBox, self::KeySection => 0.95,
            // the same mark may mean something else, such as a question that is not asked this year
            self::MarkedOption => 0.8,
            self::Number, self::Options, self::TrueFalse, self::Gaps => 0.0,
        };
    }
}
