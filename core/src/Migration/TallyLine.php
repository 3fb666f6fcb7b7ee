<?php

declare(strict_types=1);

namespace WideQuarry\Migration;

/** A statement against what was found, or what was found and nobody stated. */
final readonly class TallyLine implements \JsonSerializable
{
    /**
     * @param  list<SourceQuestion>  $questions  to draw from, those left out with them
     * @param  list<string>|null  $path  the folder they are in; null where they are in several
     * @param  list<array{string, string}>  $says  what does not add up, and what would mend it
     */
    public function __construct(public ?StatedDraw $stated, public array $questions, public ?array $path, public array $says)
    {
    }

    public function agrees(): bool
    {
        return $this->says === [];
    }

    /** @return list<SourceQuestion> */
    public function pool(): array
    {
        return array_values(array_filter($this->questions, fn (SourceQuestion $one): bool => ! $one->isLeftOut));
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        $kinds = [];
        foreach ($this->pool() as $question) {
            $kinds[$question->kind()] = ($kinds[$question->kind()] ?? 0) + 1;
        }

        return [
            'stated' => $this->stated,
            'found' => ['pool' => count($this->pool()), 'kinds' => (object) $kinds, 'folder' => $this->path],
            'agrees' => $this->agrees(),
            'says' => array_map(fn (array $one): array => ['what' => $one[0], 'mend' => $one[1]], $this->says),
        ];
    }
}
