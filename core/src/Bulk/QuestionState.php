<?php

declare(strict_types=1);

namespace WideQuarry\Bulk;

/** How one question stands before or after it is changed together with others. */
final readonly class QuestionState
{
    /**
     * @param  \stdClass  $record  without topics
     * @param  list<list<string>>  $topics  paths of titles
     * @param  list<list<string>>  $folders  paths of names, in the bank where the change is made
     * @param  \stdClass|null  $content  the whole question without its record; null where no change asks for it
     * @param  bool  $isHome  whether it lives in the bank where the change is made
     */
    public function __construct(
        public string $title,
        public \stdClass $record,
        public array $topics,
        public array $folders,
        public ?\stdClass $content,
        public bool $isBinned,
        public bool $isHome,
        public QuestionFacts $facts,
    ) {
    }

    /**
     * @param  list<list<string>>  $topics
     * @param  list<list<string>>  $folders
     */
    public function after(\stdClass $record, array $topics, array $folders, ?\stdClass $content, bool $isBinned, bool $isHome): self
    {
        return new self($this->title, $record, $topics, $folders, $content, $isBinned, $isHome, $this->facts);
    }

    /**
     * What is logged field by field; content has revisions instead.
     *
     * @return array<string, mixed>
     */
    public function fields(): array
    {
        /** @var array<string, mixed> $record */
        $record = get_object_vars($this->record);

        return [...$record, 'topics' => $this->topics, 'folders' => $this->folders, 'bin' => $this->isBinned ? true : null];
    }
}
