<?php

declare(strict_types=1);

namespace WideQuarry\Content;

use WideQuarry\Messages\Message;

/** Something that was left out of rich text on the way in. */
final readonly class DroppedContent
{
    public function __construct(public string $what, public string $name, public int $times)
    {
    }

    public function sentence(): string
    {
        $thing = match ($this->what) {
            'element' => Message::of('content.element-taken-away-text', ['name' => $this->name]),
            'content' => Message::of('content.element-left-out-all', ['name' => $this->name]),
            'attribute' => Message::of('content.attribute-left-out', ['name' => $this->name]),
            'address' => Message::of('content.address-not-http-https', ['name' => $this->name]),
            'markup' => Message::of('content.all-formatting-left-out', ['name' => $this->name]),
            'picture' => Message::of('content.picture-not-in-package'),
            default => Message::of('content.left-out', ['name' => $this->name]),
        };

        return ucfirst($thing).($this->times > 1 ? ", $this->times times." : '.');
    }
}
