<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources\Word;

use WideQuarry\Interchange\Typed\Sources\ListNumber;

/** The numbers a word processor sets before paragraphs (ECMA-376, part 1, 17.9), as the text that its reader sees. */
final class WordNumbering
{
    private const TYPES = ['lowerLetter' => 'a', 'upperLetter' => 'A', 'lowerRoman' => 'i', 'upperRoman' => 'I'];

    /** @var array<string, array<int, \DOMElement>> abstract list → level → what it says */
    private array $levels = [];

    /** @var array<string, string> list → abstract list */
    private array $lists = [];

    /** @var array<string, array<int, \DOMElement>> list → level → what it says instead */
    private array $instead = [];

    /** @var array<string, array<int, int>> abstract list → level → the number it has reached */
    private array $reached = [];

    /** @var array<string, true> lists that were met */
    private array $met = [];

    public function __construct(?\DOMElement $root)
    {
        foreach ($root === null ? [] : WordXml::all($root, 'abstractNum') as $list) {
            foreach (WordXml::all($list, 'lvl') as $level) {
                $this->levels[(string) WordXml::value($list, 'abstractNumId')][(int) WordXml::value($level, 'ilvl')] = $level;
            }
        }
        foreach ($root === null ? [] : WordXml::all($root, 'num') as $list) {
            $id = (string) WordXml::value($list, 'numId');
            $this->lists[$id] = (string) WordXml::value(WordXml::child($list, 'abstractNumId'));
            foreach (WordXml::all($list, 'lvlOverride') as $override) {
                $this->instead[$id][(int) WordXml::value($override, 'ilvl')] = $override;
            }
        }
    }

    /** @return string|null with a space behind it; null when the list has none */
    public function next(string $list, int $level): ?string
    {
        $abstract = $this->lists[$list] ?? null;
        $says = $abstract === null ? null : ($this->levels[$abstract][$level] ?? null);
        if ($abstract === null || $says === null) {
            return null;
        }
        $this->restart($list, $abstract);
        $this->reached[$abstract] = array_filter(
            $this->reached[$abstract] ?? [],
            fn (int $deep): bool => $deep <= $level,
            ARRAY_FILTER_USE_KEY,
        );
        $this->reached[$abstract][$level] = isset($this->reached[$abstract][$level])
            ? $this->reached[$abstract][$level] + 1
            : $this->start($list, $abstract, $level);
        if (WordXml::value(WordXml::child($says, 'numFmt')) === 'bullet') {
            return '• ';
        }
        $text = (string) preg_replace_callback(
            '/%([1-9])/',
            fn (array $m): string => $this->number($list, $abstract, (int) $m[1] - 1),
            (string) WordXml::value(WordXml::child($says, 'lvlText')),
        );

        return trim($text) === '' ? null : trim($text).' ';
    }

    /** A list with numbers of its own begins where it says; one without goes on with those of the same kind. */
    private function restart(string $list, string $abstract): void
    {
        foreach (isset($this->met[$list]) ? [] : $this->instead[$list] ?? [] as $level => $override) {
            if (WordXml::child($override, 'startOverride') !== null) {
                unset($this->reached[$abstract][$level]);
            }
        }
        $this->met[$list] = true;
    }

    private function start(string $list, string $abstract, int $level): int
    {
        $override = WordXml::value(WordXml::child($this->instead[$list][$level] ?? null, 'startOverride'));

        return (int) ($override ?? WordXml::value(WordXml::child($this->levels[$abstract][$level] ?? null, 'start')) ?? 1);
    }

    private function number(string $list, string $abstract, int $level): string
    {
        $format = (string) WordXml::value(WordXml::child($this->levels[$abstract][$level] ?? null, 'numFmt'));

        return ListNumber::text($this->reached[$abstract][$level] ?? $this->start($list, $abstract, $level), self::TYPES[$format] ?? '1');
    }
}
