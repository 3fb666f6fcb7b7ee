<?php

declare(strict_types=1);

namespace WideQuarry\Bulk;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Parts\Parts;
use WideQuarry\Question\Completeness;
use WideQuarry\Question\PathsChange;
use WideQuarry\Question\RecordChange;

/**
 * One change for many questions: of their records, their places, their content; into the bin or out of it; home to the bank where it is made.
 * Each question is changed whole or left, with a reason.
 */
final readonly class BulkChange
{
    public const FIELDS = ['record', 'topics', 'folders', 'content', 'bin', 'home'];

    private function __construct(public RecordChange $record, public PathsChange $topics, public PathsChange $folders, public ContentChange $content, private ?bool $bin, private bool $home)
    {
    }

    /**
     * @param  mixed  $json  {"record","topics","folders","content","bin","home"}, each of them optional
     *
     * @throws Malformed naming the path of what no question could hold
     */
    public static function read(mixed $json): self
    {
        $fields = Fields::of($json, '', self::FIELDS);
        $record = RecordChange::read($fields->has('record') ? $fields->raw('record') : new \stdClass, '/record');
        $record->apply(new \stdClass); // a value that no record can hold is refused before anything is changed
        $paths = fn (string $name): PathsChange => PathsChange::read($fields->object($name, ['set', 'add', 'remove']));

        return new self($record, $paths('topics'), $paths('folders'), ContentChange::read($fields->has('content') ? $fields->raw('content') : new \stdClass, '/content'), $fields->has('bin') ? $fields->bool('bin', false) : null, $fields->bool('home', false));
    }

    public function isEmpty(): bool
    {
        return $this->record->isEmpty() && $this->topics->isEmpty() && $this->folders->isEmpty() && $this->content->isEmpty() && $this->bin === null && ! $this->home;
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
     * @throws Left when this question stays as it is
     * @throws Malformed when it would not be a question any more
     */
    public function apply(Standing $now, Parts $kinds): Standing
    {
        $this->refuse($now);
        $content = $now->content === null || $this->content->isEmpty() ? $now->content : $this->content->apply($now->content, $kinds);
        $changed = Json::encode($content) !== Json::encode($now->content);
        $record = $this->record->apply($now->record);
        if ($changed && ($record->status ?? '') === 'approved' && $this->record->status() === null) {
            unset($record->status); // as with any save: approved is a revision, not whatever comes after it
        }

        return $now->after($record, $this->topics->apply($now->topics), $this->folders->apply($now->folders), $changed ? $content : $now->content, $this->bin ?? $now->isBinned, $now->isHome || $this->home);
    }

    private function refuse(Standing $now): void
    {
        if (! $now->isHome && $this->home && $now->facts->clash !== null && $now->facts->mayWriteHome) {
            throw Left::clash($now->facts->clash);
        }
        $onlyPlaces = $this->record->isEmpty() && $this->topics->isEmpty() && $this->content->isEmpty() && $this->bin === null;
        $approval = $this->record->status() === 'approved' ? Completeness::refusal($now->facts->isComplete, $now->facts->specimensFailing) : null;
        $why = match (true) {
            ! $now->isHome && ! $this->home && ! $onlyPlaces => 'It lives in another bank; it is changed there.',
            ! $now->isHome && $this->home && ! $now->facts->mayWriteHome => 'You may not write in the bank it lives in, so it stays there.',
            $this->bin === true && $now->facts->uses === 1 => 'An assessment asks it. Take it out of there first.',
            $this->bin === true && $now->facts->uses > 1 => "{$now->facts->uses} assessments ask it. Take it out of them first.",
            default => $approval,
        };
        if ($why !== null) {
            throw new Left($why);
        }
        if (! $now->isHome && ! $this->home && ! $now->facts->isLent && $now->folders === []) {
            throw Left::notLent();
        }
    }
}
