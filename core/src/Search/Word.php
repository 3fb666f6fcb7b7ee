<?php

declare(strict_types=1);

namespace WideQuarry\Search;

/** One word of a text: where it stands, and the forms it is found by. */
final readonly class Word
{
    /**
     * @param  int  $offset  in bytes
     * @param  string  $whole  the word in one piece, folded
     * @param  list<string>  $pieces  its pieces, folded; just the whole when there is nothing to split
     */
    public function __construct(public string $text, public int $offset, public string $whole, public array $pieces)
    {
    }

    /**
     * Whether a query's word finds this one.
     *
     * @param  bool  $prefix  whether that word may go on
     */
    public function isFoundBy(self $wanted, bool $prefix): bool
    {
        // Nearly every word of a text is neither this one nor in pieces.
        if ($this->whole === $wanted->whole || ($prefix && str_starts_with($this->whole, $wanted->whole))) {
            return true;
        }
        $isWantedInPieces = $wanted->pieces !== [$wanted->whole];
        if (! $isWantedInPieces && count($this->pieces) === 1 && $this->pieces[0] === $this->whole) {
            return false;
        }
        foreach ($this->forms() as $form) {
            if (
                $form === $wanted->whole ||
                ($prefix && str_starts_with($form, $wanted->whole)) ||
                ($isWantedInPieces && in_array($form, $wanted->pieces, true))
            ) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> */
    public function forms(): array
    {
        return array_values(array_unique([$this->whole, ...$this->pieces]));
    }
}
