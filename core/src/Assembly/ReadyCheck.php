<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use WideQuarry\Finding;
use WideQuarry\Messages\Message;

/** Whether an assessment can be given to learners: what keeps it from that, and what somebody should look at first. */
final class ReadyCheck
{
    /** @var list<Finding> */
    private array $findings = [];

    /** @var array<string, int> */
    private array $times;

    /** @param  array<string, ReadyQuestion>  $there  the questions that are there */
    private function __construct(private readonly Assessment $assessment, private readonly array $there)
    {
        $this->times = $assessment->timesAsked();
    }

    /**
     * @param  array<string, ReadyQuestion>  $there  question → what is known of it; one that is gone is missing
     * @param  list<array{string, string}>  $near  questions that are nearly the same
     * @param  list<array{name: string, measure: string, asked: string, found: int|float}>  $short  of what its blueprint asks for
     * @return list<Finding> paths name the entry or section, such as "/e1"
     */
    public static function of(Assessment $assessment, array $there, array $near = [], array $short = []): array
    {
        $check = new self($assessment, $there);
        if ($assessment->questions() === []) {
            $check->findings[] = Finding::blocking('assessment.empty', '', Message::of('assembly.asks-nothing'));
        }
        foreach ($assessment->sections as $i => $section) {
            $check->section($section, $i);
        }

        $check->stimuli();
        $check->near($near);
        foreach ($short as ['name' => $name, 'measure' => $what, 'asked' => $asked, 'found' => $found]) {
            $sentence = Message::of('assembly.blueprint-short', ['name' => $name, 'what' => $what, 'asked' => $asked, 'found' => $found]);
            $check->findings[] = Finding::warning('blueprint.short', '', $sentence);
        }

        return $check->findings;
    }

    private function section(Section $section, int $at): void
    {
        if ($section->entries === [] && $this->assessment->questions() !== []) {
            $sentence = Message::of('assembly.section-empty', ['section' => self::called($section, $at)]);
            $this->findings[] = Finding::warning('section.empty', "/$section->id", $sentence);
        }
        if (! $section->isWeight) {
            $sentence = Message::of('assembly.weight-unreadable', ['section' => self::called($section, $at)]);
            $this->findings[] = Finding::blocking('section.weight', "/$section->id", $sentence);
        }
        foreach ($section->entries as $entry) {
            if ($entry instanceof Pick) {
                $this->pick($entry);
            } else {
                $this->draw($entry);
            }
        }
    }

    /** A stimulus that is shown, left for other questions, and shown again: learners read it twice. */
    private function stimuli(): void
    {
        $shown = $open = [];
        foreach ($this->assessment->sections as $section) {
            foreach ($section->picks as $pick) {
                $question = $this->there[$pick->question] ?? null;
                $now = $pick->variation->stimuli ?? ($question->stimuli ?? []);
                foreach (array_diff(array_intersect($now, $shown), $open) as $again) {
                    $shown = array_values(array_diff($shown, [$again])); // said once
                    $name = self::named($pick->variation->title ?? ($question->title ?? ''));
                    $sentence = Message::of('assembly.stimulus-again', ['name' => $name]);
                    $this->findings[] = Finding::warning('stimulus.again', "/$pick->id", $sentence);
                }
                $shown = [...$shown, ...array_diff($now, $shown)];
                $open = $now;
            }
        }
    }

    /** @param  list<array{string, string}>  $near */
    private function near(array $near): void
    {
        $entries = [];
        foreach ($this->assessment->picks() as $pick) {
            if (isset($entries[$pick->question])) {
                $name = self::named($this->there[$pick->question]->title ?? '');
                $sentence = Message::of('assembly.asked-twice', ['name' => $name]);
                $this->findings[] = Finding::warning('entry.twice', "/$pick->id", $sentence);
            }
            $entries[$pick->question] ??= $pick->id;
        }
        foreach ($near as [$one, $other]) {
            if (isset($entries[$one], $entries[$other])) {
                $title = fn (string $id): string => self::named($this->there[$id]->title ?? '');
                $values = ['one' => $title($one), 'other' => $title($other)];
                $this->findings[] = Finding::warning('entry.near', "/$entries[$other]", Message::of('assembly.nearly-the-same', $values));
            }
        }
    }

    private static function called(Section $section, int $at): string
    {
        return $section->title === '' ? Message::of('assembly.section-number', ['n' => $at + 1]) : "“{$section->title}”";
    }

    private function pick(Pick $pick): void
    {
        $question = $this->there[$pick->question] ?? null;
        if ($pick->variation !== null) {
            $name = self::named($pick->variation->title);
        } elseif ($question === null) {
            $this->findings[] = Finding::blocking('entry.gone', "/$pick->id", Message::of('assembly.asks-what-is-gone'));

            return;
        } else {
            $name = self::named($question->title);
            $this->question($question, $pick->id, $name);
        }
        if ($question?->isMarked !== false && $pick->points($question?->points)->isZero()) {
            $this->findings[] = Finding::warning('entry.no_points', "/$pick->id", Message::of('assembly.no-points', ['name' => $name]));
        }
    }

    private function question(ReadyQuestion $question, string $entry, string $name): void
    {
        if (! $question->isComplete) {
            $this->findings[] = Finding::blocking('entry.incomplete', "/$entry", Message::of('assembly.not-complete', ['name' => $name]));
        }
        if ($question->failingSpecimens > 0) {
            $values = ['name' => $name, 'n' => $question->failingSpecimens];
            $this->findings[] = Finding::warning('entry.specimens', "/$entry", Message::of('assembly.specimens-fail', $values));
        }
    }

    private function draw(Draw $draw): void
    {
        $pool = array_intersect_key($this->there, array_flip($draw->pool));
        $points = array_map(fn (ReadyQuestion $question): \Brick\Math\BigRational => $question->points, $pool);
        foreach (DrawCheck::of($draw, $this->assessment, $points, $this->times) as $finding) {
            $this->findings[] = $finding->code === 'draw.small'
                ? Finding::blocking($finding->code, $finding->path, $finding->message)
                : $finding;
        }
        $incomplete = array_filter($pool, fn (ReadyQuestion $question): bool => ! $question->isComplete);
        foreach ($incomplete as $question) {
            $values = ['name' => self::named($question->title)];
            $this->findings[] = Finding::blocking('entry.incomplete', "/$draw->id", Message::of('assembly.not-complete', $values));
        }
    }

    private static function named(string $title): string
    {
        return $title === '' ? Message::of('assembly.a-question') : "“{$title}”";
    }
}
