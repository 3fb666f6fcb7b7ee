<?php

declare(strict_types=1);

namespace WideQuarry\Standards;

/** What is known of a statement or topic for proposals: its wording, and the words of the questions that are classified under it. */
final readonly class NodeModel
{
    /**
     * @param  list<string>  $above  itself and all it belongs to, from the top down
     * @param  list<string>  $wording  the stems of its wording that the question has too
     * @param  int  $length  all stems of its wording
     * @param  array<string, int>  $classified  stem → how many questions under it have it; of the stems that the question has
     * @param  int  $questions  classified under it
     * @param  int  $stems  of all questions under it, each once a question
     */
    public function __construct(
        public string $id,
        public array $above,
        public array $wording,
        public int $length,
        public array $classified = [],
        public int $questions = 0,
        public int $stems = 0,
        public bool $isOffered = true,
    ) {
    }
}
