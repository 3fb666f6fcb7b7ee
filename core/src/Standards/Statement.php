<?php

declare(strict_types=1);

namespace WideQuarry\Standards;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** One statement of a framework: what learners are to know or do. */
final readonly class Statement
{
    public const LONGEST_CODE = 200;

    public const LONGEST_TEXT = 20_000;

    public const FIELDS = ['id', 'code', 'title', 'text', 'level', 'notes', 'parent', 'retired', 'kept'];

    /**
     * @param  string  $id  UUID: CFItem.identifier of CASE
     * @param  string  $code  as people call it, "" where it has none
     * @param  string  $title  a few words for the statement, "" where it has none
     * @param  string  $level  the kind of statement in its framework's own words, such as "strand"
     * @param  string|null  $parent  the id of the statement it belongs to
     * @param  \stdClass|null  $kept  other fields of the file it came from, written back as they are
     */
    public function __construct(
        public string $id,
        public string $code,
        public string $text,
        public ?string $parent = null,
        public bool $retired = false,
        public string $title = '',
        public string $level = '',
        public string $notes = '',
        public ?\stdClass $kept = null,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, self::FIELDS)->need('code')->need('text');
        $kept = $fields->raw('kept');

        return new self(
            $fields->uuid(),
            $fields->string('code', '', self::LONGEST_CODE),
            $fields->string('text', '', self::LONGEST_TEXT),
            $fields->raw('parent') === null ? null : $fields->uuid('parent'),
            $fields->bool('retired', false),
            $fields->string('title'),
            $fields->string('level'),
            $fields->string('notes', '', self::LONGEST_TEXT),
            $kept instanceof \stdClass ? $kept : null,
        );
    }

    public function under(?string $parent): self
    {
        return $this->with($this->id, $parent, $this->retired);
    }

    public function called(string $id): self
    {
        return $this->with($id, $this->parent, $this->retired);
    }

    public function retire(): self
    {
        return $this->with($this->id, $this->parent, true);
    }

    private function with(string $id, ?string $parent, bool $retired): self
    {
        return new self($id, $this->code, $this->text, $parent, $retired, $this->title, $this->level, $this->notes, $this->kept);
    }

    /** What a sentence calls it. */
    public function name(): string
    {
        return match (true) {
            $this->code !== '' => $this->code,
            $this->title !== '' => $this->title,
            default => mb_strimwidth($this->text, 0, 60, '…'),
        };
    }

    public function toJson(): \stdClass
    {
        return (object) [
            'id' => $this->id,
            'code' => $this->code,
            'text' => $this->text,
            'parent' => $this->parent,
            'retired' => $this->retired,
            ...array_filter(['title' => $this->title, 'level' => $this->level, 'notes' => $this->notes]),
            ...$this->kept === null ? [] : ['kept' => $this->kept],
        ];
    }
}
