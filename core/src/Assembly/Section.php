<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use WideQuarry\Content\RichText;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Parts\Parts;

/** A stretch of an assessment with instructions of its own. */
final readonly class Section
{
    /** @param  list<Pick>  $picks  in their order */
    private function __construct(public string $id, public string $title, public string $instructions, public array $picks)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path, Parts $kinds): self
    {
        $fields = Fields::of($json, $path, ['id', 'title', 'instructions', 'shuffle', 'weight', 'entries'])->need('entries');
        $picks = [];
        foreach ($fields->list('entries', 2000) as $i => $entry) {
            // draws are held as they are until pools are built
            if ($entry instanceof \stdClass && isset($entry->draw)) {
                Fields::of($entry, "$path/entries/$i", ['id', 'draw', 'pool', 'points', 'override'])->id();
            } else {
                $picks[] = Pick::read($entry, "$path/entries/$i", $kinds);
            }
        }

        return new self($fields->id(), $fields->string('title', '', 500), RichText::read($fields->string('instructions', '', 400000))->html(), $picks);
    }
}
