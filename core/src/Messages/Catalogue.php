<?php

declare(strict_types=1);

namespace WideQuarry\Messages;

/** The messages of one language. English is written; others are made from it until somebody translates. */
final class Catalogue
{
    private static ?self $current = null;

    /** @var array<string, string> the first part of a key → the folder its messages are below */
    private static array $roots = ['' => __DIR__.'/..'];

    /** @var array<string, array<string, string>> area → name → ICU pattern */
    private array $areas = [];

    /** @var array<string, \MessageFormatter> key → its pattern, compiled */
    private array $formatters = [];

    private function __construct(private readonly Language $language)
    {
    }

    /** @param  string  $folder  where the messages of keys that begin with `$first.` are */
    public static function add(string $first, string $folder): void
    {
        self::$roots[$first] = $folder;
    }

    public static function current(): self
    {
        return self::$current ??= new self(Language::English);
    }

    /** What is said from now on is said in this language. A web request begins with its reader's. */
    public static function speak(Language $language): void
    {
        if (self::current()->language !== $language) {
            self::$current = new self($language);
        }
    }

    /**
     * @param  array<string, string|int|float|\Stringable|null>  $values
     * @throws \LogicException where there is no such message, or it needs other values
     */
    public function format(string $key, array $values): string
    {
        $pattern = $this->pattern($key);
        if ($values === [] && ! str_contains($pattern, '{') && ! str_contains($pattern, "'")) {
            return $pattern;
        }
        $this->formatters[$key] ??= new \MessageFormatter($this->language->locale(), $pattern);
        $text = $this->formatters[$key]->format(array_map(self::plain(...), $values));

        return $text === false ? throw new \LogicException("The message $key: ".$this->formatters[$key]->getErrorMessage()) : $text;
    }

    private static function plain(string|int|float|\Stringable|null $value): string|int|float
    {
        return is_int($value) || is_float($value) ? $value : mb_scrub((string) $value);
    }

    private function pattern(string $key): string
    {
        $dot = strrpos($key, '.') ?: throw new \LogicException("The message $key has no area.");
        $area = substr($key, 0, $dot);
        $this->areas[$area] ??= $this->read($area);

        return $this->areas[$area][substr($key, $dot + 1)] ?? throw new \LogicException("There is no message $key.");
    }

    /** @return array<string, string> */
    private function read(string $area): array
    {
        $patterns = [];
        foreach ((array) json_decode((string) file_get_contents(self::file($area)), true, 3, JSON_THROW_ON_ERROR) as $name => $pattern) {
            $patterns[(string) $name] = $this->language->pattern(is_string($pattern) ? $pattern : '');
        }

        return $patterns;
    }

    /** The file of an area: `interchange.qti30` → src/Interchange/Qti30/messages.en.json. */
    public static function file(string $area): string
    {
        $folders = explode('.', $area);
        $root = isset(self::$roots[$folders[0]]) ? self::$roots[(string) array_shift($folders)] : self::$roots[''];

        return implode('/', [$root, ...array_map(ucfirst(...), $folders), 'messages.en.json']);
    }
}
