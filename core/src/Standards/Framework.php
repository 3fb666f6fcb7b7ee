<?php

declare(strict_types=1);

namespace WideQuarry\Standards;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** A framework of standards: statements in tree order, parents before their children, and how they stand to one another. */
final readonly class Framework
{
    public const MOST_STATEMENTS = 50_000;

    private const MOST_ASSOCIATIONS = 200_000;

    /**
     * @param  string  $id  UUID: CFDocument.identifier of CASE
     * @param  string  $language  a language tag; und when it is not known
     * @param  list<Statement>  $statements
     * @param  list<Association>  $associations  one end of each at least is here
     * @param  \stdClass|null  $kept  other fields of the file it came from, written back as they are
     */
    public function __construct(
        public string $id,
        public string $title,
        public string $version,
        public array $statements,
        public array $associations = [],
        public string $publisher = '',
        public string $language = Fields::UNKNOWN_LANGUAGE,
        public string $notes = '',
        public ?\stdClass $kept = null,
    ) {
    }

    /**
     * What read() of the command line gives, read back.
     *
     * @throws Malformed naming the path of what does not fit core/schema/framework.json
     */
    public static function read(mixed $json, string $path = ''): self
    {
        $fields = Fields::of($json, $path, [
            'id',
            'title',
            'version',
            'statements',
            'associations',
            'publisher',
            'language',
            'notes',
            'kept',
        ])->need('title');
        $statements = $associations = [];
        foreach ($fields->list('statements', self::MOST_STATEMENTS) as $i => $statement) {
            $statements[] = Statement::read($statement, "$path/statements/$i");
        }
        foreach ($fields->list('associations', self::MOST_ASSOCIATIONS) as $i => $association) {
            $associations[] = Association::read($association, "$path/associations/$i");
        }
        $kept = $fields->raw('kept');
        $tree = StatementTree::of($statements);

        return new self(
            $fields->uuid(),
            $fields->string('title'),
            $fields->string('version', '', 100),
            $tree->statements,
            $associations,
            $fields->string('publisher'),
            $fields->language(),
            $fields->string('notes', '', Statement::LONGEST_TEXT),
            $kept instanceof \stdClass ? $kept : null,
        );
    }

    public function toJson(): \stdClass
    {
        return (object) [
            'id' => $this->id,
            'title' => $this->title,
            'version' => $this->version,
            'statements' => array_map(fn (Statement $one): \stdClass => $one->toJson(), $this->statements),
            'associations' => array_map(fn (Association $one): \stdClass => $one->toJson(), $this->associations),
            ...array_filter([
                'publisher' => $this->publisher,
                'language' => $this->language === Fields::UNKNOWN_LANGUAGE ? '' : $this->language,
                'notes' => $this->notes,
            ]),
            ...$this->kept === null ? [] : ['kept' => $this->kept],
        ];
    }
}
