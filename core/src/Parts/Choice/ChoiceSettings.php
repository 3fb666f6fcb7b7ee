<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Choice;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

final readonly class ChoiceSettings
{
    /**
     * @param  list<array{id: string, html: string, fixed: bool}>  $options
     * @param  int|null  $max  null: as many as there are
     */
    private function __construct(
        public array $options,
        public int $min,
        public ?int $max,
        public string $layout,
        public int $columns,
        public string $labels,
        public bool $shuffle,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['options', 'min', 'max', 'layout', 'columns', 'labels', 'shuffle']);
        $options = [];
        foreach ($fields->list('options') as $i => $option) {
            $option = Fields::of($option, "$path/options/$i", ['id', 'html', 'fixed'])->need('html');
            $id = $option->id();
            if (isset($options["=$id"])) {
                throw Malformed::repeatedId("$path/options/$i/id", $id);
            }
            $options["=$id"] = ['id' => $id, 'html' => $option->string('html', '', 400000), 'fixed' => $option->bool('fixed', false)];
        }

        return new self(
            array_values($options),
            $fields->int('min', 0, 0, 1000),
            $fields->intOrNull('max', 1, 1, 1000),
            $fields->oneOf('layout', ['column', 'row', 'grid', 'menu'], 'column'),
            $fields->int('columns', 2, 1, 8),
            $fields->oneOf('labels', ['A', 'a', '1', 'i', 'none'], 'A'),
            $fields->bool('shuffle', false),
        );
    }

    /** @return list<string> */
    public function ids(): array
    {
        return array_column($this->options, 'id');
    }
}
