<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use WideQuarry\Content\RichText;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\PartKinds;

/** A stretch of an assessment with instructions of its own. */
final readonly class Section
{
    /**
     * @param  list<Pick|Draw>  $entries  in their order
     * @param  list<Pick>  $picks  those of them that are one question
     */
    private function __construct(
        public string $id,
        public string $title,
        public string $instructions,
        public bool $shuffle,
        public array $entries,
        public array $picks,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path, PartKinds $kinds): self
    {
        $fields = Fields::of($json, $path, ['id', 'title', 'instructions', 'shuffle', 'weight', 'entries'])->need('entries');
        $entries = [];
        foreach ($fields->list('entries', 2000) as $i => $entry) {
            $entries[] =
                $entry instanceof \stdClass && isset($entry->draw)
                    ? Draw::read($entry, "$path/entries/$i")
                    : Pick::read($entry, "$path/entries/$i", $kinds);
        }
        $fields->exact('weight', '1');
        $picks = array_values(array_filter($entries, fn (Pick|Draw $entry): bool => $entry instanceof Pick));

        return new self(
            $fields->id(),
            $fields->string('title', '', 500),
            RichText::read($fields->string('instructions', '', 400000))->html(),
            $fields->bool('shuffle', false),
            $entries,
            $picks,
        );
    }
}
