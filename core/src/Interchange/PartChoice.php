<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** Which parts of a file are read: all, unless somebody chose. */
final readonly class PartChoice
{
    /**
     * @param  array<string, true>|null  $chosen  null for all
     * @param  array<string, true>  $files  those they are in
     */
    public function __construct(private ?array $chosen = null, private array $files = [])
    {
    }

    /** @param  list<string>  $ids  of PackagePart */
    public static function of(array $ids): self
    {
        $files = array_map(fn (string $id): string => (string) preg_replace('/#\d+$/D', '', $id), $ids);

        return new self(array_fill_keys($ids, true), array_fill_keys($files, true));
    }

    /** @return list<string> */
    public function ids(): array
    {
        return array_map(strval(...), array_keys($this->chosen ?? []));
    }

    public function isEverything(): bool
    {
        return $this->chosen === null;
    }

    public function has(string $id): bool
    {
        return $this->chosen === null || isset($this->chosen[$id]);
    }

    /** Whether a file of a package has anything that was chosen; its parts are called `file#1`, `file#2` … */
    public function touches(string $file): bool
    {
        return $this->has($file) || isset($this->files[$file]);
    }
}
