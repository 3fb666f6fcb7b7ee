<?php

declare(strict_types=1);

namespace WideQuarry\Bulk;

use WideQuarry\Json\Json;

/** How one question stood before an act, put back field by field, as far as nobody has changed it since. */
final readonly class FieldRestore
{
    /**
     * @param  array<mixed>  $fields  name → what was, of those that are still as the act left them; a revision as its content, a home as
     *     who moves it understands it
     */
    public function __construct(private array $fields)
    {
    }

    /** @throws QuestionSkipped when there is nothing to put back, or it may not lie there any more */
    public function apply(QuestionState $now): QuestionState
    {
        if ($this->fields === []) {
            throw QuestionSkipped::changedSince();
        }
        $record = Json::copy($now->record);
        assert($record instanceof \stdClass);
        [$topics, $folders, $content, $binned, $home] = [$now->topics, $now->folders, $now->content, $now->isBinned, $now->isHome];
        foreach ($this->fields as $field => $value) {
            if ($field === 'topics' || $field === 'folders') {
                /** @var list<list<string>> $paths */
                $paths = $value ?? [];
                if ($field === 'topics') {
                    $topics = $paths;
                } else {
                    $folders = $paths;
                }
            } elseif ($field === 'revision') {
                $content = $value instanceof \stdClass ? $value : $content;
            } elseif ($field === 'home') {
                $home = ! $home;
            } elseif ($field === 'copy') {
                $binned = true; // a copy that should not be goes where it can be found again
            } elseif ($field === 'bin') {
                $binned = $value === true;
            } elseif ($value === null) {
                unset($record->{$field});
            } else {
                $record->{$field} = $value;
            }
        }
        if (
            ! $now->isHome &&
            ! $home &&
            ! $now->facts->isLent &&
            array_udiff($folders, $now->folders, fn (array $a, array $b): int => $a <=> $b) !== []
        ) {
            throw QuestionSkipped::notLent(); // its bank may have thought better of it meanwhile
        }

        return $now->after($record, $topics, $folders, $content, $binned, $home);
    }
}
