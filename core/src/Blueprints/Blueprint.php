<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Random\Seed;
use WideQuarry\Selection\Measure;
use WideQuarry\Selection\Range;

/**
 * What a test is to be made of: banks, tables of demands over any attributes at once, rules and wishes. It says which questions it tells
 * apart (`conditions`); whoever keeps the questions says which of them are which.
 */
final readonly class Blueprint
{
    public const FORMAT = 'wide-quarry/blueprint';

    public const BANKS = 100;

    /** Questions of a test from a blueprint, at most. */
    public const QUESTIONS = 500;

    private const FIELDS = [
        'format', 'version', 'id', 'title', 'notes', 'banks', 'conditions', 'statuses', 'unused_since', 'tables', 'total', 'rules',
        'wishes', 'seed', 'into',
    ];

    /**
     * @param  list<string>  $banks  by id
     * @param  array<string, list<string>>  $conditions  of every question
     * @param  list<string>  $statuses  of questions that may be taken
     * @param  string|null  $unusedSince  a day; what was used on it or later is told apart in every cell
     * @param  list<Table>  $tables
     * @param  array<string, Range>  $total  of the whole test, by measure
     * @param  list<BlueprintRule>  $rules
     * @param  list<BlueprintWish>  $wishes
     */
    private function __construct(
        private \stdClass $json,
        public string $id,
        public string $title,
        public array $banks,
        public array $conditions,
        public array $statuses,
        public ?string $unusedSince,
        public array $tables,
        public array $total,
        public array $rules,
        public array $wishes,
        public Seed $seed,
        public Layout $layout,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json): self
    {
        $fields = Fields::of($json, '', self::FIELDS)->need('format')->need('version')->need('id')->need('title');
        $fields->oneOf('format', [self::FORMAT], '');
        $fields->int('version', 0, 1, 1);
        $fields->string('notes', '', 5000);
        $title = trim($fields->string('title', '', 500));
        $banks = [];
        foreach ($fields->list('banks', self::BANKS) as $i => $bank) {
            $banks[Fields::asUuid($bank, "/banks/$i")] = true;
        }
        assert($json instanceof \stdClass);

        return new self(
            $json,
            $fields->uuid(),
            $title !== '' ? $title : throw Malformed::outOfRange('/title', Message::of('blueprints.title'), ''),
            array_keys($banks),
            Conditions::read($fields, 'conditions'),
            $fields->has('statuses') ? $fields->strings('statuses', 10, 40) : ['approved', 'in_review', 'draft'],
            self::day($fields, 'unused_since'),
            self::each($fields, 'tables', 20, Table::read(...), fn (Table $one): string => $one->id),
            self::total($fields),
            self::each($fields, 'rules', 200, BlueprintRule::read(...), fn (BlueprintRule $one): string => $one->id),
            self::each($fields, 'wishes', 50, BlueprintWish::read(...), fn (BlueprintWish $one): string => $one->id),
            Seed::of($fields->int('seed', 1, 0, Seed::MAX)),
            Layout::read($fields->raw('into'), '/into'),
        );
    }

    /** An empty one. */
    public static function fresh(string $id, string $title): \stdClass
    {
        return (object) [
            'format' => self::FORMAT,
            'version' => 1,
            'id' => $id,
            'title' => $title,
            'banks' => [],
            'tables' => [(object) ['id' => 't1', 'rows' => [], 'columns' => [], 'cells' => []]],
            'total' => new \stdClass,
            'rules' => [],
            'wishes' => [],
            'seed' => 1,
        ];
    }

    public function toJson(): \stdClass
    {
        return clone $this->json;
    }

    /** @throws Malformed */
    public static function day(Fields $fields, string $field): ?string
    {
        $day = $fields->raw($field);
        if ($day === null) {
            return null;
        }
        $isDay = is_string($day)
            && preg_match('/^(\d{4})-(\d\d)-(\d\d)$/D', $day, $m) === 1
            && checkdate((int) $m[2], (int) $m[3], (int) $m[1]);

        return $isDay ? $day : throw Malformed::outOfRange($fields->at($field), Message::of('blueprints.day'), $day);
    }

    /**
     * @template T
     *
     * @param  callable(mixed, string): T  $read
     * @param  callable(T): string  $id
     * @return list<T>
     *
     * @throws Malformed
     */
    private static function each(Fields $fields, string $field, int $most, callable $read, callable $id): array
    {
        $things = [];
        foreach ($fields->list($field, $most) as $i => $json) {
            $thing = $read($json, "/$field/$i");
            $key = '='.$id($thing);
            $things[$key] = isset($things[$key]) ? throw Malformed::repeatedId("/$field/$i/id", $id($thing)) : $thing;
        }

        return array_values($things);
    }

    /**
     * @return array<string, Range>
     *
     * @throws Malformed
     */
    private static function total(Fields $fields): array
    {
        $total = $fields->object('total', array_column(Measure::cases(), 'value'));
        $ranges = [];
        foreach (Measure::cases() as $measure) {
            $ranges[$measure->value] = Range::read($total, $measure->value, $measure === Measure::Count || $measure === Measure::Words);
        }

        return array_filter($ranges);
    }

    /**
     * Everything questions are told apart by.
     *
     * @return array<string, array<string, list<string>>> key → conditions, as in a search
     */
    public function conditions(): array
    {
        $conditions = [];
        foreach ($this->tables as $table) {
            $conditions += $table->conditions();
        }
        foreach ($this->rules as $rule) {
            $conditions += match ($rule->rule) {
                'some' => ["rule/$rule->id" => $rule->where ?? []],
                'unused_since' => ["rule/$rule->id" => ['used' => ["$rule->since.."]]],
                default => [],
            };
        }
        foreach ($this->wishes as $wish) {
            $conditions["wish/$wish->id"] = $wish->where;
        }

        return $conditions;
    }

    /** @return array<string, array<string, list<string>>> path of what has them → conditions that name things, or could */
    public function named(): array
    {
        $named = $this->conditions === [] ? [] : ['' => $this->conditions];
        foreach ($this->tables as $t => $table) {
            foreach (['rows' => $table->rows, 'columns' => $table->columns] as $side => $lines) {
                foreach ($lines as $i => $line) {
                    $named["/tables/$t/$side/$i"] = $line->where;
                    foreach ($line->lines as $j => $part) {
                        $named["/tables/$t/$side/$i/lines/$j"] = $part->where;
                    }
                }
            }
        }
        foreach ($this->rules as $i => $rule) {
            $named += $rule->where === null ? [] : ["/rules/$i" => $rule->where];
        }
        foreach ($this->wishes as $i => $wish) {
            $named["/wishes/$i"] = $wish->where;
        }

        return array_filter($named);
    }

    /** @return array<string, list<string>> questions it names, by the path of the rule */
    public function questions(): array
    {
        $named = [];
        foreach ($this->rules as $i => $rule) {
            if ($rule->questions !== []) {
                $named["/rules/$i/questions"] = $rule->questions;
            }
        }

        return $named;
    }

    /** @return array<string, list<string>> key → assessments whose questions are to stay out */
    public function assessments(): array
    {
        $named = [];
        foreach ($this->rules as $rule) {
            $named += $rule->rule === 'not_in' ? ["rule/$rule->id" => $rule->assessments] : [];
        }

        return $named;
    }

    /** @return list<string>|null keys of the conditions that the questions of a place meet; null for a place there is not */
    public function needs(string $place): ?array
    {
        if ($place === Places::TOTAL) {
            return [];
        }
        foreach ($this->tables as $table) {
            foreach ($table->places() as ['row' => $row, 'column' => $column]) {
                if (Places::id($table, $row, $column) === $place) {
                    return $table->needs($row, $column);
                }
            }
        }

        return null;
    }

    /** Whether an attribute that is costly to look up is asked for. */
    public function counts(string $attribute): bool
    {
        return match ($attribute) {
            'words' => isset($this->total['words']),
            default => array_filter($this->rules, fn (BlueprintRule $rule): bool => $rule->attribute === $attribute) !== [],
        };
    }
}
