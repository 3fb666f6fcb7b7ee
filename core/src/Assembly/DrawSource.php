<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/**
 * Where some of the questions of a draw come from: a list made by hand, or whatever in some banks meets conditions. The conditions are
 * those of a search, by name, with their values; what they find is asked of whoever keeps the questions (`Assessment::grown`).
 */
final readonly class DrawSource
{
    /** A draw has at most so many; they are paired with each other when a drawing is made. */
    public const MOST = 20;

    /** No pool is larger; of what conditions find, the first so many are taken. */
    public const POOL = 20_000;

    private const FIELDS = ['title', 'draw', 'conditions', 'banks', 'pool'];

    /**
     * @param  int  $count  how many are drawn from here
     * @param  array<string, list<string>>|null  $conditions  name → values, such as ['kind' => ['choice'], 'not-tag' => ['old']];
     *     null for a list made by hand
     * @param  list<string>  $banks  those that are looked through, by id
     * @param  list<string>  $pool  questions, in an order that drawings keep; empty for conditions until they are looked up
     * @param  bool  $grows  whether the pool is whatever meets the conditions now, rather than what met them once
     */
    public function __construct(
        public string $title,
        public int $count,
        public ?array $conditions,
        public array $banks,
        public array $pool,
        public bool $grows,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, self::FIELDS)->need('draw');
        $conditions = $fields->has('conditions') ? self::conditions($fields->raw('conditions'), $fields->at('conditions')) : null;
        $banks = [];
        foreach ($fields->list('banks', 100) as $i => $bank) {
            $banks[] = Fields::asUuid($bank, "$path/banks/$i");
        }
        if ($conditions !== null && ! $fields->has('banks')) {
            throw Malformed::missingField($path, 'banks');
        }
        if ($conditions === null) {
            $fields->need('pool');
        }

        return new self(
            $fields->string('title', '', 500),
            $fields->int('draw', 1, 1, 2000),
            $conditions,
            array_values(array_unique($banks)),
            self::pool($fields),
            $conditions !== null && ! $fields->has('pool'),
        );
    }

    /**
     * @return list<string>
     *
     * @throws Malformed
     */
    public static function pool(Fields $fields): array
    {
        $pool = [];
        foreach ($fields->list('pool', self::POOL) as $i => $question) {
            $pool[Fields::asUuid($question, $fields->at("pool/$i"))] = true;
        }

        return array_map(strval(...), array_keys($pool));
    }

    /**
     * @return array<string, list<string>>
     *
     * @throws Malformed
     */
    private static function conditions(mixed $json, string $path): array
    {
        $given = $json instanceof \stdClass
            ? get_object_vars($json)
            : throw Malformed::wrongType($path, Message::of('assembly.object'), $json);
        $conditions = [];
        foreach ($given as $name => $values) {
            $name = (string) $name;
            if (preg_match('/^[a-z][a-z_-]{0,39}$/D', $name) !== 1) {
                throw Malformed::unknownField("$path/$name", $name);
            }
            foreach (is_array($values) ? $values : throw Malformed::wrongType("$path/$name", 'a list', $values) as $i => $value) {
                $conditions[$name][] = is_string($value) && $value !== '' && mb_strlen($value) <= 2000
                    ? $value
                    : throw Malformed::wrongType("$path/$name/$i", 'text', $value);
            }
        }

        return $conditions;
    }

    /** @param  list<string>  $pool */
    public function of(array $pool): self
    {
        return new self($this->title, $this->count, $this->conditions, $this->banks, $pool, $this->grows);
    }

    /** As it stands in an assessment; what conditions find only where it grows no more. */
    public function toJson(): \stdClass
    {
        return (object) [
            ...$this->title === '' ? [] : ['title' => $this->title],
            'draw' => $this->count,
            ...$this->conditions === null ? [] : ['conditions' => (object) $this->conditions, 'banks' => $this->banks],
            ...$this->grows ? [] : ['pool' => $this->pool],
        ];
    }
}
