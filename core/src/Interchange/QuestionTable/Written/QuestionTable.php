<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Written;

use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** Questions as a table: a heading, a row for each, as many columns as they need. */
final class QuestionTable
{
    /** Columns that go with others, and are there only where they hold something. */
    private const ONLY_FILLED = [Meaning::Option, Meaning::FeedbackRight, Meaning::FeedbackWrong, Meaning::PictureText];

    /** @var list<string> */
    public array $heading = [];

    /** @var list<list<string>> */
    public array $rows = [];

    /** @var list<Notice> */
    public array $notices = [];

    /**
     * @param  list<Meaning>|null  $chosen  columns; null for all that hold something
     */
    public static function of(PackageContents $content, PartKinds $kinds, ?array $chosen = null): self
    {
        $table = new self;
        $names = [];
        foreach ($content->media as $medium) {
            $names[$medium->id] = self::fileName($medium, $names);
        }
        $stimuli = [];
        foreach ($content->stimuli as $stimulus) {
            if (is_string($stimulus->id ?? null) && is_string($stimulus->body ?? null)) {
                $stimuli[$stimulus->id] = $stimulus->body;
            }
        }
        $folders = self::folders($content);
        $rows = [];
        foreach ($content->questions as $json) {
            $id = is_string($json->id ?? null) ? $json->id : '';
            $row = RowOf::of(Question::read($json, $kinds), $json, $stimuli, new PictureNames($names));
            if ($row === null) {
                $table->notices[] = Notice::loss('table.kind', Message::of('interchange.questionTable.kind-not-held'), null, null, $id);

                continue;
            }
            $row->put(Meaning::Folder, implode(' > ', $folders[$id] ?? []));
            foreach (array_keys($row->losses) as $what) {
                $sentence = Message::of("interchange.questionTable.$what");
                $table->notices[] = Notice::loss(str_replace('lost-', 'table.', $what), $sentence, null, null, $id);
            }
            $rows[] = $row;
        }
        if ($content->assessments !== []) {
            $table->notices[] = Notice::loss('table.assessments', Message::of('interchange.questionTable.lost-assessments'));
        }
        $table->fill($rows, $chosen);

        return $table;
    }

    /** @param  array<string, string>  $taken */
    private static function fileName(Medium $medium, array $taken): string
    {
        $name = $medium->name === '' ? "$medium->id.".Medium::extension($medium->type) : basename($medium->name);

        return in_array($name, $taken, true) ? substr($medium->sha256, 0, 8)."-$name" : $name;
    }

    /** @return array<string, list<string>> question → names of the groups it is in */
    private static function folders(PackageContents $content): array
    {
        $groups = [];
        foreach ($content->groups as $group) {
            $groups[is_string($group->id ?? null) ? $group->id : ''] = $group;
        }
        $folders = [];
        foreach ($groups as $group) {
            $path = [];
            $above = $group;
            while ($above !== null && count($path) < 20) {
                array_unshift($path, is_string($above->title ?? null) ? $above->title : '');
                $above = is_string($above->parent ?? null) ? $groups[$above->parent] ?? null : null;
            }
            foreach (is_array($group->questions ?? null) ? $group->questions : [] as $question) {
                if (is_string($question)) {
                    $folders[$question] = $path;
                }
            }
        }

        return $folders;
    }

    /**
     * @param  list<WrittenRow>  $rows
     * @param  list<Meaning>|null  $chosen
     */
    private function fill(array $rows, ?array $chosen): void
    {
        $counts = [];
        foreach ($rows as $row) {
            foreach ($row->cells as $meaning => $cells) {
                $counts[$meaning] = max($counts[$meaning] ?? 0, count($cells));
            }
        }
        $columns = [];
        foreach (Headings::ORDER as $meaning) {
            if ($chosen !== null && ! in_array($meaning, $chosen, true)) {
                continue;
            }
            // of a column that was chosen the heading is there, even over nothing
            $count = max($counts[$meaning->value] ?? 0, $chosen === null || in_array($meaning, self::ONLY_FILLED, true) ? 0 : 1);
            for ($at = 0; $at < $count; $at++) {
                $columns[] = [$meaning, $at, $count];
                foreach ($meaning === Meaning::Option ? [Meaning::Mark, Meaning::OptionFeedback] : [] as $beside) {
                    if (isset($counts[$beside->value]) && $at < $counts[$beside->value]) {
                        $columns[] = [$beside, $at, $count];
                    }
                }
            }
        }
        $this->heading = array_map(fn (array $column): string => Headings::of(...$column), $columns);
        $this->rows = array_map(
            fn (WrittenRow $row): array => array_map(
                fn (array $column): string => $row->cells[$column[0]->value][$column[1]] ?? '',
                $columns,
            ),
            $rows,
        );
    }
}
