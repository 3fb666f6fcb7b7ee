<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Mapping;

/** What a column of a table of questions may hold. */
enum Meaning: string
{
    case Ignored = 'ignored';
    case Identifier = 'identifier';
    case Kind = 'kind';
    case Title = 'title';
    case Stem = 'question';
    case Passage = 'passage';
    /** One option, in a column of its own; in a table with a row per option, that row's. */
    case Option = 'option';
    /** All options in one cell. */
    case Options = 'options';
    /** The key, by letter, number, words, or as what is to be typed. */
    case Answer = 'answer';
    /** The words of a right answer; several columns for several. */
    case Right = 'right answer';
    /** The words of a wrong option. */
    case Wrong = 'wrong answer';
    /** Whether the option it belongs to is right, or its share of the points. */
    case Mark = 'mark';
    case OptionFeedback = 'option feedback';
    case Tolerance = 'tolerance';
    case Unit = 'unit';
    case Points = 'points';
    case Feedback = 'feedback';
    case FeedbackRight = 'feedback when right';
    case FeedbackWrong = 'feedback when wrong';
    case Hint = 'hint';
    case Model = 'model answer';
    case Picture = 'picture';
    case PictureText = 'alternative text';
    case Folder = 'folder';
    case Topic = 'topic';
    case Standard = 'standard';
    case Tags = 'tags';
    case Difficulty = 'difficulty';
    case Level = 'level';
    case Minutes = 'minutes';
    case Language = 'language';
    case Source = 'source';
    case Author = 'author';
    case Notes = 'notes';

    /** Whether several columns may hold it. */
    public function isRepeated(): bool
    {
        return in_array($this, [
            self::Ignored, self::Option, self::Right, self::Wrong, self::Mark, self::OptionFeedback, self::Hint, self::Topic,
            self::Standard,
            self::Tags, self::Answer, self::Picture, self::PictureText, self::Folder,
        ], true);
    }

    /** Whether a value that stands in merged cells is meant for every row beside them. */
    public function fillsDown(): bool
    {
        return ! in_array($this, [self::Stem, self::Identifier, self::Title, self::Option, self::Ignored], true);
    }
}
