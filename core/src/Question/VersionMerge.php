<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/**
 * Merges two versions of a question that were edited at the same time: lists the differences by field and part, and combines them.
 *
 * @phpstan-import-type Step from PathNames
 */
final readonly class VersionMerge
{
    /** Fields that are taken from one version as a whole. */
    private const FIELDS = [
        'title',
        'body',
        'stimuli',
        'feedback',
        'hints',
        'attempts',
        'variables',
        'scoring',
        'normalise',
        'language',
        'tools',
        'time_limit',
    ];

    /** @param  \stdClass  $theirs  the version that was stored first */
    public function __construct(private \stdClass $mine, private \stdClass $theirs)
    {
    }

    /**
     * If both versions have the same parts in the same order, each part is a field "part ID"; otherwise all parts are one field "parts".
     *
     * @return list<array{field: string, part: string|null, changes: list<array{path: list<Step>, runs: list<array{string, string}>}>}> changes from theirs to mine
     */
    public function fields(): array
    {
        $fields = [];
        foreach (self::FIELDS as $field) {
            $this->add($fields, $field, null, self::only($this->theirs, $field), self::only($this->mine, $field));
        }
        [$mine, $theirs] = [self::parts($this->mine), self::parts($this->theirs)];
        if (array_keys($mine) !== array_keys($theirs)) {
            $this->add($fields, 'parts', null, self::only($this->theirs, 'parts'), self::only($this->mine, 'parts'));

            return $fields;
        }
        foreach ($mine as $id => $part) {
            $this->add($fields, Message::of('question.part', [
                'id' => $id,
            ]), (string) $id, (object) ['parts' => [$theirs[$id]]], (object) ['parts' => [$part]]);
        }

        return $fields;
    }

    /**
     * My version with the chosen fields of theirs.
     *
     * @param  list<string>  $theirs  fields as fields() calls them
     */
    public function with(array $theirs): \stdClass
    {
        $merged = Json::copy($this->mine);
        assert($merged instanceof \stdClass);
        foreach ([...self::FIELDS, 'parts'] as $field) {
            if (! in_array($field, $theirs, true)) {
                continue;
            }
            unset($merged->{$field});
            if (isset($this->theirs->{$field})) {
                $merged->{$field} = Json::copy($this->theirs->{$field});
            }
        }
        $others = self::parts($this->theirs);
        foreach (is_array($merged->parts ?? null) ? $merged->parts : [] as $i => $part) {
            $id = $part instanceof \stdClass && is_string($part->id ?? null) ? $part->id : '';
            if (in_array("part $id", $theirs, true) && isset($others[$id]) && is_array($merged->parts)) {
                $merged->parts[$i] = Json::copy($others[$id]);
            }
        }

        return $merged;
    }

    /**
     * @param  list<array{field: string, part: string|null, changes: list<array{path: list<Step>, runs: list<array{string, string}>}>}>  $fields
     */
    private function add(array &$fields, string $field, ?string $part, \stdClass $before, \stdClass $after): void
    {
        if (Json::encode($before) !== Json::encode($after)) {
            $fields[] = ['field' => $field, 'part' => $part, 'changes' => Differences::between($before, $after)];
        }
    }

    private static function only(\stdClass $question, string $field): \stdClass
    {
        return isset($question->{$field}) ? (object) [$field => $question->{$field}] : new \stdClass();
    }

    /** @return array<string, \stdClass> by their ids */
    private static function parts(\stdClass $question): array
    {
        $parts = [];
        foreach (is_array($question->parts ?? null) ? $question->parts : [] as $part) {
            if ($part instanceof \stdClass && is_string($part->id ?? null)) {
                $parts[$part->id] = $part;
            }
        }

        return $parts;
    }
}
