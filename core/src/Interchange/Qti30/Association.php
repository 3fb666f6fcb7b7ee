<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/**
 * A qti-associate-interaction, whose choices are paired with each other, as two columns (decision 29): the right pairs, seen as the
 * edges of a graph, tell which choices stand left and which right. Null where they do not, because some choices are to be paired in an
 * odd ring, or no pair is right.
 */
final readonly class Association
{
    /**
     * @param  list<array<string, mixed>>  $left
     * @param  list<array<string, mixed>>  $right
     */
    private function __construct(public array $left, public array $right, public Declaration $declaration)
    {
    }

    /** @param  \Closure(\DOMElement): string  $content */
    public static function read(\DOMElement $interaction, Declaration $declaration, \Closure $content): ?self
    {
        $pairs = array_map(self::both(...), [...$declaration->correct, ...array_column($declaration->map ?? [], 'key')]);
        $side = self::sides($pairs);
        if ($side === null || $side === []) {
            return null;
        }
        $sets = ['left' => [], 'right' => []];
        foreach (Xml::children($interaction, 'qti-simple-associable-choice') as $choice) {
            $id = $choice->getAttribute('identifier');
            $max = (int) (Xml::attribute($choice, 'match-max') ?? 1);
            $sets[$side["=$id"] ?? 'right'][] = ['id' => $id, 'html' => $content($choice), 'uses' => $max > 0 ? $max : null];
        }
        $turned = function (string $pair) use ($side): string {
            [$first, $second] = self::both($pair);

            return ($side["=$first"] ?? '') === 'left' ? "$first $second" : "$second $first";
        };

        return new self($sets['left'], $sets['right'], $declaration->withPairs($turned));
    }

    /** @return array{string, string} */
    private static function both(string $pair): array
    {
        [$first, $second] = [...preg_split('/\s+/', trim($pair)) ?: [], '', ''];

        return [$first, $second];
    }

    /**
     * Two colours for the ends of every pair, the first of each group on the left (breadth first).
     *
     * @param  list<array{string, string}>  $pairs
     * @return array<string, 'left'|'right'>|null null when there are none such
     */
    private static function sides(array $pairs): ?array
    {
        $beside = [];
        foreach ($pairs as [$first, $second]) {
            $beside["=$first"][] = "=$second";
            $beside["=$second"][] = "=$first";
        }
        $side = [];
        foreach (array_keys($beside) as $start) {
            $waiting = isset($side[$start]) ? [] : [$start];
            $side[$start] ??= 'left';
            while ($waiting !== []) {
                $at = array_shift($waiting);
                foreach ($beside[$at] as $other) {
                    if (! isset($side[$other])) {
                        $side[$other] = $side[$at] === 'left' ? 'right' : 'left';
                        $waiting[] = $other;
                    } elseif ($side[$other] === $side[$at]) {
                        return null;
                    }
                }
            }
        }

        return $side;
    }
}
