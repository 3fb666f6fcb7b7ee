<?php

declare(strict_types=1);

namespace WideQuarry\Bulk;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Marking\Rubric;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Defaults;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\PointsChange;
use WideQuarry\Question\Question;
use WideQuarry\Question\QuestionMedia;
use WideQuarry\Question\ShuffleChange;
use WideQuarry\Question\UnhelpfulTitle;

/** What is to be changed of the content of many questions; what is not named stays. */
final readonly class ContentChange
{
    private const FIELDS = [
        'points', 'shuffle', 'attempts', 'show', 'language', 'names', 'replace', 'media', 'rubric', 'tools', 'time_limit',
    ];

    private function __construct(private Fields $fields, private ?TextReplacement $replacing)
    {
    }

    /**
     * @param  mixed  $json  {"points": 2, "shuffle": true, "attempts": {"allowed": 3, "cost": "1/5"}, "show": "after", "language": "en-GB",
     *                       "tools": {"calculator": "basic"}, "time_limit": 180 (seconds, or null for none),
     *                       "names": true (those that say nothing, from the content), "replace": {"find","with","case","whole","skip"},
     *                       "media": {"from","to"} (one medium in the place of another, wherever it stands),
     *                       "rubric": {"id","revision","rubric"} (the newest revision of a rubric, where a part follows it)}
     *
     * @throws Malformed
     */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, self::FIELDS);
        try {
            $usual = ['points', 'shuffle', 'attempts', 'show', 'language', 'tools', 'time_limit'];
            Defaults::read((object) array_intersect_key((array) $json, array_flip($usual)));
        } catch (Malformed $problem) {
            throw $problem->under($path);
        }
        $fields->bool('names', true);
        if ($fields->has('media')) {
            $media = $fields->object('media', ['from', 'to']);
            [$media->id('from'), $media->id('to')];
        }

        if ($fields->has('rubric')) {
            $rubric = $fields->object('rubric', ['id', 'revision', 'rubric'])->need('rubric');
            [$rubric->uuid('id'), $rubric->int('revision', 1, 1, 1_000_000)];
            Rubric::read($rubric->raw('rubric'), "$path/rubric/rubric");
        }

        return new self($fields, $fields->has('replace') ? TextReplacement::read($fields->raw('replace'), "$path/replace") : null);
    }

    public function isEmpty(): bool
    {
        foreach (self::FIELDS as $field) {
            if ($this->fields->has($field)) {
                return false;
            }
        }

        return true;
    }

    /** @return array{from: string, to: string}|null the medium that is replaced, and the one that takes its place */
    public function replacedMedium(): ?array
    {
        $media = $this->fields->has('media') ? $this->fields->object('media', ['from', 'to']) : null;

        return $media === null ? null : ['from' => $media->id('from'), 'to' => $media->id('to')];
    }

    public function replacing(): ?TextReplacement
    {
        return $this->replacing;
    }

    /**
     * @param  \stdClass  $content  a question without its record
     *
     * @throws QuestionSkipped when the points cannot be shared out
     * @throws Malformed when it would not be a question any more
     */
    public function apply(\stdClass $content, PartKinds $kinds): \stdClass
    {
        $after = Json::copy($content);
        assert($after instanceof \stdClass);
        $after = $this->replacing?->in($after)['question'] ?? $after;
        $media = $this->replacedMedium();
        if ($media !== null) {
            $after = QuestionMedia::renamed($after, [$media['from'] => $media['to']]);
        }
        $after = $this->fields->has('points') ? $this->points($after) : $after;
        $this->replaceFields($after);
        if ($this->fields->has('shuffle')) {
            ShuffleChange::on($after, $this->fields->bool('shuffle', true), $kinds);
        }
        if ($this->fields->has('rubric')) {
            $this->rubric($after);
        }
        if ($this->fields->has('show')) {
            self::show($after, $this->fields->string('show'));
        }
        if ($this->fields->has('names') && UnhelpfulTitle::saysNothing(is_string($after->title ?? null) ? $after->title : '')) {
            $after->title = UnhelpfulTitle::proposal(Question::read($after, $kinds)) ?? ($after->title ?? '');
        }
        Question::read($after, $kinds);

        return $after;
    }

    /** What a question has of its own, its sheets, it keeps. */
    private function replaceFields(\stdClass $content): void
    {
        $sheets = $content->tools->sheets ?? null; // @phpstan-ignore property.nonObject
        foreach (['attempts', 'language', 'tools', 'time_limit'] as $field) {
            if ($this->fields->has($field)) {
                $content->{$field} = Json::copy($this->fields->raw($field));
            }
        }
        if ($sheets !== null && $content->tools instanceof \stdClass) {
            $content->tools->sheets = $sheets;
        }
    }

    private function points(\stdClass $content): \stdClass
    {
        $given = $this->fields->decimal('points', '1000');
        $total = Exact::read($given) ?? Exact::zero();
        if (($content->parts ?? []) === []) {
            throw new QuestionSkipped(Message::of('bulk.text-page-nothing-earns'));
        }

        return PointsChange::to($content, $total) ??
            throw new QuestionSkipped(Message::of('bulk.parts-cannot-share-points', ['given' => $given]));
    }

    /**
     * The rubric in every part that follows it; the points of the part stay, and a finding says where they differ.
     *
     * @throws QuestionSkipped when no part follows it any more
     */
    private function rubric(\stdClass $content): void
    {
        $given = $this->fields->object('rubric', ['id', 'revision', 'rubric']);
        $id = $given->uuid('id');
        $followed = false;
        foreach (is_array($content->parts ?? null) ? $content->parts : [] as $part) {
            $key = $part instanceof \stdClass ? $part->key ?? null : null;
            $link = $key instanceof \stdClass && ($key->rubric ?? null) instanceof \stdClass ? $key->rubric->link ?? null : null;
            if ($key instanceof \stdClass && $link instanceof \stdClass && ($link->rubric ?? null) === $id) {
                $rubric = Json::copy($given->raw('rubric'));
                assert($rubric instanceof \stdClass);
                $rubric->link = (object) ['rubric' => $id, 'revision' => $given->int('revision', 1, 1, 1_000_000)];
                $key->rubric = $rubric;
                $followed = true;
            }
        }
        if (! $followed) {
            throw new QuestionSkipped(Message::of('bulk.does-not-follow-rubric'));
        }
    }

    /** Every feedback that says something: of the question, its parts, their rules. */
    private static function show(\stdClass $thing, string $when): void
    {
        foreach (get_object_vars($thing) as $name => $value) {
            if ($name === 'feedback' && $value instanceof \stdClass) {
                foreach (isset($value->html) ? [$value] : get_object_vars($value) as $feedback) {
                    if ($feedback instanceof \stdClass && ($feedback->html ?? '') !== '') {
                        $feedback->show = $when;
                    }
                }
            } elseif ($name !== 'record') {
                foreach (is_array($value) ? $value : [$value] as $inner) {
                    if ($inner instanceof \stdClass) {
                        self::show($inner, $when);
                    }
                }
            }
        }
    }
}
