<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Plain;

use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Question\Item;
use WideQuarry\Question\Part;

/**
 * A part for formats that know no more than choosing, typing, numbers, an order and pairs: what is offered there, under the part's own
 * identifiers.
 */
final readonly class PlainPart
{
    /**
     * @param  list<array{id: string, html: string, fixed?: bool}>  $options  to choose from or to order; first things of pairs
     * @param  list<array{id: string, html: string}>  $seconds
     * @param  string  $text  rich text that is shown above
     * @param  list<array{string, string}>  $losses  code and sentence
     * @param  Part|null  $as  how it is marked there, where that differs
     */
    private function __construct(
        public AnswerShape $shape,
        public array $options = [],
        public array $seconds = [],
        public PlainLimits $limits = new PlainLimits(),
        public PlainField $field = new PlainField(),
        public PlainOrder $order = new PlainOrder(),
        public bool $inline = false,
        public string $text = '',
        public array $losses = [],
        public bool $byHand = false,
        public ?PlainPicture $picture = null,
        public ?Part $as = null,
    ) {
    }

    /**
     * @param  list<array{id: string, html: string, fixed?: bool}>  $options
     * @param  int|null  $max  null for as many as there are
     * @param  list<array{string, string}>  $losses
     * @param  PlainPicture|null  $picture  on which the options lie, where a format knows such; elsewhere the text is shown
     */
    public static function picks(
        array $options,
        ?int $max,
        bool $shuffle,
        bool $inline = false,
        string $text = '',
        array $losses = [],
        ?PlainPicture $picture = null,
        ?Part $as = null,
    ): self {
        $limits = new PlainLimits(several: $max !== 1, max: $max, shuffle: $shuffle);

        return new self(
            AnswerShape::Picks,
            $options,
            limits: $limits,
            inline: $inline,
            text: $text,
            losses: $losses,
            picture: $picture,
            as: $as,
        );
    }

    public static function words(int $width, ?NormaliseOptions $normalise = null): self
    {
        return new self(AnswerShape::Words, inline: true, field: new PlainField($width, normalise: $normalise));
    }

    /** Whether case is ignored, unless a rule says otherwise. */
    public function ignoresCase(): bool
    {
        return $this->field->normalise?->is('case', 'ignore') ?? true;
    }

    /**
     * A field under a text, that somebody marks.
     *
     * @param  list<array{string, string}>  $losses
     */
    public static function byHand(string $text, array $losses): self
    {
        return new self(AnswerShape::Words, field: new PlainField(40), text: $text, losses: $losses, byHand: true);
    }

    /**
     * A field of so many lines under a text, that somebody marks because nothing else could.
     *
     * @param  list<array{string, string}>  $losses
     */
    public static function essay(int $lines, string $text, bool $isRich, array $losses = []): self
    {
        $field = new PlainField(lines: $lines, isRich: $isRich);

        return new self(AnswerShape::Words, field: $field, text: $text, losses: $losses, byHand: true);
    }

    /** @param  array{string, string, string}|null  $scale */
    public static function number(int $width, ?array $scale = null): self
    {
        return new self(AnswerShape::Number, inline: $scale === null, field: new PlainField($width, $scale));
    }

    /**
     * @param  list<array{id: string, html: string}>  $items
     * @param  list<list<string>>  $ranks
     * @param  list<string>  $given
     * @param  list<array{string, string}>  $losses
     */
    public static function sequence(array $items, array $ranks, array $given, array $losses): self
    {
        return new self(AnswerShape::Sequence, $items, order: new PlainOrder($ranks, $given), losses: $losses);
    }

    /**
     * @param  list<array{id: string, html: string}>  $firsts  without words where they are gaps in the text
     * @param  list<array{id: string, html: string}>  $seconds
     * @param  bool  $inline  whether the first things are gaps in the text
     * @param  list<array{string, string}>  $losses
     * @param  string  $text  rich text that is shown above
     */
    public static function pairs(
        array $firsts,
        array $seconds,
        bool $several,
        bool $byFirst,
        bool $inline,
        array $losses = [],
        string $text = '',
        ?Part $as = null,
        bool $sorts = false,
    ): self {
        $limits = new PlainLimits(several: $several, byFirst: $byFirst, sorts: $sorts);

        return new self(AnswerShape::Pairs, $firsts, $seconds, $limits, inline: $inline, text: $text, losses: $losses, as: $as);
    }

    /**
     * @param  list<Item>  $items
     * @return list<array{id: string, html: string}>
     */
    public static function items(array $items): array
    {
        return array_map(fn (Item $item): array => ['id' => $item->id, 'html' => $item->html], $items);
    }
}
