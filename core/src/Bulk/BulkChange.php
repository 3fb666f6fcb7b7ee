<?php

declare(strict_types=1);

namespace WideQuarry\Bulk;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Approval;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\PlacesChange;
use WideQuarry\Question\RecordChange;
use WideQuarry\Question\Status;

/**
 * One change for many questions: of their records, their places, their content; into the bin or out of it; home to the bank where it is
 * made. Each question is changed whole or left, with a reason.
 */
final readonly class BulkChange
{
    public const FIELDS = ['record', 'topics', 'folders', 'content', 'bin', 'home'];

    private function __construct(
        public RecordChange $record,
        public PlacesChange $topics,
        public PlacesChange $folders,
        public ContentChange $content,
        private ?bool $bin,
        private bool $home,
    ) {
    }

    /**
     * @param  mixed  $json  {"record","topics","folders","content","bin","home"}, each of them optional
     *
     * @throws Malformed naming the path of what no question could hold
     */
    public static function read(mixed $json): self
    {
        $fields = Fields::of($json, '', self::FIELDS);
        $record = RecordChange::read($fields->has('record') ? $fields->raw('record') : new \stdClass(), '/record');
        $record->apply(new \stdClass()); // a value that no record can hold is refused before anything is changed
        $paths = fn (string $name): PlacesChange => PlacesChange::read($fields->object($name, ['set', 'add', 'remove']));

        return new self(
            $record,
            $paths('topics'),
            $paths('folders'),
            ContentChange::read($fields->has('content') ? $fields->raw('content') : new \stdClass(), '/content'),
            $fields->has('bin') ? $fields->bool('bin', false) : null,
            $fields->bool('home', false),
        );
    }

    public function isEmpty(): bool
    {
        return $this->record->isEmpty() &&
            $this->topics->isEmpty() &&
            $this->folders->isEmpty() &&
            $this->content->isEmpty() &&
            $this->bin === null &&
            ! $this->home;
    }

    /** Whether it puts questions into the bin. */
    public function bins(): bool
    {
        return $this->bin === true;
    }

    /** Whether it takes questions out of the bin; all other changes leave alone what lies there. */
    public function restores(): bool
    {
        return $this->bin === false;
    }

    /** Whether it brings questions home from other banks. */
    public function bringsHome(): bool
    {
        return $this->home;
    }

    /**
     * @throws QuestionSkipped when this question stays as it is
     * @throws Malformed when it would not be a question any more
     */
    public function apply(QuestionState $now, PartKinds $kinds): QuestionState
    {
        $this->refuse($now);
        $content = $now->content === null || $this->content->isEmpty() ? $now->content : $this->content->apply($now->content, $kinds);
        $changed = Json::encode($content) !== Json::encode($now->content);
        $record = $this->record->apply($now->record);
        if ($changed && $this->record->status() === null) {
            Approval::withdraw($record);
        }

        return $now->after(
            $record,
            $this->topics->apply($now->topics),
            $this->folders->apply($now->folders),
            $changed ? $content : $now->content,
            $this->bin ?? $now->isBinned,
            $now->isHome || $this->home,
        );
    }

    private function refuse(QuestionState $now): void
    {
        if (! $now->isHome && $this->home && $now->facts->clash !== null && $now->facts->mayWriteHome) {
            throw QuestionSkipped::clash($now->facts->clash);
        }
        $onlyPlaces = $this->record->isEmpty() && $this->topics->isEmpty() && $this->content->isEmpty() && $this->bin === null;
        $approval =
            $this->record->status() === Status::Approved->value
                ? Approval::refusal($now->facts->isComplete, $now->facts->specimensFailing)
                : null;
        $why = match (true) {
            ! $now->isHome && ! $this->home && ! $onlyPlaces => Message::of('bulk.belongs-another-bank-change'),
            ! $now->isHome && $this->home && ! $now->facts->mayWriteHome => Message::of('bulk.you-cannot-edit-bank'),
            $this->bin === true && $now->facts->uses > 0 => Message::of('bulk.assessments-use-it', ['uses' => $now->facts->uses]),
            default => $approval,
        };
        if ($why !== null) {
            throw new QuestionSkipped($why);
        }
        if (! $now->isHome && ! $this->home && ! $now->facts->isLent && $now->folders === []) {
            throw QuestionSkipped::notLent();
        }
    }
}
