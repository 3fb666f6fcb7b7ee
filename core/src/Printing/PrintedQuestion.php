<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use Brick\Math\BigRational;
use WideQuarry\Question\Question;

/** A question on its way to paper. */
final readonly class PrintedQuestion
{
    /**
     * @param  Question|null  $question  null when it is not there any more
     * @param  array<string, PrintedStimulus>  $stimuli  by id, in the order the question shows them
     * @param  \Closure(string): ?string  $media
     * @param  list<string>  $standards  codes of those it assesses
     * @param  list<string>  $topics  paths of its topics, as one reads them
     * @param  list<string>  $folders  paths of the folders it lies in, as one reads them
     */
    public function __construct(
        public string $entry,
        public ?Question $question,
        public BigRational $points,
        public string $title,
        public array $stimuli,
        public \Closure $media,
        public array $standards = [],
        public array $topics = [],
        public array $folders = [],
    ) {
    }
}
