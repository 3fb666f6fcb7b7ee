<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Content\Gaps;
use WideQuarry\Question\Question;
use WideQuarry\Variables\Roll;

/** What a part needs to know of its question when it is shown or scored. */
final readonly class ScoringContext
{
    public function __construct(
        public string $language,
        public NormaliseOptions $normalise,
        public Roll $roll,
        public Gaps $gaps = new Gaps(''),
    ) {
    }

    public static function of(Question $question, Roll $roll): self
    {
        return new self($question->language, $question->normalise, $roll, new Gaps($question->body));
    }
}
