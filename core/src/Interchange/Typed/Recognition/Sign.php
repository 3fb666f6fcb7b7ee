<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

/** What a question or its key was recognised by, under the name that `record.origin.fields.signs` has for it. */
enum Sign: string
{
    case Number = 'number';
    case Paragraph = 'paragraph';
    case Options = 'options';
    case PlainOptions = 'options-without-letters';
    case TrueFalse = 'true-false';
    case Gaps = 'gaps';
    case Menu = 'list-in-brackets';
    case Matching = 'matching';
    case Ordering = 'ordering';
    case Essay = 'essay';
    case Parts = 'parts';
    case Corrected = 'corrected';

    case TickedBox = 'ticked-box';
    case AnswerLine = 'answer-line';
    case AnswerBlank = 'answer-before-number';
    case AnswerWithin = 'answer-in-sentence';
    case KeySection = 'key-section';
    case MarkedOption = 'marked-option';
    case Bold = 'bold';
    case Italic = 'italic';
    case Underlined = 'underlined';
    case Highlighted = 'highlighted';
    case Coloured = 'coloured';
    case Struck = 'others-struck-out';
    case MarkedLetter = 'marked-letter';
    case Rows = 'same-row';

    /** From this on a key counts as sure. */
    public const SURE = 0.9;

    /** Of a key that something else in the document contradicts. */
    public const DISPUTED = 0.5;

    /** How certain a key is that this sign alone gives, from 0 to 1; 0 for a sign that gives none. */
    public function certainty(): float
    {
        return match ($this) {
            self::Corrected => 1.0,
            self::AnswerLine => 0.97,
            self::TickedBox, self::KeySection, self::AnswerBlank => 0.95,
            self::AnswerWithin => 0.9,
            // the same mark may mean something else, such as a question that is not asked this year
            self::MarkedOption, self::Bold, self::Underlined, self::Highlighted, self::Coloured, self::Struck, self::MarkedLetter => 0.8,
            self::Italic => 0.7, // names of species and ships are set so
            self::Rows => 0.6,
            default => 0.0,
        };
    }

    /** Of a look, as Evidence names it. */
    public static function ofLook(string $look): self
    {
        return match (explode(':', $look)[0]) {
            'bold' => self::Bold,
            'italic' => self::Italic,
            'underline' => self::Underlined,
            'highlight' => self::Highlighted,
            'colour' => self::Coloured,
            'unstruck' => self::Struck,
            'letter' => self::MarkedLetter,
            default => self::MarkedOption,
        };
    }
}
