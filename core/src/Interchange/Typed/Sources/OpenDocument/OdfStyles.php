<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources\OpenDocument;

use WideQuarry\Interchange\Typed\Sources\ListNumber;

/** Looks and numbers that the styles of an ODT say, and a converter does not. */
final class OdfStyles
{
    private const DEPTH = 20;

    /** The converter takes the one for italic, and drops the other. */
    private const LINES = ['text-underline-style' => 'underline', 'text-line-through-style' => 'strike'];

    private const PLAIN = ['', 'transparent', '#000000', '#ffffff', 'auto'];

    /** @var array<string, \DOMElement> family and name → style */
    private array $styles = [];

    /** @var array<string, array<int, \DOMElement>> list style → level from 0 → what it says */
    private array $lists = [];

    public function __construct(?\DOMElement ...$roots)
    {
        foreach (array_filter($roots) as $root) {
            foreach (OdfXml::all($root, OdfXml::STYLE, 'style') as $style) {
                $name = $style->getAttributeNS(OdfXml::STYLE, 'family').' '.$style->getAttributeNS(OdfXml::STYLE, 'name');
                $this->styles[$name] = $style;
            }
            foreach (OdfXml::all($root, OdfXml::TEXT, 'list-style') as $list) {
                foreach ($list->childNodes as $level) {
                    if ($level instanceof \DOMElement) {
                        $at = (int) $level->getAttributeNS(OdfXml::TEXT, 'level') - 1;
                        $this->lists[$list->getAttributeNS(OdfXml::STYLE, 'name')][$at] = $level;
                    }
                }
            }
        }
    }

    /**
     * @param  'text'|'paragraph'|'table-cell'  $family
     * @return list<string> by the names that Run has for them
     */
    public function marks(string $family, string $name): array
    {
        $said = [];
        foreach ($this->chain($family, $name) as $style) {
            foreach ($style->childNodes as $properties) {
                if ($properties instanceof \DOMElement) {
                    $said += self::said($properties);
                }
            }
            if ($style->getAttributeNS(OdfXml::STYLE, 'name') === 'Standard') {
                break; // what everything looks like
            }
        }
        $marks = [];
        foreach ($said as $mark => $value) {
            $isPlain = in_array($value, self::PLAIN, true);
            if (in_array($mark, ['colour', 'highlight'], true)) {
                array_push($marks, ...$isPlain ? [] : [$mark.':'.ltrim($value, '#')]);
            } elseif ($family !== 'table-cell' &&
                ! in_array($value, ['none', 'normal'], true) &&
                ($mark !== 'bold' || $family === 'paragraph')) {
                $marks[] = $mark; // bold of a few words is seen by the converter
            }
        }

        return $marks;
    }

    /** @return array<string, string> mark → value */
    private static function said(\DOMElement $properties): array
    {
        $said = [];
        if ($properties->localName === 'text-properties') {
            foreach (self::LINES as $is => $mark) {
                if ($properties->hasAttributeNS(OdfXml::STYLE, $is)) {
                    $said[$mark] = $properties->getAttributeNS(OdfXml::STYLE, $is);
                }
            }
            foreach (['font-weight' => 'bold', 'color' => 'colour'] as $is => $mark) {
                if ($properties->hasAttributeNS(OdfXml::FO, $is)) {
                    $said[$mark] = strtolower($properties->getAttributeNS(OdfXml::FO, $is));
                }
            }
        }
        if ($properties->hasAttributeNS(OdfXml::FO, 'background-color')) {
            $said['highlight'] = strtolower($properties->getAttributeNS(OdfXml::FO, 'background-color'));
        }

        return $said;
    }

    /** @return int 1 to 6, 0 for none */
    public function heading(string $name): int
    {
        foreach ($this->chain('paragraph', $name) as $style) {
            $name = $style->getAttributeNS(OdfXml::STYLE, 'name');
            if (in_array($name, ['Title', 'Subtitle'], true)) {
                return $name === 'Title' ? 1 : 2;
            }
            if (preg_match('/^Heading_20_([1-6])$/', $name, $m) === 1) {
                return (int) $m[1];
            }
        }

        return 0;
    }

    /** Once the lines under and through words are written into the text. */
    public static function withoutLines(?\DOMElement ...$roots): void
    {
        foreach (array_filter($roots) as $root) {
            foreach (OdfXml::all($root, OdfXml::STYLE, 'text-properties') as $properties) {
                $properties->removeAttributeNS(OdfXml::STYLE, 'text-underline-style');
            }
        }
    }

    public function listOf(string $paragraph): string
    {
        foreach ($this->chain('paragraph', $paragraph) as $style) {
            $list = $style->getAttributeNS(OdfXml::STYLE, 'list-style-name');
            if ($list !== '') {
                return $list;
            }
        }

        return '';
    }

    public function start(string $list, int $level): int
    {
        return (int) (($this->lists[$list][$level] ?? null)?->getAttributeNS(OdfXml::TEXT, 'start-value') ?: '1');
    }

    /** @param  array<int, int>  $reached  level → the number it has */
    public function label(string $list, int $level, array $reached): string
    {
        $says = $this->lists[$list][$level] ?? null;
        if ($says === null) {
            return '';
        }
        if ($says->localName !== 'list-level-style-number') {
            return '• ';
        }
        $shown = max(1, (int) $says->getAttributeNS(OdfXml::TEXT, 'display-levels'));
        $numbers = [];
        for ($at = max(0, $level - $shown + 1); $at <= $level; $at++) {
            $format = ($this->lists[$list][$at] ?? $says)->getAttributeNS(OdfXml::STYLE, 'num-format');
            if ($format !== '') {
                $numbers[] = ListNumber::text($reached[$at] ?? 1, $format);
            }
        }
        $around = fn (string $name): string => $says->getAttributeNS(OdfXml::STYLE, $name);
        $text = $around('num-prefix').implode('.', $numbers).$around('num-suffix');
        // later versions say it as a pattern
        if ($says->hasAttributeNS(OdfXml::LOEXT, 'num-list-format')) {
            $pattern = $says->getAttributeNS(OdfXml::LOEXT, 'num-list-format');
            $text = (string) preg_replace_callback('/%(\d)%/', function (array $m) use ($list, $says, $reached): string {
                $format = ($this->lists[$list][(int) $m[1] - 1] ?? $says)->getAttributeNS(OdfXml::STYLE, 'num-format');

                return ListNumber::text($reached[(int) $m[1] - 1] ?? 1, $format);
            }, $pattern);
        }

        return $numbers === [] ? '' : trim($text).' ';
    }

    /** @return list<\DOMElement> */
    private function chain(string $family, string $name): array
    {
        $chain = [];
        while (isset($this->styles["$family $name"]) && count($chain) < self::DEPTH) {
            $chain[] = $this->styles["$family $name"];
            $name = $this->styles["$family $name"]->getAttributeNS(OdfXml::STYLE, 'parent-style-name');
        }

        return $chain;
    }
}
