<?php

declare(strict_types=1);

namespace WideQuarry\Bulk;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Replacement;

/**
 * Words to find and replace in many questions, but for the places that are to be left.
 *
 * @phpstan-import-type Place from Replacement
 */
final readonly class TextReplacement
{
    /** @param  array<string, list<int>>  $skip  question → numbers of its places */
    private function __construct(
        private string $find,
        private string $with,
        private bool $case,
        private bool $whole,
        private array $skip,
    ) {
    }

    /**
     * @param  mixed  $json  {"find","with","case","whole","skip":[{"id","places":[0]}]}
     *
     * @throws Malformed
     */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['find', 'with', 'case', 'whole', 'skip'])->need('find');
        $find = $fields->string('find', '', 500);
        if (trim($find) === '') {
            throw Malformed::outOfRange("$path/find", Message::of('bulk.something-find'), $find);
        }
        $skip = [];
        foreach ($fields->list('skip', 10_000) as $i => $one) {
            $one = Fields::of($one, "$path/skip/$i", ['id', 'places'])->need('places');
            $skip[$one->uuid()] = array_values(array_filter($one->list('places', 10_000), is_int(...)));
        }

        return new self($find, $fields->string('with', '', 2000), $fields->bool('case', false), $fields->bool('whole', true), $skip);
    }

    /** @return array{question: \stdClass, places: list<Place>} */
    public function in(\stdClass $question): array
    {
        $skip = $this->skip[is_string($question->id ?? null) ? $question->id : ''] ?? [];
        $only = null;
        if ($skip !== []) {
            $places = count(Replacement::in($question, $this->find, $this->with, $this->case, $this->whole)['places']);
            $only = array_values(array_diff(array_keys(array_fill(0, $places, true)), $skip));
        }

        return Replacement::in($question, $this->find, $this->with, $this->case, $this->whole, $only);
    }
}
