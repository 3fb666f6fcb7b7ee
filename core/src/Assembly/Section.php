<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use Brick\Math\BigRational;
use WideQuarry\Content\RichText;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PartKinds;

/** A stretch of an assessment with instructions of its own. */
final readonly class Section
{
    private const FIELDS = [
        'id', 'title', 'instructions', 'shuffle', 'weight', 'time_limit', 'new_page', 'override', 'entries',
    ];

    /** @var list<Pick> those of its entries that are one question */
    public array $picks;

    /**
     * @param  BigRational  $weight  what its points count times; 1 where what was given is no such number
     * @param  bool  $isWeight  whether it is
     * @param  int|null  $timeLimit  seconds
     * @param  EntrySettings  $settings  of all its entries, unless they have their own
     * @param  list<Pick|Draw>  $entries  in their order
     */
    private function __construct(
        public string $id,
        public string $title,
        public string $instructions,
        public bool $shuffle,
        public BigRational $weight,
        public bool $isWeight,
        public ?int $timeLimit,
        public bool $newPage,
        public EntrySettings $settings,
        public array $entries,
    ) {
        $this->picks = array_values(array_filter($entries, fn (Pick|Draw $entry): bool => $entry instanceof Pick));
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path, PartKinds $kinds): self
    {
        $fields = Fields::of($json, $path, self::FIELDS)->need('entries');
        $entries = [];
        foreach ($fields->list('entries', 2000) as $i => $entry) {
            $entries[] =
                $entry instanceof \stdClass && isset($entry->draw)
                    ? Draw::read($entry, "$path/entries/$i")
                    : Pick::read($entry, "$path/entries/$i", $kinds);
        }
        $weight = Exact::read($fields->exact('weight', '1'));
        $isWeight = $weight !== null && ! $weight->isNegative();

        return new self(
            $fields->id(),
            $fields->string('title', '', 500),
            RichText::read($fields->string('instructions', '', 400000))->html(),
            $fields->bool('shuffle', false),
            $isWeight ? $weight : Exact::of('1'),
            $isWeight,
            $fields->intOrNull('time_limit', null, 1, 86400),
            $fields->bool('new_page', false),
            EntrySettings::read($fields->raw('override'), $fields->at('override')),
            $entries,
        );
    }

    /** @param  list<Pick|Draw>  $entries */
    public function of(array $entries): self
    {
        return new self(
            $this->id,
            $this->title,
            $this->instructions,
            $this->shuffle,
            $this->weight,
            $this->isWeight,
            $this->timeLimit,
            $this->newPage,
            $this->settings,
            $entries,
        );
    }
}
