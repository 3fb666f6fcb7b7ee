<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** What is known about a question besides its content: logged field by field, not revisioned. */
final readonly class Record
{
    /** @param  list<Specimen>  $specimens */
    private function __construct(
        public Status $status,
        public Classification $classification,
        public Provenance $provenance,
        public string $notes,
        public array $specimens,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, [...Classification::FIELDS, ...Provenance::FIELDS, 'status', 'notes', 'specimens']);
        $specimens = [];
        foreach ($fields->list('specimens', 500) as $i => $specimen) {
            $specimens[] = Specimen::read($specimen, "$path/specimens/$i");
        }

        return new self(
            Status::from($fields->oneOf('status', Status::values(), Status::Draft->value)),
            Classification::read($fields),
            Provenance::read($fields),
            $fields->string('notes', '', 20000),
            $specimens,
        );
    }
}
