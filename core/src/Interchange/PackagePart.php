<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** What can be read of a file without the rest: one quiz, one pool, the questions of a folder. */
final readonly class PackagePart implements \JsonSerializable
{
    public const KINDS = ['quiz', 'pool', 'section', 'loose'];

    /**
     * @param  string  $id  the file it is in, with its place in there where the file has several
     * @param  string  $kind  one of KINDS; loose: questions that are in nothing else
     * @param  list<string>  $path  where in a course it stands, from the top
     * @param  list<string>  $needs  parts whose questions it asks
     */
    public function __construct(
        public string $id,
        public string $kind,
        public string $title,
        public int $questions,
        public array $path = [],
        public array $needs = [],
    ) {
    }

    /** @return array{id: string, kind: string, title: string, questions: int, path: list<string>, needs: list<string>} */
    public function jsonSerialize(): array
    {
        return [
            'id' => $this->id,
            'kind' => $this->kind,
            'title' => $this->title,
            'questions' => $this->questions,
            'path' => $this->path,
            'needs' => $this->needs,
        ];
    }
}
