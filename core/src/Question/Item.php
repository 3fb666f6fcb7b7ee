<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Content\Filling;
use WideQuarry\Content\Tree;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** An option, a tile, something to join or to sort, or a group: rich text under an identifier. */
final readonly class Item
{
    /** @param  int|null  $limit  how often it may be used, or how much it holds; null: as one likes */
    public function __construct(public string $id, public string $html, public ?int $limit, public string $path)
    {
    }

    /**
     * @param  string|null  $limit  the field that limits its use, where there is one
     * @return list<self>
     *
     * @throws Malformed
     */
    public static function list(Fields $fields, string $name, string $path, ?string $limit = null, ?int $usual = null): array
    {
        $items = [];
        foreach ($fields->list($name) as $i => $json) {
            $at = "$path/$name/$i";
            $item = Fields::of($json, $at, ['id', 'html', ...$limit === null ? [] : [$limit]])->need('html');
            $id = $item->id();
            if (isset($items["=$id"])) {
                throw Malformed::repeatedId("$at/id", $id);
            }
            $items["=$id"] = new self(
                $id,
                $item->string('html', '', 400000),
                $limit === null ? null : $item->intOrNull($limit, $usual, 1, 1000),
                $at,
            );
        }

        return array_values($items);
    }

    /** @param  list<self>  $items */
    public static function find(array $items, string $id): ?self
    {
        foreach ($items as $item) {
            if ($item->id === $id) {
                return $item;
            }
        }

        return null;
    }

    /**
     * Those that say something: an empty row is none.
     *
     * @param  list<self>  $items
     * @return list<self>
     */
    public static function filled(array $items): array
    {
        return array_values(array_filter($items, fn (self $item): bool => $item->html !== ''));
    }

    /** @return array{id: string, body: list<mixed>} */
    public function shown(Filling $values): array
    {
        return ['id' => $this->id, 'body' => Tree::of($this->html, $values)];
    }
}
