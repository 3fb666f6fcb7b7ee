<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** Keeps media apart that have one name and different bytes: the later one gets a name made of its bytes. */
final class MediaNames
{
    /** @var array<string, string> name → SHA-256 of what it stands for */
    private array $there = [];

    /** @param  iterable<string, string>  $there  names that are taken → SHA-256 of what they stand for */
    public function __construct(iterable $there = [])
    {
        foreach ($there as $name => $sha256) {
            $this->there["=$name"] = $sha256;
        }
    }

    /** The name a medium has here: its own, unless that stands for other bytes. From then on it is taken. */
    public function for(string $name, string $sha256): string
    {
        $free = ($this->there["=$name"] ?? $sha256) === $sha256 ? $name : 'm'.substr($sha256, 0, 31);
        $this->there["=$free"] = $sha256;

        return $free;
    }
}
