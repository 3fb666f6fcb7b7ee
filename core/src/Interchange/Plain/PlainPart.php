<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Plain;

use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Interchange\Keys\AnswerShape;

/**
 * A part for formats that know no more than choosing, typing, numbers, an order and pairs: what is offered there, under the part's own
 * identifiers.
 */
final readonly class PlainPart
{
    /**
     * @param  list<array{id: string, html: string, fixed?: bool}>  $options  to choose from or to order; first things of pairs
     * @param  list<array{id: string, html: string}>  $seconds
     * @param  bool  $several  whether several may be chosen; of pairs, whether a first thing may have several
     * @param  string  $text  rich text that is shown above
     * @param  array{string, string, string}|null  $scale  from, to, step
     * @param  NormaliseOptions|null  $normalise  what to ignore in typed words
     * @param  list<list<string>>  $ranks  the right order, things that may change places together
     * @param  list<string>  $given  of those, what stands in its place already
     * @param  bool  $byFirst  whether a first thing is right or not as one (a gap, an item), not each pair
     * @param  list<array{string, string}>  $losses  code and sentence
     */
    private function __construct(
        public AnswerShape $shape,
        public array $options,
        public array $seconds = [],
        public bool $several = false,
        public ?int $max = 1,
        public bool $shuffle = false,
        public bool $inline = false,
        public string $text = '',
        public ?array $scale = null,
        public int $width = 0,
        public array $losses = [],
        public ?NormaliseOptions $normalise = null,
        public array $ranks = [],
        public array $given = [],
        public bool $byFirst = false,
        public bool $byHand = false,
    ) {
    }

    /**
     * @param  list<array{id: string, html: string, fixed?: bool}>  $options
     * @param  int|null  $max  null for as many as there are
     * @param  list<array{string, string}>  $losses
     */
    public static function picks(
        array $options,
        ?int $max,
        bool $shuffle,
        bool $inline = false,
        string $text = '',
        array $losses = [],
    ): self {
        return new self(AnswerShape::Picks, $options, [], $max !== 1, $max, $shuffle, $inline, $text, null, 0, $losses);
    }

    public static function words(int $width, ?NormaliseOptions $normalise = null): self
    {
        return new self(AnswerShape::Words, [], inline: true, width: $width, normalise: $normalise);
    }

    /** Whether case is ignored, unless a rule says otherwise. */
    public function ignoresCase(): bool
    {
        return $this->normalise?->is('case', 'ignore') ?? true;
    }

    /**
     * A field under a text, that somebody marks.
     *
     * @param  list<array{string, string}>  $losses
     */
    public static function byHand(string $text, array $losses): self
    {
        return new self(AnswerShape::Words, [], text: $text, width: 40, losses: $losses, byHand: true);
    }

    /** @param  array{string, string, string}|null  $scale */
    public static function number(int $width, ?array $scale = null): self
    {
        return new self(AnswerShape::Number, [], inline: $scale === null, scale: $scale, width: $width);
    }

    /**
     * @param  list<array{id: string, html: string}>  $items
     * @param  list<list<string>>  $ranks
     * @param  list<string>  $given
     * @param  list<array{string, string}>  $losses
     */
    public static function sequence(array $items, array $ranks, array $given, array $losses): self
    {
        return new self(AnswerShape::Sequence, $items, losses: $losses, ranks: $ranks, given: $given);
    }

    /**
     * @param  list<array{id: string, html: string}>  $firsts  without words where they are gaps in the text
     * @param  list<array{id: string, html: string}>  $seconds
     * @param  bool  $inline  whether the first things are gaps in the text
     * @param  list<array{string, string}>  $losses
     */
    public static function pairs(array $firsts, array $seconds, bool $several, bool $byFirst, bool $inline, array $losses = []): self
    {
        return new self(AnswerShape::Pairs, $firsts, $seconds, $several, inline: $inline, losses: $losses, byFirst: $byFirst);
    }

    /**
     * @param  list<\WideQuarry\Question\Item>  $items
     * @return list<array{id: string, html: string}>
     */
    public static function items(array $items): array
    {
        return array_map(fn (\WideQuarry\Question\Item $item): array => ['id' => $item->id, 'html' => $item->html], $items);
    }
}
