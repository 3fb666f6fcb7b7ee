<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Keys;

/**
 * Whether a name or a text says that an answer is right: where nothing else of an item says how it is marked, its feedback often does.
 * In words of four languages; what says neither is not guessed.
 */
final class CorrectnessWording
{
    private const RIGHT = ['correct', 'right', 'richtig', 'correcto', 'juste'];

    private const WRONG = ['incorrect', 'wrong', 'falsch', 'incorrecto', 'faux', 'not', 'un', 'in'];

    private const RIGHT_TEXT = '/^(?:yes|correct|right|exactly|well done|good|that(?:’|\'| i)s (?:right|correct)|richtig|genau|correcto|juste|exact)(?![\p{L}_\d])/iu';

    private const LABEL = '/^(?:[a-z]{2,4}_)?(?:correct[ _-]?)?(?:answer|response|option|key)s?(?:[ _-]?key)?$/i';

    public static function name(string $name): bool
    {
        $words = array_map(strtolower(...), preg_split('/[^\p{L}]+|(?<=\p{Ll})(?=\p{Lu})/u', $name) ?: []);

        return array_intersect($words, self::RIGHT) !== [] && array_intersect($words, self::WRONG) === [];
    }

    public static function text(string $text): bool
    {
        return preg_match(self::RIGHT_TEXT, trim($text)) === 1 && preg_match('/^good (?:try|guess|attempt)/i', trim($text)) !== 1;
    }

    /**
     * The field of metadata that holds the right answer.
     *
     * @param  array<string, string>  $fields
     */
    public static function field(array $fields): ?string
    {
        foreach ($fields as $label => $entry) {
            $steps = explode('.', $label);
            if (preg_match(self::LABEL, $steps[count($steps) - 1]) === 1 && trim($entry) !== '') {
                return trim($entry);
            }
        }

        return null;
    }

    /**
     * The options an entry names: by identifier, by letter, or by all its words.
     *
     * @param  array<string, string>  $options  identifier → its words
     * @return list<string> none when one of them cannot be told
     */
    public static function options(string $entry, array $options): array
    {
        $ids = array_map(strval(...), array_keys($options));
        $whole = array_search(mb_strtolower($entry), array_map(fn (string $words): string => mb_strtolower(trim($words)), $options), true);
        if ($whole !== false) {
            return [(string) $whole];
        }
        $found = [];
        foreach (preg_split('/[\s,;|]+/', $entry, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $one) {
            $id =
                array_values(array_filter($ids, fn (string $id): bool => strcasecmp($id, $one) === 0))[0] ??
                (preg_match('/^[A-Za-z]$/D', $one) === 1 ? $ids[ord(strtoupper($one)) - 65] ?? null : null);
            if ($id === null) {
                return [];
            }
            $found[] = $id;
        }

        return $found;
    }
}
