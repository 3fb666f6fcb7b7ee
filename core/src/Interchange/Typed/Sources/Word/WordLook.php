<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources\Word;

/** The looks of a run that a converter drops, by the names that Run has for them. */
final class WordLook
{
    private const PLAIN = ['auto', '000000', 'ffffff', '', 'none', 'clear'];

    /**
     * @param  list<\DOMElement>  $properties  of the run, then of what it stands in; the first that says something counts
     * @return list<string>
     */
    public static function marks(array $properties, ?string $shade): array
    {
        $colour = $highlight = null;
        foreach ($properties as $look) {
            $colour ??= WordXml::value(WordXml::child($look, 'color'));
            $highlight ??= WordXml::value(WordXml::child($look, 'highlight')) ?? self::shade(WordXml::child($look, 'shd'));
        }
        $marks = [];
        if (! in_array(strtolower((string) $colour), self::PLAIN, true)) {
            $marks[] = 'colour:'.strtolower((string) $colour);
        }
        if (! in_array(strtolower((string) ($highlight ?? $shade)), self::PLAIN, true)) {
            $marks[] = 'highlight:'.strtolower((string) ($highlight ?? $shade));
        }

        return $marks;
    }

    /**
     * Bold, italic, underlined by the style of a paragraph, unless the run says otherwise.
     *
     * @param  list<\DOMElement>  $styles
     * @return list<string>
     */
    public static function ofStyle(?\DOMElement $run, array $styles): array
    {
        $marks = [];
        foreach (['b' => 'bold', 'i' => 'italic', 'u' => 'underline', 'strike' => 'strike'] as $name => $mark) {
            if (WordXml::child($run, $name) !== null) {
                continue; // the converter sees it
            }
            foreach ($styles as $style) {
                $says = WordXml::child($style, $name);
                if ($says !== null) {
                    if (WordXml::isOn($says)) {
                        $marks[] = $mark;
                    }
                    break;
                }
            }
        }

        return $marks;
    }

    public static function shade(?\DOMElement $shading): ?string
    {
        return WordXml::value($shading, 'fill');
    }
}
