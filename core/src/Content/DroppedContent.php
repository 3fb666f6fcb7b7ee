<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/** Something that was left out of rich text on the way in. */
final readonly class DroppedContent
{
    public function __construct(public string $what, public string $name, public int $times)
    {
    }

    public function sentence(): string
    {
        $thing = match ($this->what) {
            'element' => "the element <$this->name> was taken away, its text kept",
            'content' => "the element <$this->name> was left out with all it held",
            'attribute' => "the attribute $this->name was left out",
            'address' => "an address that is not http, https or mailto was left out ($this->name)",
            'markup' => "all formatting was left out, the words kept, because the text has $this->name",
            'picture' => 'a picture that is not in the package was left out',
            default => "$this->name was left out",
        };

        return ucfirst($thing).($this->times > 1 ? ", $this->times times." : '.');
    }
}
