<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/** The gaps of a text by the part they belong to. The text is read when somebody asks. */
final class Gaps
{
    /** @var array<string, list<string>>|null */
    private ?array $by = null;

    public function __construct(private readonly string $body)
    {
    }

    /** @return list<string> in the order of the text */
    public function of(string $part): array
    {
        if ($this->by === null) {
            $this->by = [];
            foreach (str_contains($this->body, 'data-gap') ? Anchors::in(RichText::read($this->body)->nodes)->gaps : [] as [$gap, $of]) {
                $this->by["=$of"][] = $gap;
            }
        }

        return $this->by["=$part"] ?? [];
    }
}
