<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Standards\Alignment;

/** What is to be changed in records: fields set, entries of lists added or taken out. Topics and folders are places, not here. */
final readonly class RecordChange
{
    public const LISTS = ['tags', 'purpose'];

    public const STANDARDS = 'standards';

    /** Statements of a framework that becomes another. */
    private const MOST_MOVES = 20_000;

    /**
     * What of the source was not translated: set to nothing once the question is finished by hand. It is part of the origin, which nobody
     * edits.
     */
    private const PROCESSING = 'processing';

    public const SINGLE = [
        'difficulty',
        'level',
        'status',
        'source',
        'licence',
        'author',
        'notes',
        'minutes',
        'work',
        'chapter',
        'session',
        'number',
        'specimens',
    ];

    /**
     * @param  array<string, array{set?: mixed, add?: list<string>, remove?: list<string>}>  $fields
     * @param  array{set?: list<Alignment>, add?: list<Alignment>, remove?: list<Alignment>}  $standards
     * @param  array<string, list<Alignment>>  $moved  statement → those it becomes
     */
    private function __construct(private array $fields, private array $standards, private array $moved)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, [...self::LISTS, self::STANDARDS, ...self::SINGLE, self::PROCESSING]);
        $changes = [];
        foreach (self::LISTS as $name) {
            if ($fields->has($name)) {
                $list = $fields->object($name, ['set', 'add', 'remove']);
                $changes[$name] = $list->has('set')
                    ? ['set' => self::words($list, 'set')]
                    : ['add' => self::words($list, 'add'), 'remove' => self::words($list, 'remove')];
            }
        }
        foreach ([...self::SINGLE, self::PROCESSING] as $name) {
            if ($fields->has($name)) {
                $changes[$name] = [
                    'set' => $fields
                        ->object($name, ['set'])
                        ->need('set')
                        ->raw('set'),
                ];
            }
        }

        $standards = $moved = [];
        if ($fields->has(self::STANDARDS)) {
            $list = $fields->object(self::STANDARDS, ['set', 'add', 'remove', 'move']);
            foreach ($list->list('move', self::MOST_MOVES) as $i => $one) {
                $move = Fields::of($one, $list->at("move/$i"), ['from', 'to'])->need('to');
                $moved[$move->uuid('from')][] = Alignment::read($move->raw('to'), $move->at('to'));
            }
            foreach (['set', 'add', 'remove'] as $how) {
                if ($list->has($how)) {
                    $standards[$how] = Alignment::list($list, $how);
                }
            }
        }

        return new self($changes, $standards, $moved);
    }

    /** @return list<Alignment> those it adds or sets */
    public function standards(): array
    {
        return [...$this->standards['set'] ?? [], ...$this->standards['add'] ?? []];
    }

    public function isEmpty(): bool
    {
        return $this->fields === [] && $this->standards === [] && $this->moved === [];
    }

    /** The status it sets, if it sets one. */
    public function status(): ?string
    {
        $status = $this->fields['status']['set'] ?? null;

        return is_string($status) ? $status : null;
    }

    /**
     * The record as it is afterwards; what is set to nothing is left out.
     *
     * @throws Malformed when it would not be a record any more
     */
    public function apply(\stdClass $record): \stdClass
    {
        $after = Json::copy($record);
        assert($after instanceof \stdClass);
        foreach ($this->fields as $name => $change) {
            if ($name === self::PROCESSING) {
                $after = self::withProcessing($after, $change['set'] ?? null);

                continue;
            }
            $value = array_key_exists('set', $change)
                ? $change['set']
                : $this->joined($after->{$name} ?? [], $change['add'] ?? [], $change['remove'] ?? []);
            if ($value === null || $value === '' || $value === []) {
                unset($after->{$name});
            } else {
                $after->{$name} = $value;
            }
        }
        if ($this->standards !== [] || $this->moved !== []) {
            $standards = $this->aligned(Record::read($after, '')->classification->standards);
            unset($after->standards);
            if ($standards !== []) {
                $after->standards = array_map(fn (Alignment $one): \stdClass => $one->toJson(), $standards);
            }
        }
        Record::read($after, '');

        return $after;
    }

    /**
     * One that is there already takes the relation of the one that is added.
     *
     * @param  list<Alignment>  $present
     * @return list<Alignment>
     */
    private function aligned(array $present): array
    {
        $kept = $this->moved($this->standards['set'] ?? $present);
        foreach ($this->standards['remove'] ?? [] as $gone) {
            $kept = array_filter($kept, fn (Alignment $one): bool => ! $one->isSame($gone));
        }
        foreach ($this->standards['add'] ?? [] as $added) {
            $same = array_filter($kept, fn (Alignment $one): bool => $one->isSame($added));
            $kept = $same === [] ? [...$kept, $added] : array_replace($kept, array_fill_keys(array_keys($same), $added));
        }

        return array_values($kept);
    }

    /**
     * @param  list<Alignment>  $present
     * @return list<Alignment> each where it was, with what it becomes in its place
     */
    private function moved(array $present): array
    {
        $after = [];
        foreach ($present as $one) {
            $to = $this->moved[$one->statement ?? ''] ?? null;
            foreach ($to === null ? [$one] : $to as $next) {
                $next = $to === null ? $next : $next->related($one->relation);
                $same = array_filter($after, fn (Alignment $other): bool => $other->isSame($next));
                $after = $same === [] ? [...$after, $next] : $after;
            }
        }

        return $after;
    }

    private static function withProcessing(\stdClass $record, mixed $source): \stdClass
    {
        if (($record->origin ?? null) instanceof \stdClass) {
            unset($record->origin->processing);
            if (is_string($source)) {
                $record->origin->processing = $source;
            }
        }

        return $record;
    }

    /**
     * @param  list<string>  $add
     * @param  list<string>  $remove
     * @return list<mixed>
     */
    private function joined(mixed $present, array $add, array $remove): array
    {
        $kept = array_values(array_filter(is_array($present) ? $present : [], fn (mixed $word): bool => ! in_array($word, $remove, true)));
        foreach ($add as $word) {
            // "Thin section" and "thin section" are one tag
            $same = array_filter($kept, fn (mixed $one): bool => is_string($one) && mb_strtolower($one) === mb_strtolower($word));
            $kept = $same === [] ? [...$kept, $word] : $kept;
        }

        return $kept;
    }

    /** @return list<string> */
    private static function words(Fields $fields, string $name): array
    {
        $words = [];
        foreach ($fields->list($name, 100) as $i => $word) {
            $clean = is_string($word) ? trim((string) preg_replace('/\s+/u', ' ', $word)) : '';
            if ($clean === '' || mb_strlen($clean) > 100) {
                throw Malformed::outOfRange($fields->at("$name/$i"), Message::of('question.text-1-100-characters'), $word);
            }
            $words[] = $clean;
        }

        return $words;
    }
}
