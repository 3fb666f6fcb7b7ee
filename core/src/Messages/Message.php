<?php

declare(strict_types=1);

namespace WideQuarry\Messages;

/**
 * A sentence for people, by its key. The words are in `messages.en.json` beside the code that says them, as ICU messages (Unicode
 * Technical Standard 35, part 9): `of('parts.menu.two-options')` is the entry `two-options` of src/Parts/Menu.
 */
final class Message
{
    /** @param  array<string, string|int|float|\Stringable|null>  $values  what the message names */
    public static function of(string $key, array $values = []): string
    {
        return Catalogue::current()->format($key, $values);
    }
}
