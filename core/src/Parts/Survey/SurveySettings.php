<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Survey;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\Item;

final readonly class SurveySettings
{
    /**
     * @param  list<Item>  $options
     * @param  array{int, int, string, string}|null  $scale  from, to and what its ends mean
     * @param  int|null  $max  null: as many as there are
     */
    private function __construct(public array $options, public ?array $scale, public ?int $max)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['options', 'scale', 'max']);
        $scale = null;
        if ($fields->has('scale') && $fields->raw('scale') !== null) {
            $given = Fields::of($fields->raw('scale'), "$path/scale", ['from', 'to', 'captions'])
                ->need('from')
                ->need('to');
            $captions = $given->object('captions', ['from', 'to']);
            $scale = [
                $given->int('from', 1, -1000, 1000),
                $given->int('to', 5, -1000, 1000),
                $captions->string('from', '', 1000),
                $captions->string('to', '', 1000),
            ];
        }

        return new self(Item::list($fields, 'options', $path), $scale, $fields->intOrNull('max', 1, 1, 1000));
    }

    /** @return list<string> what can be chosen */
    public function ids(): array
    {
        return $this->scale !== null
            ? ($this->scale[0] <= $this->scale[1] && $this->scale[1] - $this->scale[0] <= 100
                ? array_map(strval(...), range($this->scale[0], $this->scale[1]))
                : [])
            : array_column(Item::filled($this->options), 'id');
    }
}
