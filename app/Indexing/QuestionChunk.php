<?php

declare(strict_types=1);

namespace App\Indexing;

use WideQuarry\Question\PartKinds;

/**
 * Some questions of a file on their way to being rows, and what else of the file is stored with them.
 *
 * @phpstan-import-type Place from PreparedChunk
 */
final class QuestionChunk
{
    public ?PreparedChunk $made = null;

    /**
     * @param  string  $file  its name
     * @param  list<array{question: \stdClass, place: Place}>  $given
     * @param  array<string, string>  $media  as the file calls them → as they are called here
     * @param  list<array<string, mixed>>  $things  rows of staged_things
     * @param  int  $position  of the last thing of the file that is in it
     * @param  array{int, int}  $progress  bytes read, of how many
     */
    public function __construct(
        public readonly string $file,
        public readonly array $given,
        public readonly array $media,
        public readonly array $things,
        public readonly int $position = 0,
        public readonly array $progress = [0, 1],
    ) {
    }

    public function asked(): string
    {
        return PreparedChunk::asked($this->given, $this->file, $this->media);
    }

    public function prepare(PartKinds $kinds): PreparedChunk
    {
        return $this->made ??= PreparedChunk::of($this->given, $this->file, $this->media, $kinds);
    }
}
