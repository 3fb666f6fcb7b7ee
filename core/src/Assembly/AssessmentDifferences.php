<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use WideQuarry\Messages\Message;

/** What is different between two states of an assessment, in sentences that a teacher reads. */
final class AssessmentDifferences
{
    /** Fields of the whole that are told by their names alone. */
    private const TOLD = [
        'instructions' => 'changed-instructions',
        'language' => 'changed-language',
        'standards' => 'changed-standards',
        'run' => 'changed-run',
    ];

    private const TOLD_OF_SECTIONS = [
        'instructions' => 'changed-section-instructions',
        'shuffle' => 'changed-section-shuffle',
        'weight' => 'changed-section-weight',
        'time_limit' => 'changed-section-time',
        'new_page' => 'changed-section-page',
        'override' => 'changed-section-settings',
    ];

    /** @var list<string> */
    private array $said = [];

    /** @param  array<string, string>  $titles  of questions */
    private function __construct(private readonly array $titles)
    {
    }

    /**
     * @param  array<string, string>  $titles  question → its title; one that is not in it is called a question that is gone
     * @return list<string> the whole first, then section by section
     */
    public static function between(Assessment $before, Assessment $after, array $titles): array
    {
        $differences = new self($titles);
        [$old, $new] = [$before->toJson(), $after->toJson()];
        $differences->whole($old, $new);
        $differences->sections(self::sectionsOf($old), self::sectionsOf($new));
        $differences->entries(self::entriesOf($old), self::entriesOf($new));
        $differences->order($before, $after);

        return $differences->said;
    }

    /** @param  array<string, string|int>  $values */
    private function say(string $what, array $values = []): void
    {
        $sentence = Message::of("assembly.$what", $values);
        $this->said[] = mb_strtoupper(mb_substr($sentence, 0, 1)).mb_substr($sentence, 1); // it may begin with "section 2"
    }

    private function whole(\stdClass $old, \stdClass $new): void
    {
        if (($old->title ?? '') !== ($new->title ?? '')) {
            $this->say('changed-title', ['before' => self::text($old, 'title'), 'after' => self::text($new, 'title')]);
        }
        foreach (self::TOLD as $field => $said) {
            if (($old->{$field} ?? null) != ($new->{$field} ?? null)) {
                $this->say($said);
            }
        }
        if (($old->time_limit ?? null) !== ($new->time_limit ?? null)) {
            $this->say('changed-time', ['minutes' => is_int($new->time_limit ?? null) ? (int) ceil($new->time_limit / 60) : 0]);
        }
        if (($old->state ?? 'draft') !== ($new->state ?? 'draft')) {
            $this->say('changed-state', ['state' => self::text($new, 'state') ?: 'draft']);
        }
    }

    /**
     * @param  array<string, \stdClass>  $old
     * @param  array<string, \stdClass>  $new
     */
    private function sections(array $old, array $new): void
    {
        foreach (array_diff_key($new, $old) as $section) {
            $this->say('changed-section-added', ['section' => self::text($section, 'called')]);
        }
        foreach (array_diff_key($old, $new) as $section) {
            $this->say('changed-section-removed', ['section' => self::text($section, 'called')]);
        }
        foreach (array_intersect_key($new, $old) as $id => $section) {
            if (($old[$id]->title ?? '') !== ($section->title ?? '')) {
                $this->say('changed-section-title', [
                    'before' => self::text($old[$id], 'called'),
                    'after' => self::text($section, 'called'),
                ]);
            }
            foreach (self::TOLD_OF_SECTIONS as $field => $said) {
                if (($old[$id]->{$field} ?? null) != ($section->{$field} ?? null)) {
                    $this->say($said, ['section' => self::text($section, 'called')]);
                }
            }
        }
    }

    /**
     * @param  array<string, array{\stdClass, \stdClass}>  $old  entry and its section
     * @param  array<string, array{\stdClass, \stdClass}>  $new
     */
    private function entries(array $old, array $new): void
    {
        foreach (array_diff_key($new, $old) as [$entry, $section]) {
            $this->say('changed-added', ['name' => $this->named($entry), 'section' => self::text($section, 'called')]);
        }
        foreach (array_diff_key($old, $new) as [$entry, $section]) {
            $this->say('changed-removed', ['name' => $this->named($entry), 'section' => self::text($section, 'called')]);
        }
        foreach (array_intersect_key($new, $old) as $id => [$entry, $section]) {
            [$was, $stood] = $old[$id];
            if ($stood->id !== $section->id) {
                $from = self::text($stood, 'called');
                $this->say('changed-moved', ['name' => $this->named($entry), 'from' => $from, 'to' => self::text($section, 'called')]);
            }
            $this->entry($was, $entry);
        }
    }

    private function entry(\stdClass $was, \stdClass $is): void
    {
        $name = $this->named($is);
        if (($was->question ?? null) !== ($is->question ?? null)) {
            $this->say('changed-exchanged', ['before' => $this->named($was), 'after' => $name]);
        }
        if (($was->points ?? null) != ($is->points ?? null)) {
            $this->say('changed-points', [
                'name' => $name,
                'before' => isset($was->points) ? self::text($was, 'points') : 'own',
                'after' => isset($is->points) ? self::text($is, 'points') : 'own',
            ]);
        }
        $follow = fn (\stdClass $entry): string => (self::text($entry, 'follow') ?: 'latest').(self::text($entry, 'revision'));
        if ($follow($was) !== $follow($is)) {
            $this->say('changed-follow', [
                'name' => $name,
                'follow' => self::text($is, 'follow') ?: 'latest',
                'revision' => self::text($is, 'revision'),
            ]);
        }
        if (($was->variation ?? null) != ($is->variation ?? null)) {
            $how = isset($is->variation) ? (isset($was->variation) ? 'edited' : 'made') : 'dropped';
            $this->say('changed-variation', ['name' => $name, 'how' => $how]);
        }
        $asked = fn (\stdClass $entry): array => [$entry->override ?? null, $entry->place ?? 'anywhere', $entry->fixed ?? false];
        if ($asked($was) != $asked($is)) {
            $this->say('changed-override', ['name' => $name]);
        }
        if (isset($is->draw, $was->draw)) {
            $this->draw($was, $is, $name);
        }
    }

    private function draw(\stdClass $was, \stdClass $is, string $name): void
    {
        if ($was->draw !== $is->draw) {
            $this->say('changed-draw', ['name' => $name, 'before' => self::text($was, 'draw'), 'after' => self::text($is, 'draw')]);
        }
        $described = fn (\stdClass $draw): array => array_map(
            fn (\stdClass $one): array => [$one->conditions ?? null, $one->banks ?? null, $one->draw ?? null],
            self::sources($draw),
        );
        if ([$described($was), $was->apart ?? false] != [$described($is), $is->apart ?? false]) {
            $this->say('changed-conditions', ['name' => $name]);
        }
        [$before, $now] = [self::pool($was), self::pool($is)];
        [$added, $taken] = [count(array_diff($now, $before)), count(array_diff($before, $now))];
        if ($added + $taken > 0) {
            $this->say('changed-pool', ['name' => $name, 'added' => $added, 'taken' => $taken]);
        }
    }

    /** @return list<string> */
    private static function pool(\stdClass $draw): array
    {
        $pools = [$draw->pool ?? [], ...array_map(fn (\stdClass $one): mixed => $one->pool ?? [], self::sources($draw))];

        return array_values(array_unique(array_filter(array_merge(...array_filter($pools, is_array(...))), is_string(...))));
    }

    /** @return list<\stdClass> */
    private static function sources(\stdClass $draw): array
    {
        $from = is_array($draw->from ?? null) ? $draw->from : [];

        return array_values(array_filter($from, fn (mixed $one): bool => $one instanceof \stdClass));
    }

    /** That the entries which stay in a section stand in another order. */
    private function order(Assessment $before, Assessment $after): void
    {
        $old = [];
        foreach ($before->sections as $section) {
            $old[$section->id] = array_map(fn (Pick|Draw $entry): string => $entry->id, $section->entries);
        }
        foreach ($after->sections as $i => $section) {
            $now = array_map(fn (Pick|Draw $entry): string => $entry->id, $section->entries);
            $then = $old[$section->id] ?? [];
            if (array_values(array_intersect($now, $then)) !== array_values(array_intersect($then, $now))) {
                $this->say('changed-order', ['section' => self::called($section->title, $i)]);
            }
        }
        $sections = array_map(fn (Section $section): string => $section->id, $after->sections);
        if (array_values(array_intersect($sections, array_keys($old))) !== array_values(array_intersect(array_keys($old), $sections))) {
            $this->say('changed-section-order');
        }
    }

    private function named(\stdClass $entry): string
    {
        if (isset($entry->draw)) {
            $title = self::text($entry, 'title');

            return $title === '' ? Message::of('assembly.a-draw') : "“{$title}”";
        }
        $variation = $entry->variation ?? null;
        $title = $variation instanceof \stdClass ? self::text($variation, 'title') : '';
        $title = $title === '' ? $this->titles[self::text($entry, 'question')] ?? '' : $title;

        return $title === '' ? Message::of('assembly.a-question-gone') : "“{$title}”";
    }

    /** @return array<string, \stdClass> id → the section, with what it is called */
    private static function sectionsOf(\stdClass $json): array
    {
        $sections = [];
        foreach (is_array($json->sections ?? null) ? array_values($json->sections) : [] as $i => $section) {
            if ($section instanceof \stdClass) {
                $section->called = self::called(self::text($section, 'title'), $i);
                $sections[self::text($section, 'id')] = $section;
            }
        }

        return $sections;
    }

    private static function called(string $title, int $at): string
    {
        return $title === '' ? Message::of('assembly.section-number', ['n' => $at + 1]) : "“{$title}”";
    }

    /** @return array<string, array{\stdClass, \stdClass}> id → the entry, and its section */
    private static function entriesOf(\stdClass $json): array
    {
        $entries = [];
        foreach (self::sectionsOf($json) as $section) {
            foreach (is_array($section->entries ?? null) ? $section->entries : [] as $entry) {
                if ($entry instanceof \stdClass) {
                    $entries[self::text($entry, 'id')] = [$entry, $section];
                }
            }
        }

        return $entries;
    }

    private static function text(\stdClass $of, string $field): string
    {
        return is_scalar($of->{$field} ?? null) ? (string) $of->{$field} : '';
    }
}
