<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Order;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\Item;

final readonly class OrderSettings
{
    /**
     * @param  list<Item>  $items
     * @param  list<string>  $given  items that stand in their place already
     */
    private function __construct(
        public array $items,
        public array $given,
        public string $layout,
        public int $columns,
        public string $from,
        public string $to,
        public string $labels,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['items', 'layout', 'columns', 'caption', 'labels']);
        $items = [];
        $given = [];
        foreach ($fields->list('items') as $i => $item) {
            $item = Fields::of($item, "$path/items/$i", ['id', 'html', 'given'])->need('html');
            $id = $item->id();
            if (isset($items["=$id"])) {
                throw Malformed::repeatedId("$path/items/$i/id", $id);
            }
            $items["=$id"] = new Item($id, $item->string('html', '', 400000), null, "$path/items/$i");
            if ($item->bool('given', false)) {
                $given[] = $id;
            }
        }
        $caption = $fields->object('caption', ['from', 'to']);

        return new self(
            array_values($items),
            $given,
            $fields->oneOf('layout', ['column', 'row', 'grid', 'menu', 'sentence'], 'column'),
            $fields->int('columns', 2, 1, 8),
            $caption->string('from', '', 1000),
            $caption->string('to', '', 1000),
            $fields->oneOf('labels', ['A', 'a', '1', 'i', 'none'], 'none'),
        );
    }

    /** @return list<string> those the learner puts in order */
    public function loose(): array
    {
        return array_values(array_diff(array_column(Item::filled($this->items), 'id'), $this->given));
    }
}
