<?php

declare(strict_types=1);

namespace WideQuarry\Messages;

/** ICU patterns in a made language: the words between the arguments are accented, longer and in brackets; arguments stay. */
final class PseudoLanguage
{
    private const ACCENTS = [
        'a' => 'á', 'c' => 'ç', 'e' => 'é', 'i' => 'í', 'n' => 'ñ', 'o' => 'ó', 's' => 'š', 'u' => 'ú', 'y' => 'ý',
        'A' => 'Á', 'C' => 'Ç', 'E' => 'É', 'O' => 'Ó',
    ];

    private const LONGER = 0.4;

    public function pattern(string $pattern): string
    {
        $made = '';
        foreach ($this->pieces($pattern) as $piece) {
            $made .= str_starts_with($piece, '{') ? $this->argument($piece) : self::text($piece);
        }

        return $made;
    }

    /**
     * Words and arguments in turn; an argument begins with {, a quoted brace belongs to the words.
     *
     * @return list<string>
     */
    private function pieces(string $pattern): array
    {
        $pieces = [];
        $piece = '';
        $depth = 0;
        preg_match_all("/'[{}][^']*'|[{}]|[^{}']+|'/u", $pattern, $tokens);
        foreach ($tokens[0] as $token) {
            if ($token === '{' && $depth++ === 0) {
                $pieces[] = $piece;
                $piece = '';
            }
            $piece .= $token;
            if ($token === '}' && --$depth === 0) {
                $pieces[] = $piece;
                $piece = '';
            }
        }

        return array_values(array_filter([...$pieces, $piece], fn (string $one): bool => $one !== ''));
    }

    /** `{name}` as it is; of `{n, plural, one {…} other {…}}` the words in the inner braces. */
    private function argument(string $argument): string
    {
        if (preg_match('/^\{\s*\w+\s*,\s*(?:plural|select|selectordinal)\s*,/', $argument, $head) !== 1) {
            return $argument;
        }
        $made = $head[0];
        foreach ($this->pieces(substr($argument, strlen($head[0]), -1)) as $piece) {
            $made .= str_starts_with($piece, '{') ? '{'.$this->pattern(substr($piece, 1, -1)).'}' : $piece;
        }

        return $made.'}';
    }

    private static function text(string $words): string
    {
        if (preg_match('/[a-z]/i', $words) !== 1) {
            return $words;
        }
        $tail = str_repeat('~', (int) ceil(mb_strlen($words) * self::LONGER));

        return '⟦'.strtr($words, self::ACCENTS).$tail.'⟧';
    }
}
