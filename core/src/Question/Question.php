<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use Brick\Math\BigRational;
use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\Variables;

/** A well-formed question. What it was read from is kept whole, so that writing loses nothing. */
final readonly class Question
{
    public const FORMAT = 'wide-quarry/question';

    private const FEEDBACK = ['right', 'partly', 'wrong', 'general'];

    private const FIELDS = [
        'format',
        'version',
        'id',
        'title',
        'language',
        'body',
        'stimuli',
        'parts',
        'variables',
        'normalise',
        'scoring',
        'feedback',
        'hints',
        'attempts',
        'use',
        'tools',
        'time_limit',
        'record',
    ];

    public string $id;

    public string $title;

    public string $language;

    public string $body;

    /** @var list<string> */
    public array $stimuli;

    /** @var list<Part> */
    public array $parts;

    public Variables $variables;

    public NormaliseOptions $normalise;

    public QuestionScoring $scoring;

    /** @var array<string, Feedback> by right, partly, wrong, general */
    public array $feedback;

    /** @var list<Hint> */
    public array $hints;

    /** @var int|null as many as one likes */
    public ?int $attempts;

    private string $attemptCost;

    /** calculator, ruler, protractor */
    public \stdClass $tools;

    /** @var int|null seconds */
    public ?int $timeLimit;

    public Record $record;

    /** @throws Malformed */
    private function __construct(private \stdClass $json, Fields $fields, PartKinds $kinds)
    {
        $this->id = $fields->uuid();
        $this->title = $fields->string('title', '', 500);
        $this->language = $fields->language();
        $this->body = $fields->string('body', '', 400000);
        $this->stimuli = self::stimuli($fields);
        $this->parts = self::parts($fields, $kinds);
        $this->variables = Variables::read($fields->raw('variables'), '/variables', $fields->raw('parts'));
        $this->normalise = NormaliseOptions::read(self::given($fields, 'normalise'), '/normalise');
        $this->scoring = QuestionScoring::read(self::given($fields, 'scoring'));
        $this->feedback = Feedback::readSet($fields->object('feedback', self::FEEDBACK), self::FEEDBACK);
        $this->hints = self::hints($fields);
        $attempts = $fields->object('attempts', ['allowed', 'cost']);
        $this->attempts = $attempts->intOrNull('allowed', null, 1, 100);
        $this->attemptCost = $attempts->exact('cost', '0');
        $this->tools = self::tools($fields);
        $this->timeLimit = $fields->intOrNull('time_limit', null, 1, 86400);
        $fields->oneOf('use', ['marked', 'practice', 'survey'], 'marked');
        $this->record = Record::read(self::given($fields, 'record'), '/record');
    }

    /** @throws Malformed naming the path of what does not fit the schema */
    public static function read(mixed $json, PartKinds $kinds): self
    {
        $fields = Fields::of($json, '', self::FIELDS)->need('format')->need('version')->need('id')->need('body')->need('parts');
        $fields->oneOf('format', [self::FORMAT], '');
        $fields->int('version', 0, 1, 1);
        assert($json instanceof \stdClass);

        return new self($json, $fields, $kinds);
    }

    public function part(string $id): ?Part
    {
        foreach ($this->parts as $part) {
            if ($part->id === $id) {
                return $part;
            }
        }

        return null;
    }

    /** What it is called in lists and sentences: its title, or else its first words. */
    public function name(): string
    {
        return UnhelpfulTitle::of($this->title, $this->body);
    }

    /** @return list<string> those of its stimuli that are shown only when the learner asks for them */
    public function stimuliOnRequest(): array
    {
        return array_values(array_intersect($this->stimuli, Tools::of($this)->sheets));
    }

    /** M: the sum of the parts' points. */
    public function points(): BigRational
    {
        $sum = Exact::zero();
        foreach ($this->parts as $part) {
            $sum = Exact::plus($sum, $part->points());
        }

        return $sum;
    }

    /** @throws NotScorable */
    public function attemptCost(): BigRational
    {
        return Exact::read($this->attemptCost) ?? throw NotScorable::unreadableNumber($this->attemptCost, '/attempts/cost');
    }

    /** A copy of what it was read from. */
    public function toJson(): \stdClass
    {
        $copy = Json::copy($this->json);
        assert($copy instanceof \stdClass);

        return $copy;
    }

    /** Everything but the record: what a revision holds. */
    public function content(): \stdClass
    {
        $json = $this->toJson();
        unset($json->record);

        return $json;
    }

    private static function given(Fields $fields, string $name): mixed
    {
        return $fields->has($name) ? $fields->raw($name) : new \stdClass();
    }

    /**
     * @return list<string>
     *
     * @throws Malformed
     */
    private static function stimuli(Fields $fields): array
    {
        $stimuli = [];
        foreach ($fields->list('stimuli', 20) as $i => $id) {
            $stimuli[] = Fields::asUuid($id, "/stimuli/$i");
        }

        return $stimuli;
    }

    /**
     * @return list<Hint>
     *
     * @throws Malformed
     */
    private static function hints(Fields $fields): array
    {
        $hints = [];
        foreach ($fields->list('hints', 20) as $i => $hint) {
            $hints[] = Hint::read($hint, "/hints/$i");
        }

        return $hints;
    }

    /** @throws Malformed */
    private static function tools(Fields $fields): \stdClass
    {
        Tools::read($fields);

        return (object) (array) self::given($fields, 'tools');
    }

    /**
     * @return list<Part>
     *
     * @throws Malformed
     */
    private static function parts(Fields $fields, PartKinds $kinds): array
    {
        $parts = [];
        foreach ($fields->list('parts', 200) as $i => $part) {
            $part = Part::read($part, "/parts/$i", $kinds);
            if (isset($parts["=$part->id"])) {
                throw Malformed::repeatedId("/parts/$i/id", $part->id);
            }
            $parts["=$part->id"] = $part;
        }

        return array_values($parts);
    }
}
