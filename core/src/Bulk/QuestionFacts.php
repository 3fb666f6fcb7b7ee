<?php

declare(strict_types=1);

namespace WideQuarry\Bulk;

/** What is known of a question that no change of many alters, but that may forbid one. */
final readonly class QuestionFacts
{
    /**
     * @param  bool  $isLent  whether its home bank lets it be placed in other banks
     * @param  bool  $mayWriteHome  whether who changes it may write where it lives
     * @param  int  $uses  how many assessments ask it
     * @param  string|null  $clash  the name of a picture of its own that stands for another picture in the bank it would move to
     */
    public function __construct(
        public bool $isComplete = true,
        public int $specimensFailing = 0,
        public bool $isLent = true,
        public bool $mayWriteHome = true,
        public int $uses = 0,
        public ?string $clash = null,
    ) {
    }
}
