<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Patterns;

/** A place in an expression that is read sign by sign. */
final class Cursor
{
    /** @var list<string> */
    private readonly array $signs;

    private int $at = 0;

    public function __construct(string $text)
    {
        $this->signs = mb_str_split($text);
    }

    /** The sign here, or after so many; '' beyond the end. */
    public function see(int $ahead = 0): string
    {
        return $this->signs[$this->at + $ahead] ?? '';
    }

    /** @phpstan-impure */
    public function take(): string
    {
        return $this->signs[$this->at++] ?? '';
    }

    /** @phpstan-impure */
    public function takes(string $text): bool
    {
        if (! $this->sees($text)) {
            return false;
        }
        $this->at += mb_strlen($text);

        return true;
    }

    /** @phpstan-impure */
    public function sees(string $text): bool
    {
        return implode('', array_slice($this->signs, $this->at, mb_strlen($text))) === $text;
    }

    /**
     * What a pattern finds here, which is taken.
     *
     * @phpstan-impure
     */
    public function match(string $regex): ?string
    {
        $rest = implode('', array_slice($this->signs, $this->at, 80));
        if (preg_match($regex, $rest, $m) !== 1) {
            return null;
        }
        $this->at += mb_strlen($m[0]);

        return $m[0];
    }

    /** @phpstan-impure */
    public function isAtEnd(): bool
    {
        return $this->at >= count($this->signs);
    }
}
