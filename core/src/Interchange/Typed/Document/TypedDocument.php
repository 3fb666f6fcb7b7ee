<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Document;

use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;

/** A document as it was read, before anything in it is recognised. */
final readonly class TypedDocument
{
    /**
     * @param  list<Line|Table>  $items
     * @param  bool  $wraps  whether a line may end in the middle of a sentence, as in plain text
     * @param  list<Medium>  $media
     * @param  list<Notice>  $notices
     */
    public function __construct(public array $items, public bool $wraps = false, public array $media = [], public array $notices = [])
    {
    }

    /** @return list<Line> */
    public function lines(): array
    {
        return array_merge(
            [],
            ...array_map(fn (Line|Table $item): array => $item instanceof Line ? [$item] : $item->lines(), $this->items),
        );
    }
}
