<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Written;

/** HTML of ours as Markdown (CommonMark 0.30, tables with bars); what it has no signs for stays HTML. */
final class MarkdownText
{
    private const MARKS = ['strong' => '**', 'em' => '*', 's' => '~~', 'code' => '`'];

    public static function of(string $html): string
    {
        $document = new \DOMDocument;
        $document->loadHTML(
            '<?xml encoding="UTF-8"><html><body>'.$html.'</body></html>',
            LIBXML_NOERROR | LIBXML_NOWARNING | LIBXML_NONET | LIBXML_PARSEHUGE,
        );
        $blocks = [];
        foreach ($document->getElementsByTagName('body')->item(0)->childNodes ?? [] as $node) {
            $block = trim(self::block($node));
            if ($block !== '') {
                $blocks[] = $block;
            }
        }

        return implode("\n\n", $blocks)."\n";
    }

    private static function block(\DOMNode $node): string
    {
        if (! $node instanceof \DOMElement) {
            return self::inline($node);
        }
        $name = strtolower($node->tagName);

        return match (true) {
            preg_match('/^h([1-6])$/', $name, $m) === 1 => str_repeat('#', (int) $m[1]).' '.self::children($node),
            $name === 'table' => self::table($node),
            $name === 'ul', $name === 'ol' => self::list($node, $name),
            $name === 'pre' => "```\n".$node->textContent."\n```",
            default => self::children($node),
        };
    }

    private static function list(\DOMElement $list, string $name): string
    {
        $lines = [];
        foreach ($list->childNodes as $i => $item) {
            if ($item instanceof \DOMElement) {
                $lines[] = ($name === 'ul' ? '- ' : (count($lines) + 1).'. ').self::children($item);
            }
        }

        return implode("\n", $lines);
    }

    private static function table(\DOMElement $table): string
    {
        $rows = [];
        foreach ($table->getElementsByTagName('tr') as $row) {
            $cells = [];
            foreach ($row->childNodes as $cell) {
                if ($cell instanceof \DOMElement) {
                    $cells[] = str_replace('|', '\\|', trim(self::children($cell)));
                }
            }
            $rows[] = '| '.implode(' | ', $cells).' |';
            if (count($rows) === 1) {
                $rows[] = '|'.str_repeat(' --- |', max(1, count($cells)));
            }
        }

        return implode("\n", $rows);
    }

    private static function children(\DOMNode $node): string
    {
        return implode('', array_map(self::inline(...), iterator_to_array($node->childNodes, false)));
    }

    private static function inline(\DOMNode $node): string
    {
        if ($node instanceof \DOMText) {
            // a row of underscores is a blank to fill in
            return (string) preg_replace('/([\\\\`*<$~])|(?<!_)_(?!_)/', '\\\\$0', str_replace("\n", ' ', $node->data));
        }
        if (! $node instanceof \DOMElement) {
            return '';
        }
        $name = strtolower($node->tagName);
        $id = $node->getAttribute('id');

        return match (true) {
            str_starts_with($id, 'wq') => "<!-- $id -->".self::children($node),
            $name === 'br' => "\n",
            $name === 'img' => '!['.$node->getAttribute('alt').']('.$node->getAttribute('src').')',
            $name === 'math' => self::maths($node),
            isset(self::MARKS[$name]) => self::MARKS[$name].self::children($node).self::MARKS[$name],
            in_array($name, ['sub', 'sup', 'u'], true) => "<$name>".self::children($node)."</$name>",
            $name === 'a' => '['.self::children($node).']('.$node->getAttribute('href').')',
            default => self::children($node),
        };
    }

    private static function maths(\DOMElement $maths): string
    {
        foreach ($maths->getElementsByTagName('annotation') as $tex) {
            if ($tex->getAttribute('encoding') === 'application/x-tex') {
                return '$'.trim($tex->textContent).'$';
            }
        }

        return (string) $maths->ownerDocument?->saveXML($maths);
    }
}
