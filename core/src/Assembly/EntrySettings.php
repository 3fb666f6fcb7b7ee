<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Marking\Rubric;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Question\ShuffleChange;
use WideQuarry\Question\Tools;

/**
 * What an assessment, a section or an entry asks otherwise than its questions say. What is not set comes from the next above, and at
 * last from the question.
 */
final readonly class EntrySettings
{
    public const FIELDS = ['attempts', 'feedback', 'tools', 'minutes', 'shuffle', 'rubric'];

    /**
     * @param  \stdClass|null  $attempts  {"allowed": 2, "cost": "1/5"}
     * @param  \stdClass|null  $tools  {"calculator": "basic", "ruler": true, "protractor": false, "scratch": false}
     * @param  string|null  $minutes  how long it takes here, exact
     * @param  \stdClass|null  $rubric  of the parts that are marked by one
     */
    private function __construct(
        public ?\stdClass $attempts,
        public ?FeedbackTiming $feedback,
        public ?\stdClass $tools,
        public ?string $minutes,
        public ?bool $shuffle,
        public ?\stdClass $rubric,
    ) {
    }

    public static function none(): self
    {
        return new self(null, null, null, null, null, null);
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        if ($json === null) {
            return self::none();
        }
        $fields = Fields::of($json, $path, self::FIELDS);
        $timings = array_column(FeedbackTiming::cases(), 'value');
        $rubric = $fields->raw('rubric');
        if ($rubric !== null) {
            Rubric::read($rubric, $fields->at('rubric'));
        }

        return new self(
            self::attempts($fields),
            $fields->raw('feedback') === null ? null : FeedbackTiming::from($fields->oneOf('feedback', $timings, '')),
            self::tools($fields),
            $fields->raw('minutes') === null ? null : $fields->decimal('minutes', '10000'),
            $fields->raw('shuffle') === null ? null : $fields->bool('shuffle', false),
            $rubric instanceof \stdClass ? $rubric : null,
        );
    }

    /** @throws Malformed */
    private static function attempts(Fields $fields): ?\stdClass
    {
        if ($fields->raw('attempts') === null) {
            return null;
        }
        $attempts = $fields->object('attempts', ['allowed', 'cost']);
        $attempts->intOrNull('allowed', null, 1, 100);
        $attempts->exact('cost', '0'); // whether it can be read is found when it is scored, as in a question
        $given = $fields->raw('attempts');

        return $given instanceof \stdClass ? $given : null;
    }

    /** @throws Malformed */
    private static function tools(Fields $fields): ?\stdClass
    {
        if ($fields->raw('tools') === null) {
            return null;
        }
        $fields->object('tools', Tools::FOR_MANY);
        Tools::read($fields);
        $given = $fields->raw('tools');

        return $given instanceof \stdClass ? $given : null;
    }

    public function isEmpty(): bool
    {
        return $this->set() === [];
    }

    /** @return list<string> the names of what is set */
    public function set(): array
    {
        return array_values(array_filter(self::FIELDS, fn (string $field): bool => $this->{$field} !== null));
    }

    /** With what is not set here taken from the settings above. */
    public function under(self $above): self
    {
        return new self(
            $this->attempts ?? $above->attempts,
            $this->feedback ?? $above->feedback,
            $this->tools ?? $above->tools,
            $this->minutes ?? $above->minutes,
            $this->shuffle ?? $above->shuffle,
            $this->rubric ?? $above->rubric,
        );
    }

    /** A question as it is asked under these settings. */
    public function on(Question $question, PartKinds $kinds): Question
    {
        if ($this->attempts === null && $this->tools === null && $this->shuffle === null && $this->rubric === null) {
            return $question;
        }
        $content = $question->toJson();
        if ($this->attempts !== null) {
            $content->attempts = Json::copy($this->attempts);
        }
        if ($this->tools !== null) {
            $sheets = $content->tools->sheets ?? null; // @phpstan-ignore property.nonObject (a question that was read)
            $content->tools = (object) [...(array) $this->tools, ...$sheets === null ? [] : ['sheets' => $sheets]];
        }
        if ($this->shuffle !== null) {
            ShuffleChange::on($content, $this->shuffle, $kinds);
        }
        foreach ($this->rubric === null ? [] : self::rubricParts($content) as $key) {
            $key->rubric = Json::copy($this->rubric);
        }

        return Question::read($content, $kinds);
    }

    /** @return list<\stdClass> keys of the parts that are marked by a rubric */
    private static function rubricParts(\stdClass $content): array
    {
        $keys = [];
        foreach (is_array($content->parts ?? null) ? $content->parts : [] as $part) {
            $key = $part instanceof \stdClass ? $part->key ?? null : null;
            if ($key instanceof \stdClass && ($key->rubric ?? null) instanceof \stdClass) {
                $keys[] = $key;
            }
        }

        return $keys;
    }

    /**
     * What of these does nothing to a question, since its parts cannot have it.
     *
     * @return list<string> names
     */
    public function idleOn(Question $question, PartKinds $kinds): array
    {
        $before = Json::encode($question->content());
        $idle = [];
        foreach (['shuffle', 'rubric'] as $field) {
            $alone = new self(null, null, null, null, $field === 'shuffle' ? true : null, $field === 'rubric' ? $this->rubric : null);
            $other = new self(null, null, null, null, $field === 'shuffle' ? false : null, null);
            if (
                $this->{$field} !== null &&
                Json::encode($alone->on($question, $kinds)->content()) === $before &&
                Json::encode($other->on($question, $kinds)->content()) === $before
            ) {
                $idle[] = $field;
            }
        }

        return $idle;
    }
}
