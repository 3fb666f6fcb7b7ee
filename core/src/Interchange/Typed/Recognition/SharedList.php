<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

/** "Write the letter on the line": numbered things, and one list of letters below the last of them that all choose from. */
final class SharedList
{
    private const FEW = 2;

    /** @param  list<Draft>  $drafts */
    public static function spread(array $drafts): void
    {
        $isAsked = false;
        $run = [];
        foreach ($drafts as $draft) {
            if ($draft->is !== 'question') {
                $isAsked = preg_match(
                    '/\b(?:'.Vocabulary::MATCH.')\b|letter/iu',
                    $draft->text(),
                ) === 1 || ($isAsked && $draft->is === 'stimulus');
                $run = [];

                continue;
            }
            $run[] = $draft;
            if (! $isAsked || $draft->items === [] || in_array($draft->items[0]->label?->type, ['bullet', 'box', 'number'], true)) {
                continue;
            }
            $before = array_slice($run, 0, -1);
            if (count($before) >= self::FEW &&
                array_filter($before, fn (Draft $one): bool => $one->items !== [] || $one->pair !== null) === []) {
                foreach ($before as $one) {
                    $one->items = array_map(fn (Item $item): Item => clone $item, $draft->items);
                }
            }
            $run = [];
        }
    }
}
