<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Random\Seed;

/** So many questions of a pool, drawn anew for everybody. */
final readonly class Draw
{
    /**
     * @param  list<string>  $pool  questions, in an order that drawings keep
     * @param  string|null  $points  of each that is drawn; null for those of each question
     */
    private function __construct(
        public string $id,
        public string $title,
        public int $count,
        public array $pool,
        private ?string $points,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['id', 'title', 'draw', 'pool', 'points', 'override'])
            ->need('draw')
            ->need('pool');
        $pool = [];
        foreach ($fields->list('pool', 20_000) as $i => $question) {
            $pool[Fields::asUuid($question, "$path/pool/$i")] = true;
        }

        $fields->object('override', ['attempts', 'tools', 'minutes', 'shuffle'])->bool('shuffle', false);

        return new self(
            $fields->id(),
            $fields->string('title', '', 500),
            $fields->int('draw', 1, 1, 2000),
            array_map(strval(...), array_keys($pool)),
            $fields->raw('points') === null ? null : $fields->decimal('points', '100000'),
        );
    }

    /** Of one that is drawn. @param  BigRational|null  $ofQuestion  null when it is gone */
    public function points(?BigRational $ofQuestion): BigRational
    {
        return $this->points !== null ? Exact::of($this->points) : $ofQuestion ?? Exact::zero();
    }

    /** @return list<string> questions of one drawing, in the order of the pool; all of it where it is too small */
    public function drawn(Seed $seed): array
    {
        $picked = array_flip(array_slice($seed->stream('draw', $this->id)->shuffled($this->pool), 0, $this->count));

        return array_values(array_filter($this->pool, fn (string $question): bool => isset($picked[$question])));
    }
}
