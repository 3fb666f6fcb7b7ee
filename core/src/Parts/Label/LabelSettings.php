<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Label;

use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Pictures\Picture;
use WideQuarry\Question\Item;

final readonly class LabelSettings
{
    /**
     * @param  list<Target>  $targets
     * @param  list<Item>  $labels  each with how often it may be used
     * @param  'placing'|'menu'|'typing'  $by
     */
    private function __construct(
        public ?Picture $picture,
        public array $targets,
        public array $labels,
        public string $by,
        public bool $shuffle,
        public NormaliseOptions $normalise,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['picture', 'targets', 'labels', 'by', 'shuffle', 'normalise']);
        $by = $fields->oneOf('by', ['placing', 'menu', 'typing'], 'placing');
        assert($by === 'placing' || $by === 'menu' || $by === 'typing');

        return new self(
            Picture::read($fields),
            Target::list($fields, $path),
            Item::list($fields, 'labels', $path, 'uses', 1),
            $by,
            $fields->bool('shuffle', true),
            NormaliseOptions::read($fields->has('normalise') ? $fields->raw('normalise') : new \stdClass, "$path/normalise"),
        );
    }

    public function isTyped(): bool
    {
        return $this->by === 'typing';
    }

    /** @return list<string> */
    public function ids(): array
    {
        return array_map(fn (Target $target): string => $target->id, $this->targets);
    }
}
