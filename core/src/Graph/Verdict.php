<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

/** How far a drawn figure is a wanted one. What does not matter for a figure is right. */
final readonly class Verdict
{
    /**
     * @param  bool  $position  whether it is where it should be: for an inequality its boundary
     * @param  array{int, int}|null  $corners  how many corners, or boundaries of a region, are right, of how many
     */
    public function __construct(
        public bool $position,
        public bool $dashed = true,
        public bool $side = true,
        public bool $ends = true,
        public ?array $corners = null,
    ) {
    }

    public function isRight(): bool
    {
        return $this->position && $this->dashed && $this->side && $this->ends;
    }

    /** Of a figure that is another sort of thing. */
    public static function other(): self
    {
        return new self(false, false, false, false);
    }

    /** The same for the line style; of another sort of thing nothing is right. */
    public function drawn(bool $dashed): self
    {
        return new self($this->position, $this->dashed && $dashed, $this->side, $this->ends, $this->corners);
    }

    /** Whether anything of it is right that tells it from any other figure. */
    public function isAlike(): bool
    {
        return $this->position || ($this->corners[0] ?? 0) > 0;
    }

    /** @param  string  $property  position, dashed, side or ends */
    public function has(string $property): bool
    {
        return match ($property) {
            'position' => $this->position,
            'dashed' => $this->dashed,
            'side' => $this->side,
            default => $this->ends,
        };
    }
}
