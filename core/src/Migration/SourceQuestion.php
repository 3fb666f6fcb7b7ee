<?php

declare(strict_types=1);

namespace WideQuarry\Migration;

use WideQuarry\Messages\Message;

/** What is known of a question where it came from: enough to give it a folder and a title, and to count it. */
final readonly class SourceQuestion
{
    /**
     * @param  list<string>  $groups  titles of the groups it stood in, the quiz first
     * @param  list<string>  $kinds  of its parts
     * @param  string  $points  decimal
     * @param  list<string>  $topic  path
     * @param  string  $fingerprint  the same for what asks the same; '' where nothing is to be compared
     */
    public function __construct(
        public string $id,
        public int $number,
        public array $groups,
        public array $kinds,
        public string $points,
        public array $topic = [],
        public string $title = '',
        public string $fingerprint = '',
        public bool $isLeftOut = false,
    ) {
    }

    public function quiz(): string
    {
        return $this->groups[0] ?? '';
    }

    /** What it asks for, in words. */
    public function kind(): string
    {
        $kinds = array_values(array_unique($this->kinds));

        return match (count($kinds)) {
            0 => Message::of('migration.page'),
            1 => Message::of("parts.$kinds[0].questions"),
            default => Message::of('migration.several-kinds'),
        };
    }
}
