<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use WideQuarry\Content\RichText;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** How learners go through an assessment. */
final readonly class RunSettings
{
    public const PURPOSES = ['marked', 'practice', 'choice'];

    private const FIELDS = ['purpose', 'feedback', 'attempts', 'shuffle', 'go_back', 'pages', 'cover'];

    /**
     * @param  'marked'|'practice'|'choice'  $purpose  choice: as the learner likes
     * @param  FeedbackTiming  $feedback  unless a section or an entry says otherwise
     * @param  bool  $shuffle  whether the questions of every section come in another order for everybody
     * @param  bool  $goBack  whether what was left can be answered again
     * @param  'one'|'all'  $pages  one question a page, or all on one
     * @param  string  $cover  what is shown before the first question, rich text
     * @param  EntrySettings  $settings  what all entries have, unless their section or they have their own
     */
    private function __construct(
        public string $purpose,
        public FeedbackTiming $feedback,
        public bool $shuffle,
        public bool $goBack,
        public string $pages,
        public string $cover,
        public EntrySettings $settings,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json ?? new \stdClass, $path, self::FIELDS);
        $purpose = $fields->oneOf('purpose', self::PURPOSES, 'marked');
        $usual = $purpose === 'practice' ? FeedbackTiming::EachTry : FeedbackTiming::AtEnd;
        $feedback = FeedbackTiming::from($fields->oneOf('feedback', array_column(FeedbackTiming::cases(), 'value'), $usual->value));
        $all = (object) ['feedback' => $feedback->value, ...$fields->has('attempts') ? ['attempts' => $fields->raw('attempts')] : []];

        return new self(
            $purpose, // @phpstan-ignore argument.type (one of PURPOSES)
            $feedback,
            $fields->bool('shuffle', false),
            $fields->bool('go_back', true),
            $fields->oneOf('pages', ['one', 'all'], 'one'), // @phpstan-ignore argument.type (one of the two)
            RichText::read($fields->string('cover', '', 400000))->html(),
            EntrySettings::read($all, $path),
        );
    }
}
