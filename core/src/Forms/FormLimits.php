<?php

declare(strict_types=1);

namespace WideQuarry\Forms;

use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Draw;
use WideQuarry\Assembly\Section;
use WideQuarry\Assembly\SectionUnits;
use WideQuarry\Messages\Message;
use WideQuarry\Random\Seed;

/** What the forms of a test could not meet, and why: looked up in the forms themselves, whatever was meant when they were made. */
final class FormLimits
{
    /** @var array<string, list<string>> what holds of a form → its letters */
    private array $of = [];

    /** @var array<string, string> section → its title */
    private array $sections = [];

    /** @var array<string, true> entries that stay behind another */
    private array $tied = [];

    /** @var array<string, true> entries that stand behind the same one in every form, because their section is not shuffled */
    private array $still = [];

    /** @var array<string, int> section → the fewest units that move in it */
    private array $loose = [];

    /** @var array<string, array<string, true>> pair of questions → forms in which they are neighbours */
    private array $neighbours = [];

    /** @var array<string, 'tied'|'still'> pairs that always stand together, and why */
    private array $together = [];

    /** @var array<string, array<int, int>> question and part → place → forms */
    private array $places = [];

    /** @var array<string, int> question and part → places its key can have */
    private array $possible = [];

    /** @var array<string, int> how many options the questions have → how uneven their keys are at best */
    private array $even = [];

    /** @var array<string, string> problems of questions and draws, each once */
    private array $problems = [];

    public function __construct(private readonly Assessment $assessment, private readonly FormSettings $settings)
    {
    }

    /** A section of a form as it is put in order. */
    public function moves(Section $section, SectionUnits $units): void
    {
        foreach ($units->together() as $unit) {
            foreach (array_slice($unit, 1) as $entry) {
                $this->tied[$entry] = true;
            }
        }
        if (! $units->moves) {
            $this->still += array_fill_keys(array_slice($units->ordered([]), 1), true);
        }
        if (count($section->entries) > 1) {
            $this->sections[$section->id] = $section->title;
            $this->loose[$section->id] = min($this->loose[$section->id] ?? PHP_INT_MAX, count($units->loose()));
        }
    }

    public function look(Form $form, FormDraft $draft): void
    {
        $questions = $draft->questions;
        foreach ($this->assessment->draws() as $draw) {
            $this->drawing($draw, $form);
        }
        $before = null;
        foreach ($form->entries as $entry) {
            $question = $questions[$entry->drawnEntry()] ?? null;
            if ($question === null) {
                $this->problems["gone $entry->question"] = Message::of('forms.gone', ['number' => $entry->master ?? 0]);
            } elseif ($question->look($entry->seed) === null) {
                $this->problems["roll $entry->question"] = Message::of('forms.no-roll', ['number' => $entry->master ?? 0]);
            }
            if ($before !== null) {
                $pair = self::pair($before->question, $entry->question);
                $this->neighbours[$pair][$form->letter] = true;
                if (isset($this->still[$entry->drawnEntry()])) {
                    $this->together[$pair] = 'still';
                } elseif (isset($this->tied[$entry->drawnEntry()])) {
                    $this->together[$pair] = 'tied';
                }
            }
            $before = $entry;
        }
        $this->keys($form, $questions);
    }

    /** @return list<string> */
    public function sentences(): array
    {
        $sentences = array_values($this->problems);
        if ($this->settings->count > 1) {
            array_push($sentences, ...$this->kept(), ...$this->shared(), ...$this->sameKeys());
        }
        foreach ($this->of as $what => $letters) {
            $sentences[] = Message::of('forms.of-forms', [
                'n' => count($letters),
                'letters' => implode(', ', $letters),
                'what' => $what,
            ]);
        }

        return $sentences;
    }

    private function drawing(Draw $draw, Form $form): void
    {
        $isDrawn = fn (FormEntry $entry): bool => $entry->drawNumber !== null && $entry->entry === $draw->id;
        $there = count(array_filter($form->entries, $isDrawn));
        if ($there < $draw->count) {
            $this->problems["draw $draw->id"] = Message::of('forms.draw-short', [
                'named' => $draw->title === '' ? 'no' : 'yes',
                'title' => $draw->title,
                'count' => $draw->count,
                'there' => $there,
            ]);
        }
    }

    /** @param  array<string, VaryingQuestion>  $questions */
    private function keys(Form $form, array $questions): void
    {
        $places = $numbers = $free = $moves = [];
        $stuck = 0;
        foreach ($form->entries as $entry) {
            $question = $questions[$entry->drawnEntry()] ?? null;
            if ($question === null) {
                continue;
            }
            foreach ($question->places($entry->seed) as $part => $place) {
                $key = $question->keys[$part];
                $places[] = $place;
                $numbers[] = [$entry->number ?? 0, $entry->key[$part][0] ?? ''];
                $free[] = ['places' => range(0, $key->options - 1), 'used' => []];
                $isStuck = count($key->places) < $key->options || isset($this->settings->kept[$entry->drawnEntry()]);
                $stuck += $isStuck ? 1 : 0;
                $moves[] = ! $isStuck;
                $this->places["$entry->question\t$part"][$place] = ($this->places["$entry->question\t$part"][$place] ?? 0) + 1;
                $this->possible["$entry->question\t$part"] = count($key->places);
            }
        }
        foreach (KeyBalance::runs($places, $this->settings->longestRun) as $begin => $length) {
            $this->of[Message::of('forms.long-run', [
                'first' => $numbers[$begin][0],
                'last' => $numbers[$begin + $length - 1][0],
                'letter' => $numbers[$begin][1],
                'longest' => $this->settings->longestRun,
                'stuck' => in_array(true, array_slice($moves, $begin, $length), true) ? 'no' : 'yes',
            ])][] = $form->letter;
        }
        if (KeyBalance::unevenness($places) > $this->even($free)) {
            $shares = $form->balance();
            $this->of[Message::of('forms.uneven', [
                'shares' => implode(', ', array_map(fn (string|int $letter, int $n): string => "$letter $n", array_keys($shares), $shares)),
                'stuck' => $stuck,
                'of' => count($places),
            ])][] = $form->letter;
        }
    }

    /**
     * How uneven keys would be that can stand anywhere; the same for all forms without draws.
     *
     * @param  list<array{places: non-empty-list<int>, used: array<int, int>}>  $free
     */
    private function even(array $free): int
    {
        $counts = array_map(fn (array $one): int => count($one['places']), $free);
        sort($counts);
        $balance = new KeyBalance($free, PHP_INT_MAX, Seed::of(1)->stream('even', ''));

        return $this->even[implode(',', $counts)] ??= KeyBalance::unevenness($balance->places());
    }

    /** @return list<string> sections whose order is the same in every form, or that have too few orders */
    private function kept(): array
    {
        $still = array_filter($this->loose, fn (int $loose): bool => $loose < 2);
        $said = [];
        if ($still !== [] && count($still) === count($this->loose)) {
            $said[] = Message::of('forms.nothing-moves');
        } else {
            foreach (array_keys($still) as $section) {
                $title = $this->sections[$section];
                $said[] = Message::of('forms.section-still', ['named' => $title === '' ? 'no' : 'yes', 'title' => $title]);
            }
        }
        foreach ($this->loose as $section => $loose) {
            $orders = array_product($loose > 1 && $loose < 6 ? range(1, $loose) : [PHP_INT_MAX]);
            if ($loose > 1 && $orders < $this->settings->count) {
                $said[] = Message::of('forms.few-orders', [
                    'named' => $this->sections[$section] === '' ? 'no' : 'yes',
                    'title' => $this->sections[$section],
                    'orders' => $orders,
                    'count' => $this->settings->count,
                ]);
            }
        }

        return $said;
    }

    /** @return list<string> */
    private function shared(): array
    {
        if (array_filter($this->loose, fn (int $loose): bool => $loose > 1) === []) {
            return []; // said already
        }
        $often = array_keys(array_filter($this->neighbours, fn (array $letters): bool => count($letters) > 1));
        $why = array_count_values(array_map(fn (string $pair): string => $this->together[$pair] ?? 'moved', $often));
        $said = isset($why['tied']) ? [Message::of('forms.kept-together', ['pairs' => $why['tied']])] : [];

        return isset($why['moved']) ? [...$said, Message::of('forms.neighbours', ['pairs' => $why['moved']])] : $said;
    }

    /** @return list<string> */
    private function sameKeys(): array
    {
        $same = array_filter($this->places, fn (array $places): bool => max([0, ...$places]) > 1);
        $few = array_filter(
            $same,
            fn (array $places, string $part): bool => $this->possible[$part] < array_sum($places),
            ARRAY_FILTER_USE_BOTH,
        );

        return $same === [] ? [] : [Message::of('forms.same-keys', [
            'count' => count($same),
            'few' => count($few),
            'all' => count($few) === count($same) ? 'yes' : 'no',
        ])];
    }

    private static function pair(string $one, string $other): string
    {
        return $one < $other ? "$one $other" : "$other $one";
    }
}
