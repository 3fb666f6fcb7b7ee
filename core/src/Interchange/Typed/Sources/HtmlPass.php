<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources;

/** Goes over HTML before it is converted, from a file or a clipboard: looks that only styles say, boxes and lists to choose from. */
final class HtmlPass
{
    private const PLAIN = [
        '',
        'transparent',
        'inherit',
        'initial',
        'auto',
        'windowtext',
        'black',
        '000000',
        '000',
        'white',
        'ffffff',
        'fff',
        'none',
    ];

    public static function over(string $html): string
    {
        $document = new \DOMDocument;
        $html = (string) preg_replace(['/<!--\s*wq-?([0-9a-f-]{32,36})\s*-->/', Passed::ANY], ['<span id="wq-$1"></span>', ''], $html);
        $document->loadHTML(
            '<?xml encoding="UTF-8">'.$html,
            LIBXML_NOERROR | LIBXML_NOWARNING | LIBXML_NONET | LIBXML_COMPACT | LIBXML_PARSEHUGE,
        );
        $body = $document->getElementsByTagName('body')->item(0);
        if ($body === null) {
            return '';
        }
        foreach (['script', 'style', 'template', 'noscript', 'iframe', 'object', 'embed', 'link', 'meta'] as $name) {
            foreach (iterator_to_array($body->getElementsByTagName($name), false) as $element) {
                $element->parentNode?->removeChild($element);
            }
        }
        self::controls($document, $body);
        foreach (['b', 'strong'] as $name) {
            foreach (iterator_to_array($body->getElementsByTagName($name), false) as $bold) {
                // what word processors put around a whole paste
                if (preg_match('/font-weight\s*:\s*(?:normal|400)/', strtolower($bold->getAttribute('style'))) === 1) {
                    self::unwrap($bold);
                }
            }
        }
        self::looks($body, []);

        return implode(
            '',
            array_map(fn (\DOMNode $node): string => (string) $document->saveHTML($node), iterator_to_array($body->childNodes, false)),
        );
    }

    private static function controls(\DOMDocument $document, \DOMElement $body): void
    {
        foreach (iterator_to_array($body->getElementsByTagName('input'), false) as $input) {
            $text = match (strtolower($input->getAttribute('type'))) {
                'checkbox', 'radio' => $input->hasAttribute('checked') ? '☑ ' : '☐ ',
                '', 'text', 'number' => '____',
                default => '',
            };
            $input->parentNode?->replaceChild($document->createTextNode($text), $input);
        }
        foreach (iterator_to_array($body->getElementsByTagName('select'), false) as $select) {
            $words = array_map(
                fn (\DOMElement $option): string => trim($option->textContent),
                iterator_to_array($select->getElementsByTagName('option'), false),
            );
            $words = array_filter($words, fn (string $word): bool => $word !== '');
            $select->parentNode?->replaceChild($document->createTextNode('['.implode(' / ', $words).']'), $select);
        }
    }

    private static function unwrap(\DOMElement $element): void
    {
        while ($element->firstChild !== null) {
            $element->parentNode?->insertBefore($element->firstChild, $element);
        }
        $element->parentNode?->removeChild($element);
    }

    /** @param  list<string>  $marks */
    private static function looks(\DOMElement $within, array $marks): void
    {
        foreach (iterator_to_array($within->childNodes) as $child) {
            if ($child instanceof \DOMText && trim($child->data) !== '') {
                $text = $child->data;
                foreach (array_unique($marks) as $mark) {
                    $text = Passed::marked($mark, $text);
                }
                $child->data = $text;
            } elseif ($child instanceof \DOMElement && strtolower($child->tagName) !== 'math') {
                self::looks($child, self::of($child, $marks));
            }
        }
    }

    /**
     * @param  list<string>  $marks  of what it stands in
     * @return list<string>
     */
    private static function of(\DOMElement $element, array $marks): array
    {
        $style = strtolower($element->getAttribute('style'));
        $said = [];
        if (preg_match('/(?:^|;)\s*color\s*:\s*([^;]+)/', $style, $m) === 1 || $element->hasAttribute('color')) {
            $said['colour'] = $m[1] ?? $element->getAttribute('color');
        }
        if (preg_match('/(?:^|;)\s*(?:background|background-color|mso-highlight)\s*:\s*([^;]+)/', $style, $m) === 1 ||
            $element->hasAttribute('bgcolor')) {
            $said['highlight'] = $m[1] ?? $element->getAttribute('bgcolor');
        }
        foreach ($said as $mark => $value) {
            $marks = array_values(array_filter($marks, fn (string $one): bool => ! str_starts_with($one, "$mark:")));
            $value = self::colour($value);
            if (! in_array($value, self::PLAIN, true)) {
                $marks[] = "$mark:$value";
            }
        }
        if (preg_match('/font-weight\s*:\s*(bold|bolder|[6-9]00|normal|[1-4]00)/', $style, $m) === 1) {
            $marks = array_values(array_diff($marks, ['bold']));
            $marks = preg_match('/^(?:bold|bolder|[6-9])/', $m[1]) === 1 ? [...$marks, 'bold'] : $marks;
        }
        foreach ([
            '/font-style\s*:\s*italic/' => 'italic',
            '/underline/' => 'underline',
            '/line-through/' => 'strike',
        ] as $pattern => $mark) {
            if (preg_match($pattern, $style) === 1) {
                $marks[] = $mark;
            }
        }
        if (strtolower($element->tagName) === 'mark') {
            $marks[] = 'highlight:mark';
        }

        return $marks;
    }

    private static function colour(string $value): string
    {
        $value = trim($value, " \t\n!\"'");
        if (preg_match('/^rgba?\(\s*(\d+)\s*,\s*(\d+)\s*,\s*(\d+)(?:\s*,\s*([\d.]+))?/', $value, $m) === 1) {
            return ($m[4] ?? '1') === '0' ? '' : sprintf(
                '%02x%02x%02x',
                min(255, (int) $m[1]),
                min(255, (int) $m[2]),
                min(255, (int) $m[3]),
            );
        }

        return (string) preg_replace('/[^a-z0-9].*$/', '', ltrim($value, '#'));
    }
}
