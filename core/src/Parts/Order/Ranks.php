<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Order;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** The right order: items of equal rank together. */
final readonly class Ranks
{
    /** @param  list<list<string>>  $ranks */
    private function __construct(public array $ranks)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        if (! is_array($json) || ! array_is_list($json)) {
            throw Malformed::wrongType($path, Message::of('parts.order.list-ranks'), $json);
        }
        $ranks = [];
        foreach ($json as $i => $rank) {
            if (! is_array($rank) || ! array_is_list($rank) || $rank === []) {
                throw Malformed::wrongType("$path/$i", Message::of('parts.order.rank-list-identifiers'), $rank);
            }
            $ranks[] = array_map(fn (mixed $id, int $j): string => Fields::asId($id, "$path/$i/$j"), $rank, array_keys($rank));
        }

        return new self($ranks);
    }

    /** @return list<string> */
    public function flat(): array
    {
        return array_merge(...[[], ...$this->ranks]);
    }

    /**
     * Item → rank from 0, of those asked for alone.
     *
     * @param  list<string>  $of
     * @return array<string, int>
     */
    public function of(array $of): array
    {
        $ranks = [];
        $at = 0;
        foreach ($this->ranks as $rank) {
            $here = array_values(array_intersect($rank, $of));
            foreach ($here as $id) {
                $ranks[$id] ??= $at;
            }
            $at += $here === [] ? 0 : 1;
        }

        return $ranks;
    }
}
