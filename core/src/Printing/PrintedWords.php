<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/**
 * The words that paper has of its own, in the language of those who read it, whatever language the interface is in. What an author writes
 * in their place stands as it is.
 */
final readonly class PrintedWords
{
    /** Those there are words in: core/src/Printing/words. */
    public const LANGUAGES = ['en', 'de', 'fr', 'es', 'it', 'nl', 'pl', 'pt'];

    /** Those an author can write: they need no values. */
    public const OWN = [
        'name', 'date', 'group', 'key', 'scheme', 'notes', 'answers', 'author', 'contents', 'keys', 'question', 'fill',
        'written',
    ];

    private const LONGEST = 200;

    /**
     * @param  string  $language  one of LANGUAGES, or '' for that of the assessment
     * @param  array<string, string>  $own  by name
     */
    private function __construct(public string $language, private array $own)
    {
    }

    /** @throws Malformed */
    public static function read(Fields $fields): self
    {
        $words = $fields->object('words', self::OWN);
        $own = [];
        foreach (self::OWN as $name) {
            $text = trim($words->string($name, '', self::LONGEST));
            $own[$name] = $text;
        }

        $written = array_filter($own, fn (string $text): bool => $text !== '');

        return new self($fields->oneOf('language', ['', ...self::LANGUAGES], ''), $written);
    }

    /** For an assessment in this language (BCP 47). */
    public function for(string $language): self
    {
        $of = strtolower(explode('-', $language)[0]);

        return $this->language !== '' ? $this : new self(in_array($of, self::LANGUAGES, true) ? $of : 'en', $this->own);
    }

    /** @param  array<string, string|int|float>  $values */
    public function say(string $name, array $values = []): string
    {
        $language = $this->language === '' ? 'en' : $this->language;

        return $this->own[$name] ?? (string) (new \MessageFormatter($language, self::patterns($language)[$name]))->format($values);
    }

    /** @return array<string, string> ICU patterns by name */
    public static function patterns(string $language): array
    {
        /** @var array<string, array<string, string>> $read */
        static $read = [];

        /** @var array<string, string> $words */
        $words = $read[$language] ?? json_decode(
            (string) file_get_contents(__DIR__."/words/$language.json"),
            true,
            3,
            JSON_THROW_ON_ERROR,
        );

        return $read[$language] = $words;
    }
}
