<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\Json\Json;

/** What of a question goes along when it is sent out. What stays behind is simply not there, so that it cannot be found. */
final readonly class ExportOptions
{
    /** What says something of a question and not in it. */
    private const CLASSIFICATION = [
        'topics',
        'standards',
        'tags',
        'difficulty',
        'purpose',
        'minutes',
        'status',
        'level',
        'work',
        'chapter',
        'session',
        'number',
    ];

    private const PRIVATE = ['notes'];

    public function __construct(
        public bool $key = true,
        public bool $feedback = true,
        public bool $classification = true,
        public bool $notes = true,
    ) {
    }

    public function everything(): bool
    {
        return $this->key && $this->feedback && $this->classification && $this->notes;
    }

    public function of(\stdClass $question): \stdClass
    {
        $copy = Json::copy($question);
        assert($copy instanceof \stdClass);
        $record = ($copy->record ?? null) instanceof \stdClass ? $copy->record : new \stdClass();
        foreach (
            [
                ...$this->classification ? [] : self::CLASSIFICATION,
                ...$this->notes ? [] : self::PRIVATE,
                ...$this->key ? [] : ['specimens'],
            ] as $field
        ) {
            unset($record->{$field});
        }
        if (! $this->feedback) {
            self::without($copy, ['feedback', 'hints']);
        }
        foreach (is_array($copy->parts ?? null) ? $copy->parts : [] as $part) {
            assert($part instanceof \stdClass);
            if (! $this->feedback) {
                self::without($part, ['feedback']);
            }
            foreach (($part->key ?? null) instanceof \stdClass && is_array($part->key->rules ?? null) ? $part->key->rules : [] as $rule) {
                if (! $this->feedback && $rule instanceof \stdClass) {
                    self::without($rule, ['feedback']);
                }
            }
            if (! $this->key) {
                self::without($part, ['key']);
            }
        }
        unset($copy->record);
        if ((array) $record !== []) {
            $copy->record = $record;
        }

        return $copy;
    }

    /** @param  list<string>  $fields */
    private static function without(\stdClass $object, array $fields): void
    {
        foreach ($fields as $field) {
            unset($object->{$field});
        }
    }
}
