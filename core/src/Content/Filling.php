<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/**
 * Values put where their names stand in rich text. A value whose sign is natural joins what is before and after it, as people write
 * sums: "x + −3" becomes "x − 3", and "1x" becomes "x".
 */
final readonly class Filling
{
    private const TEX = '\\\\val\{([A-Za-z][A-Za-z0-9_]*(?:\[\d+\])?)\}';

    /**
     * @param  array<string, string>  $written  name → its value as it is written
     * @param  list<string>  $natural  names whose sign is natural
     */
    public function __construct(public array $written = [], private array $natural = [])
    {
    }

    /**
     * @param  list<Element|string>  $nodes
     * @return list<Element|string>
     */
    public function nodes(array $nodes): array
    {
        if ($this->written === []) {
            return $nodes;
        }
        $filled = [];
        foreach ($nodes as $at => $node) {
            if (is_string($node)) {
                $filled[] = $node;

                continue;
            }
            $name = $node->attribute('data-value');
            if ($name === null) {
                $filled[] = $this->element($node);
            } elseif (! isset($this->written[$name])) {
                $filled[] = $node;
            } elseif (! in_array($name, $this->natural, true)) {
                $filled[] = self::value($node, $this->written[$name]);
            } else {
                array_push($filled, ...$this->natural($node, $this->written[$name], $filled, $nodes[$at + 1] ?? null));
            }
        }

        return $filled;
    }

    /** A text such as the alternative of a picture, or TeX. */
    public function text(string $text): string
    {
        if ($this->written === [] || ! str_contains($text, '\\val{')) {
            return $text;
        }

        return (string) preg_replace_callback('/([+\-−]\s*)?'.self::TEX.'(?=(\s*[A-Za-z])?)/u', function (array $m): string {
            $value = $this->written[$m[2]] ?? null;
            $before = $m[1];
            if ($value === null) {
                return $before.$m[2];
            }
            if (in_array($m[2], $this->natural, true)) {
                [$before, $value] = self::signed($before, $value);
                $value = ($m[3] ?? '') === '' ? $value : self::factor($value);
            }

            return $before.$value;
        }, $text);
    }

    private function element(Element $element): Element
    {
        if ($element->name === 'annotation') {
            $children = array_map(
                fn (Element|string $child): Element|string => is_string($child) ? $this->text($child) : $child,
                $element->children,
            );

            return $element->withChildren($children);
        }
        $alt = $element->attribute('alt');
        if ($alt !== null && str_contains($alt, '\\val{')) {
            return new Element($element->name, [...$element->attributes, 'alt' => $this->text($alt)], $this->nodes($element->children));
        }

        return $element->children === [] ? $element : $element->withChildren($this->nodes($element->children));
    }

    private static function value(Element $place, string $value): Element|string
    {
        return $place->name === 'mi' ? new Element('mn', [], [$value]) : $value;
    }

    /**
     * @param  list<Element|string>  $before  changed where a sign there takes in the value's
     * @return list<Element|string> nothing where a factor of 1 goes unwritten
     */
    private function natural(Element $place, string $value, array &$before, Element|string|null $next): array
    {
        $last = array_key_last($before);
        $previous = $last === null ? null : $before[$last];
        if (is_string($previous)) {
            [$before[$last], $value] = self::signed($previous, $value);
        } elseif ($previous?->name === 'mo' && is_string($previous->children[0] ?? null)) {
            [$sign, $value] = self::signed($previous->children[0], $value);
            $before[$last] = $previous->withChildren([$sign]);
        }
        if ($place->name === 'mi') {
            return self::inMaths($next instanceof Element && self::isLetter($next) ? self::factor($value) : $value);
        }
        $value = is_string($next) && preg_match('/^\p{L}/u', $next) === 1 ? self::factor($value) : $value;

        return $value === '' ? [] : [$value];
    }

    /** @return list<Element> a sign and a number, either of which may be missing */
    private static function inMaths(string $value): array
    {
        $digits = str_starts_with($value, '−') ? mb_substr($value, 1) : $value;

        return [
            ...$digits === $value ? [] : [new Element('mo', [], ['−'])],
            ...$digits === '' ? [] : [new Element('mn', [], [$digits])],
        ];
    }

    /**
     * A sign and a value after it, read together.
     *
     * @return array{string, string}
     */
    private static function signed(string $before, string $value): array
    {
        if (! str_starts_with($value, '−') || preg_match('/([+\-−])(\s*)$/uD', $before, $m) !== 1) {
            return [$before, $value];
        }

        return [mb_substr($before, 0, -mb_strlen($m[0])).($m[1] === '+' ? '−' : '+').$m[2], mb_substr($value, 1)];
    }

    private static function factor(string $value): string
    {
        return match ($value) {
            '1' => '',
            '−1' => '−',
            default => $value,
        };
    }

    /** Whether a letter follows, perhaps under a power or after an invisible times. */
    private static function isLetter(Element $next): bool
    {
        if ($next->name === 'mo') {
            return ($next->children[0] ?? '') === "\u{2062}";
        }
        $first = $next->children[0] ?? null;

        return ($next->name === 'mi' && $next->attribute('data-value') === null) ||
            (in_array($next->name, ['msup', 'msub', 'mrow'], true) && $first instanceof Element && self::isLetter($first));
    }
}
