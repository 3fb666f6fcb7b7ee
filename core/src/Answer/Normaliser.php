<?php

declare(strict_types=1);

namespace WideQuarry\Answer;

use WideQuarry\Content\Unicode;

/** Puts typed words into the form in which they are compared. Always in Unicode's NFKC (UAX #15). */
final readonly class Normaliser
{
    /** Articles that may stand first, by language; those with an apostrophe need no space after them. */
    private const ARTICLES = [
        'en' => 'a|an|the',
        'de' => 'der|die|das|den|dem|des|ein|eine|einen|einem|einer|eines',
        'fr' => "le|la|les|un|une|des|l'",
        'es' => 'el|la|los|las|un|una|unos|unas',
        'it' => "il|lo|la|i|gli|le|un|uno|una|l'|un'",
        'pt' => 'o|a|os|as|um|uma|uns|umas',
        'nl' => 'de|het|een',
        'sv' => 'en|ett',
        'da' => 'en|et',
        'nb' => 'en|et|ei',
        'nn' => 'ein|ei|eit',
    ];

    private const MARKS = [
        '‘' => "'",
        '’' => "'",
        '‚' => "'",
        '‛' => "'",
        'ʼ' => "'",
        '′' => "'",
        '´' => "'",
        '`' => "'",
        '“' => '"',
        '”' => '"',
        '„' => '"',
        '‟' => '"',
        '«' => '"',
        '»' => '"',
        '″' => '"',
        '‐' => '-',
        '‑' => '-',
        '‒' => '-',
        '–' => '-',
        '—' => '-',
        '―' => '-',
        '−' => '-',
        '…' => '...',
    ];

    public function __construct(private NormaliseOptions $options, private string $language)
    {
    }

    public function apply(string $text): string
    {
        $ascii = preg_match('/[^\x20-\x7e]/', $text) !== 1;
        if (! $ascii) {
            // marks first: NFKC would turn an acute accent on its own into a space and a combining one
            $text = $this->options->is('marks', 'plain') ? strtr($text, self::MARKS) : $text;
            $text = Unicode::nfkc(mb_scrub($text, 'UTF-8'));
            if ($this->options->is('accents', 'ignore')) {
                $text = self::withoutAccents($text);
            }
        } elseif ($this->options->is('marks', 'plain')) {
            $text = strtr($text, ['`' => "'"]);
        }
        if ($this->options->is('punctuation', 'ignore')) {
            $text = self::withoutMarks($text);
        }
        if ($this->options->is('case', 'ignore')) {
            $text = $ascii ? strtolower($text) : mb_convert_case($text, MB_CASE_FOLD, 'UTF-8');
        }
        $text = $this->spaced($text, $this->options->is('punctuation', 'ignore'));
        if ($this->options->is('article', 'ignore')) {
            $text = self::withoutArticle($text, $this->language);
        }

        return $this->options->is('spaces', 'ignore') ? (string) preg_replace('/\s+/u', '', $text) : $text;
    }

    private function spaced(string $text, bool $collapse): string
    {
        $text = (string) preg_replace('/^[\s\x{200B}\x{FEFF}]+|[\s\x{200B}\x{FEFF}]+$/u', '', $text);

        return $collapse || ! $this->options->is('spaces', 'trim') ? (string) preg_replace('/\s+/u', ' ', $text) : $text;
    }

    /** @return list<string> the articles of a language in lower case; elided ones (l', un') end in an apostrophe */
    public static function articles(string $language): array
    {
        $articles = self::ARTICLES[strtolower(explode('-', $language)[0])] ?? null;

        return $articles === null ? [] : explode('|', $articles);
    }

    public static function withoutArticle(string $text, string $language): string
    {
        $articles = implode('|', self::articles($language));

        return $articles === '' ? $text : (string) preg_replace("/^(?:$articles)(?:(?<=')\\s*|\\s+)(?=\\S)/iu", '', $text);
    }

    public static function withoutAccents(string $text): string
    {
        return Unicode::nfkc((string) preg_replace('/\p{Mn}+/u', '', Unicode::nfkd($text)));
    }

    public static function withoutPunctuation(string $text): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', self::withoutMarks($text)));
    }

    /** Removes apostrophes (don't → dont) and turns other punctuation into spaces (well-known → well known). */
    private static function withoutMarks(string $text): string
    {
        return (string) preg_replace(["/['’]/u", '/\p{P}+/u'], ['', ' '], $text);
    }
}
