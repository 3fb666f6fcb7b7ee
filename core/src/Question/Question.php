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

    /**
     * @param  list<Part>  $parts
     * @param  list<string>  $stimuli
     * @param  list<Hint>  $hints
     * @param  array<string, Feedback>  $feedback  by right, partly, wrong, general
     */
    private function __construct(
        private \stdClass $json,
        public string $id,
        public string $title,
        public string $language,
        public string $body,
        public array $stimuli,
        public array $parts,
        public Variables $variables,
        public NormaliseOptions $normalise,
        public QuestionScoring $scoring,
        public array $feedback,
        public array $hints,
        public ?int $attempts,
        private string $attemptCost,
        public \stdClass $tools,
        public ?int $timeLimit,
        public Record $record,
    ) {
    }

    /** @throws Malformed naming the path of what does not fit the schema */
    public static function read(mixed $json, PartKinds $kinds): self
    {
        $fields = Fields::of($json, '', self::FIELDS)->need('format')->need('version')->need('id')->need('body')->need('parts');
        $fields->oneOf('format', [self::FORMAT], '');
        $fields->int('version', 0, 1, 1);
        $parts = self::parts($fields, $kinds);
        $hints = [];
        foreach ($fields->list('hints', 20) as $i => $hint) {
            $hints[] = Hint::read($hint, "/hints/$i");
        }
        $stimuli = [];
        foreach ($fields->list('stimuli', 20) as $i => $id) {
            $stimuli[] = Fields::asUuid($id, "/stimuli/$i");
        }
        $language = $fields->language();
        $attempts = $fields->object('attempts', ['allowed', 'cost']);
        $fields->oneOf('use', ['marked', 'practice', 'survey'], 'marked');
        $tools = $fields->object('tools', ['calculator', 'ruler', 'protractor']);
        $tools->oneOf('calculator', ['none', 'basic', 'scientific'], 'none');
        $tools->bool('ruler', false);
        $tools->bool('protractor', false);
        assert($json instanceof \stdClass);

        return new self(
            $json,
            $fields->uuid(),
            $fields->string('title', '', 500),
            $language,
            $fields->string('body', '', 400000),
            $stimuli,
            $parts,
            Variables::read($fields->raw('variables'), '/variables'),
            NormaliseOptions::read($fields->has('normalise') ? $fields->raw('normalise') : new \stdClass(), '/normalise'),
            QuestionScoring::read($fields->has('scoring') ? $fields->raw('scoring') : new \stdClass()),
            Feedback::readSet($fields->object('feedback', ['right', 'partly', 'wrong', 'general']), [
                'right',
                'partly',
                'wrong',
                'general',
            ]),
            $hints,
            $attempts->intOrNull('allowed', null, 1, 100),
            $attempts->exact('cost', '0'),
            is_object($json->tools ?? null) ? (object) (array) $json->tools : new \stdClass(),
            $fields->intOrNull('time_limit', null, 1, 86400),
            Record::read($fields->has('record') ? $fields->raw('record') : new \stdClass(), '/record'),
        );
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

    /** M: the sum of the parts' points. */
    public function points(): BigRational
    {
        return array_reduce($this->parts, fn (BigRational $sum, Part $part): BigRational => $sum->plus($part->points()), Exact::zero());
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
