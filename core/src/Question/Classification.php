<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Standards\Alignment;

/** What a question is about, whom it is for, and how hard it is. */
final readonly class Classification
{
    public const FIELDS = ['topics', 'standards', 'tags', 'level', 'purpose', 'difficulty', 'minutes'];

    /**
     * @param  list<list<string>>  $topics  paths of titles
     * @param  list<Alignment>  $standards
     * @param  list<string>  $codes  of the standards
     * @param  list<string>  $tags
     * @param  list<string>  $purpose
     * @param  int|null  $difficulty  1 to 5
     * @param  string|null  $minutes  as the author estimates them, a decimal
     */
    private function __construct(
        public array $topics,
        public array $standards,
        public array $codes,
        public array $tags,
        public string $level,
        public array $purpose,
        public ?int $difficulty,
        public ?string $minutes,
    ) {
    }

    /** @throws Malformed */
    public static function read(Fields $fields): self
    {
        $standards = Alignment::list($fields);

        return new self(
            self::topics($fields),
            $standards,
            array_map(fn (Alignment $one): string => $one->code, $standards),
            self::texts($fields, 'tags', 100),
            $fields->string('level'),
            self::texts($fields, 'purpose', 20),
            $fields->intOrNull('difficulty', null, 1, 5),
            $fields->raw('minutes') === null ? null : $fields->decimal('minutes', '10000'),
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
}
