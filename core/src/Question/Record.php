<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** Classification, status, provenance and specimens: logged field by field, not revisioned. */
final readonly class Record
{
    private const WORDS = ['level', 'author', 'source', 'work', 'chapter', 'session', 'number', 'licence'];

    /**
     * @param  list<string>  $tags
     * @param  list<string>  $purpose
     * @param  list<string>  $codes  of the standards
     * @param  list<list<string>>  $topics  paths of titles
     * @param  list<Specimen>  $specimens
     * @param  string|null  $minutes  as the author estimates them, a decimal
     */
    private function __construct(
        public string $status,
        public ?int $difficulty,
        public array $tags,
        public array $topics,
        public array $specimens,
        public ?\stdClass $origin,
        public string $level,
        public array $purpose,
        public string $licence,
        public string $source,
        public string $author,
        public string $notes,
        public array $codes,
        public ?string $minutes,
        public string $work,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, [
            'topics',
            'standards',
            'tags',
            'difficulty',
            'purpose',
            'minutes',
            'status',
            'notes',
            'specimens',
            'origin',
            ...self::WORDS,
        ]);
        foreach (self::WORDS as $word) {
            $fields->string($word);
        }
        $fields->string('notes', '', 20000);
        $minutes = $fields->raw('minutes') === null ? null : $fields->decimal('minutes', '10000');
        $codes = [];
        foreach ($fields->list('standards', 100) as $i => $standard) {
            $standard = Fields::of($standard, "$path/standards/$i", ['framework', 'code'])
                ->need('framework')
                ->need('code');
            $standard->string('framework');
            $codes[] = $standard->string('code');
        }
        $specimens = [];
        foreach ($fields->list('specimens', 500) as $i => $specimen) {
            $specimens[] = Specimen::read($specimen, "$path/specimens/$i");
        }

        return new self(
            $fields->oneOf('status', Status::values(), Status::Draft->value),
            $fields->intOrNull('difficulty', null, 1, 5),
            self::texts($fields, 'tags', 100),
            self::topics($fields),
            $specimens,
            self::origin($fields),
            $fields->string('level'),
            self::texts($fields, 'purpose', 20),
            $fields->string('licence'),
            $fields->string('source'),
            $fields->string('author'),
            $fields->string('notes', '', 20000),
            $codes,
            $minutes,
            $fields->string('work'),
        );
    }

    /** @return list<list<string>> */
    private static function topics(Fields $fields): array
    {
        $topics = [];
        foreach ($fields->list('topics', 100) as $i => $topic) {
            $isStep = fn (mixed $step): bool => is_string($step) && mb_strlen($step) <= 1000;
            if (! is_array($topic) || $topic === [] || count($topic) > 20 || array_filter($topic, $isStep) !== $topic) {
                throw Malformed::wrongType($fields->at("topics/$i"), Message::of('question.path-titles'), $topic);
            }
            /** @var list<string> $topic */
            $topics[] = $topic;
        }

        return $topics;
    }

    /** @return list<string> */
    private static function texts(Fields $fields, string $name, int $max): array
    {
        $texts = [];
        foreach ($fields->list($name, $max) as $i => $text) {
            $texts[] =
                is_string($text) && $text !== '' && mb_strlen($text) <= 100
                    ? $text
                    : throw Malformed::wrongType($fields->at("$name/$i"), Message::of('question.text-1-100-characters'), $text);
        }

        return $texts;
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
