<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;

/** The options of a row, wherever its table has them, and the cell each stands in. */
final class RowOptions
{
    /** @var list<string> as they are written */
    public array $texts = [];

    /** @var list<string> address of each */
    public array $at = [];

    /** @var array<int, int> column of options, from 1 → which option it is here, from 0 */
    public array $places = [];

    /** @var list<int> those known to be right because their column says so */
    public array $right = [];

    /** Whether the table lists right and wrong ones apart, so that their order gives the key away. */
    public bool $isParted = false;

    private function __construct()
    {
    }

    public static function of(Entry $entry, CellProblems $problems): self
    {
        $options = new self;
        $cells = $entry->all(Meaning::Option);
        $empty = null;
        foreach ($cells as $i => $cell) {
            if ($cell->isEmpty()) {
                $empty ??= $cell;

                continue;
            }
            if ($empty !== null) {
                $problems->note('option-skipped', $empty->address, ['option' => chr(65 + min(25, $i))]);
                $empty = null;
            }
            $options->places[$cell->for ?? $i + 1] = count($options->texts);
            $options->add($cell->text, $cell->address);
        }
        foreach ($entry->filled(Meaning::Options) as $cell) {
            foreach (CellList::of($cell->text) as $text) {
                $options->places[count($options->texts) + 1] = count($options->texts);
                $options->add($text, $cell->address);
            }
        }
        $options->apart($entry);
        $options->withoutLetters();
        $options->tellDoubled($problems);

        return $options;
    }

    private function add(string $text, string $address): void
    {
        $this->texts[] = trim($text);
        $this->at[] = $address;
    }

    /** Columns of wrong options beside one of the right answer. */
    private function apart(Entry $entry): void
    {
        $wrong = $entry->filled(Meaning::Wrong);
        if ($wrong === []) {
            return;
        }
        $this->isParted = $this->texts === [];
        if ($this->isParted) {
            foreach ($entry->filled(Meaning::Answer, Meaning::Right) as $cell) {
                foreach ($cell->is === Meaning::Answer ? CellList::of($cell->text, commas: false) : [$cell->text] as $text) {
                    $this->right[] = count($this->texts);
                    $this->add($text, $cell->address);
                }
            }
        }
        foreach ($wrong as $cell) {
            $this->add($cell->text, $cell->address);
        }
    }

    /** "A. red", "B. green": letters typed before the words, when every option has its own. */
    private function withoutLetters(): void
    {
        $bare = [];
        foreach ($this->texts as $i => $text) {
            $letter = chr(65 + min(25, $i));
            $number = $i + 1;
            if (count($this->texts) < 2 ||
                preg_match("/^\(?(?:$letter|".strtolower($letter)."|$number)[.)]\s+(\S.*)$/su", $text, $m) !== 1) {
                return;
            }
            $bare[] = $m[1];
        }
        $this->texts = $bare;
    }

    private function tellDoubled(CellProblems $problems): void
    {
        $seen = [];
        foreach ($this->texts as $i => $text) {
            if (isset($seen[$text])) {
                $problems->wrong('option-twice', $this->at[$i], ['option' => CellText::plain($text)]);
            }
            $seen[$text] = true;
        }
    }
}
