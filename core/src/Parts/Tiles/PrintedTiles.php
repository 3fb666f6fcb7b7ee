<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Tiles;

use WideQuarry\Parts\PrintedBank;
use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;

/** A box of words; the gaps of the text are lines with numbers. */
final class PrintedTiles
{
    /** @param  array<mixed>  $presented */
    public function part(array $presented, Paper $paper): string
    {
        return PrintedBank::of(self::tiles($presented), $paper);
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<PrintedAnswer>
     */
    public function answers(Part $part, array $presented, Paper $paper): array
    {
        $answers = [];
        $gaps = is_array($presented['gaps'] ?? null) ? array_values($presented['gaps']) : [];
        foreach ($gaps as $i => $gap) {
            foreach (self::tiles($presented) as $tile) {
                foreach ($part->key->rules as $rule) {
                    if (
                        $rule->on instanceof PairTarget &&
                        $rule->on->first === $gap &&
                        $rule->on->second === $tile['id'] &&
                        $rule->credit()->isPositive()
                    ) {
                        $number = count($gaps) > 1 ? '<strong>'.($i + 1).'</strong> ' : '';
                        $answers[] = new PrintedAnswer($number.$paper->inline($tile['body']), $rule->credit());
                    }
                }
            }
        }

        return $answers;
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<array{id: string, body: list<string|array<int, mixed>>, uses: int|null}>
     */
    private static function tiles(array $presented): array
    {
        return is_array($presented['tiles'] ?? null) ? $presented['tiles'] : []; // @phpstan-ignore return.type
    }
}
