<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Written;

use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;

/** The words over the columns of tables written here; Mapping\Heading reads them back. */
final class Headings
{
    /** Columns in their order. Mark and feedback of an option stand behind it. */
    public const ORDER = [
        Meaning::Identifier, Meaning::Kind, Meaning::Title, Meaning::Passage, Meaning::Stem, Meaning::Picture, Meaning::PictureText,
        Meaning::Option, Meaning::Answer, Meaning::Unit, Meaning::Model, Meaning::Points, Meaning::Feedback, Meaning::FeedbackRight,
        Meaning::FeedbackWrong, Meaning::Hint, Meaning::Folder, Meaning::Topic, Meaning::Standard, Meaning::Tags, Meaning::Difficulty,
        Meaning::Level, Meaning::Minutes, Meaning::Language, Meaning::Source, Meaning::Author, Meaning::Notes,
    ];

    private const WORDS = [
        'identifier' => 'Identifier', 'kind' => 'Kind', 'title' => 'Title', 'passage' => 'Passage', 'question' => 'Question',
        'picture' => 'Picture', 'alternative text' => 'Alternative text', 'option' => 'Option', 'answer' => 'Answer', 'mark' => 'Share',
        'option feedback' => 'Feedback', 'unit' => 'Unit', 'model answer' => 'Model answer', 'points' => 'Points',
        'feedback' => 'Feedback', 'feedback when right' => 'Feedback when right', 'feedback when wrong' => 'Feedback when wrong',
        'hint' => 'Hint', 'folder' => 'Folder', 'topic' => 'Topic', 'standard' => 'Standard', 'tags' => 'Tags',
        'difficulty' => 'Difficulty', 'level' => 'Level', 'minutes' => 'Minutes', 'language' => 'Language', 'source' => 'Source',
        'author' => 'Author', 'notes' => 'Notes',
    ];

    /** @param  int  $at  which of several such columns, from 0 */
    public static function of(Meaning $meaning, int $at = 0, int $count = 1): string
    {
        $word = self::WORDS[$meaning->value] ?? $meaning->value;

        return match (true) {
            $meaning === Meaning::Option, $meaning === Meaning::OptionFeedback => "$word ".self::letter($at),
            $meaning === Meaning::Mark => 'Option '.self::letter($at).' share',
            $count > 1 => "$word ".($at + 1),
            default => $word,
        };
    }

    private static function letter(int $at): string
    {
        return $at < 8 ? chr(65 + $at) : (string) ($at + 1);
    }
}
