<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** Who wrote a question, where it was printed or stored before, and what may be done with it. */
final readonly class Provenance
{
    public const FIELDS = ['author', 'source', 'work', 'chapter', 'session', 'number', 'licence', 'origin'];

    private function __construct(
        public string $author,
        public string $source,
        public string $work,
        public string $licence,
        public ?\stdClass $origin,
    ) {
    }

    /** @throws Malformed */
    public static function read(Fields $fields): self
    {
        foreach (['chapter', 'session', 'number'] as $unused) {
            $fields->string($unused);
        }

        return new self(
            $fields->string('author'),
            $fields->string('source'),
            $fields->string('work'),
            $fields->string('licence'),
            self::origin($fields),
        );
    }

    /**
     * Where a question or stimulus came from.
     *
     * @throws Malformed
     */
    public static function origin(Fields $fields): ?\stdClass
    {
        $origin = $fields->raw('origin');
        if ($origin !== null) {
            $read = Fields::of($origin, $fields->at('origin'), ['intake', 'format', 'identifier', 'file', 'fields', 'processing']);
            array_map(fn (string $word): string => $read->string($word), ['format', 'identifier', 'file']);
            $read->string('processing', '', 1_000_000);
            if ($read->raw('intake') !== null) {
                $read->string('intake');
            }
            if ($read->has('fields') && ! ($read->raw('fields') instanceof \stdClass)) {
                throw Malformed::wrongType($read->at('fields'), Message::of('question.object'), $read->raw('fields'));
            }
        }

        return $origin instanceof \stdClass ? $origin : null;
    }
}
