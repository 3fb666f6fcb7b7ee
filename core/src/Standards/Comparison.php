<?php

declare(strict_types=1);

namespace WideQuarry\Standards;

/**
 * Two versions of a framework side by side. A statement is the same one when it has the same identifier; failing that, when its code stands
 * once in each.
 */
final readonly class Comparison implements \JsonSerializable
{
    private const SHOWN = 50;

    /**
     * @param  array<string, string>  $pairs  statement before → after
     * @param  list<string>  $reworded  statements after, by name
     * @param  list<string>  $recoded
     * @param  list<string>  $moved  those that belong to another statement now
     * @param  list<string>  $added
     * @param  list<string>  $gone
     * @param  array<string, true>  $changed  statements before whose wording is another now
     */
    private function __construct(
        public array $pairs,
        public array $reworded,
        public array $recoded,
        public array $moved,
        public array $added,
        public array $gone,
        private array $changed,
    ) {
    }

    /**
     * @param  list<Statement>  $before
     * @param  list<Statement>  $after
     */
    public static function between(array $before, array $after): self
    {
        $pairs = self::pairs($before, $after);
        $new = array_column($after, null, 'id');
        $reworded = $recoded = $moved = $gone = $changed = [];
        foreach ($before as $old) {
            $now = $new[$pairs[$old->id] ?? ''] ?? null;
            if ($now === null) {
                $gone[] = $old->name();

                continue;
            }
            if (self::words($old->text) !== self::words($now->text)) {
                $reworded[] = $now->name();
                $changed[$old->id] = true;
            }
            if (StatementCode::folded($old->code) !== StatementCode::folded($now->code)) {
                $recoded[] = "$old->code → $now->code";
            }
            if (($old->parent === null ? null : $pairs[$old->parent] ?? '') !== $now->parent) {
                $moved[] = $now->name();
            }
        }
        $known = array_flip($pairs);
        $added = array_values(array_filter($after, fn (Statement $one): bool => ! isset($known[$one->id])));

        return new self(
            $pairs,
            $reworded,
            $recoded,
            $moved,
            array_map(fn (Statement $one): string => $one->name(), $added),
            $gone,
            $changed,
        );
    }

    /**
     * From each statement before to the one it has become: exact where the words are the same, otherwise its successor.
     *
     * @return list<Association>
     */
    public function succession(): array
    {
        return array_map(
            fn (string $from, string $to): Association => new Association(
                $from,
                $to,
                isset($this->changed[$from]) ? Association::REPLACED_BY : Association::EXACT,
            ),
            array_map(strval(...), array_keys($this->pairs)),
            $this->pairs,
        );
    }

    /** @return array<string, mixed> how many of each sort, and the first of them by name */
    public function jsonSerialize(): array
    {
        $lists = [
            'reworded' => $this->reworded,
            'recoded' => $this->recoded,
            'moved' => $this->moved,
            'added' => $this->added,
            'gone' => $this->gone,
        ];

        return [
            'same' => count($this->pairs) - count($this->reworded),
            ...array_map(fn (array $names): array => ['count' => count($names), 'first' => array_slice($names, 0, self::SHOWN)], $lists),
        ];
    }

    /**
     * @param  list<Statement>  $before
     * @param  list<Statement>  $after
     * @return array<string, string>
     */
    private static function pairs(array $before, array $after): array
    {
        $pairs = [];
        $ids = array_column($after, null, 'id');
        foreach ($before as $old) {
            if (isset($ids[$old->id])) {
                $pairs[$old->id] = $old->id;
            }
        }
        $taken = array_flip($pairs);
        $now = self::byCode(array_filter($after, fn (Statement $one): bool => ! isset($taken[$one->id])));
        foreach (self::byCode(array_filter($before, fn (Statement $one): bool => ! isset($pairs[$one->id]))) as $code => $olds) {
            $news = $now[$code] ?? [];
            if (count($olds) === 1 && count($news) === 1) {
                $pairs[$olds[0]] = $news[0];
            }
        }

        return $pairs;
    }

    /**
     * @param  array<Statement>  $statements
     * @return array<string, list<string>> folded code → statements
     */
    private static function byCode(array $statements): array
    {
        $codes = [];
        foreach ($statements as $one) {
            if ($one->code !== '') {
                $codes['='.StatementCode::folded($one->code)][] = $one->id;
            }
        }

        return $codes;
    }

    private static function words(string $text): string
    {
        return mb_strtolower(trim((string) preg_replace('/[\s\p{P}]+/u', ' ', $text)));
    }
}
