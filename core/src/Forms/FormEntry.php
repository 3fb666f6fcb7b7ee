<?php

declare(strict_types=1);

namespace WideQuarry\Forms;

use Brick\Math\BigRational;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Random\Seed;

/** One question of one form: where it stands, how it is shown, and what its key is there. */
final readonly class FormEntry implements \JsonSerializable
{
    /**
     * @param  string  $entry  of the assessment; the draw's where it was drawn
     * @param  int|null  $drawNumber  which of a draw's questions it is, from 1
     * @param  int|null  $number  on the form; null of a page of text
     * @param  int|null  $master  its number in the assessment as it was made
     * @param  Seed  $seed  of its values and of the order of its options
     * @param  array<string, list<string>>  $options  part → what it offers, in shown order
     * @param  array<string, list<string>>  $key  part → letters of the right options
     */
    public function __construct(
        public string $entry,
        public ?int $drawNumber,
        public string $question,
        public ?int $number,
        public ?int $master,
        public Seed $seed,
        public array $options,
        public array $key,
        public BigRational $points,
    ) {
    }

    /** The entry in the assessment once its draws are drawn. */
    public function drawnEntry(): string
    {
        return $this->drawNumber === null ? $this->entry : Assessment::drawnEntry($this->entry, $this->drawNumber);
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $names = ['entry', 'draw_number', 'question', 'number', 'master', 'seed', 'options', 'key', 'points'];
        $fields = Fields::of($json, $path, $names)->need('seed');
        $lists = function (string $name) use ($fields): array {
            $lists = [];
            foreach ((array) ($fields->raw($name) ?? []) as $part => $list) {
                $lists[(string) $part] = array_values(array_filter(is_array($list) ? $list : [], is_string(...)));
            }

            return $lists;
        };

        return new self(
            $fields->id('entry'),
            $fields->intOrNull('draw_number', null, 1, 2000),
            $fields->string('question', '', 40),
            $fields->intOrNull('number', null, 1, PHP_INT_MAX),
            $fields->intOrNull('master', null, 1, PHP_INT_MAX),
            Seed::of($fields->int('seed', 1, 0, Seed::MAX)),
            $lists('options'),
            $lists('key'),
            Exact::of($fields->decimal('points', '100000000')),
        );
    }

    public function jsonSerialize(): \stdClass
    {
        return (object) [
            'entry' => $this->entry,
            ...$this->drawNumber === null ? [] : ['draw_number' => $this->drawNumber],
            'question' => $this->question,
            'number' => $this->number,
            'master' => $this->master,
            'seed' => $this->seed->value,
            'options' => (object) $this->options,
            'key' => (object) $this->key,
            'points' => Exact::number($this->points),
        ];
    }
}
