<?php

declare(strict_types=1);

namespace WideQuarry\Study;

use WideQuarry\Content\Element;
use WideQuarry\Content\Filling;
use WideQuarry\Content\Reader;
use WideQuarry\Content\Serialiser;

/** Rich text as it is shown in a roll, to be compared: read once. */
final class ShownText
{
    /** @var list<Element|string> */
    private readonly array $nodes;

    private readonly ?string $always;

    public function __construct(string $html)
    {
        $varies = str_contains($html, 'data-value') || str_contains($html, '\\val{');
        $this->nodes = Reader::read($html)->nodes;
        $this->always = $varies ? null : self::written($this->nodes);
    }

    public function in(Filling $values): string
    {
        return $this->always ?? self::written($values->nodes($this->nodes));
    }

    /** @param  list<Element|string>  $nodes */
    private static function written(array $nodes): string
    {
        return trim((string) preg_replace('~</?p>|\s+~u', ' ', Serialiser::html($nodes)));
    }
}
