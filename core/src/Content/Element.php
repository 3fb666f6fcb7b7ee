<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/** A node of rich text that has passed the allow-list. Text between elements is a plain string. */
final readonly class Element
{
    /**
     * @param  array<string, string>  $attributes
     * @param  list<Element|string>  $children
     */
    public function __construct(public string $name, public array $attributes = [], public array $children = [])
    {
    }

    /** @param  list<Element|string>  $children */
    public function withChildren(array $children): self
    {
        return new self($this->name, $this->attributes, $children);
    }

    public function attribute(string $name): ?string
    {
        return $this->attributes[$name] ?? null;
    }
}
