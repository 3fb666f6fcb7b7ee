<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Json\Json;
use WideQuarry\Maths\FunctionTable;
use WideQuarry\Numbers\Exact;

/** Template variables and how they are set, as variables of ours: ranges, lists, expressions and conditions; nothing of it is guessed. */
final class TemplateReader
{
    /** Begins a text that stands for an expression; of the private use area, so nothing an author writes. */
    private const MARK = "\u{E0FE}";

    private const VALUES = [
        'qti-variable',
        'qti-sum',
        'qti-product',
        'qti-subtract',
        'qti-divide',
        'qti-power',
        'qti-round-to',
        'qti-round',
        'qti-truncate',
        'qti-math-operator',
        'qti-min',
        'qti-max',
        'qti-integer-divide',
        'qti-integer-modulus',
        'qti-integer-to-float',
        'qti-math-constant',
        'qti-stats-operator',
        'qti-gcd',
        'qti-lcm',
        'qti-index',
    ];

    /** @var array<string, string> template variable → as it is called here */
    private array $names = [];

    /** @var list<\stdClass> */
    private array $list = [];

    /** @var list<string> */
    private array $conditions = [];

    /** @var array<string, string> response → expression of its right answer */
    private array $correct = [];

    /** @var array<string, string> name → how it is shown where another stands for it: s_1 → s[1] */
    private array $shown = [];

    private bool $whole = true;

    public function __construct(\DOMElement $item)
    {
        foreach (Xml::children($item, 'qti-template-declaration') as $declaration) {
            $id = $declaration->getAttribute('identifier');
            $name = (string) preg_replace('/[^A-Za-z0-9_]/', '_', $id);
            $isName = preg_match('/^[A-Za-z]/', $name) === 1 && ! FunctionTable::isReserved($name);
            $name = substr($isName ? $name : "v_$name", 0, 40);
            $this->whole = $this->whole && ! in_array($name, $this->names, true) &&
                in_array($declaration->getAttribute('cardinality'), ['single', 'ordered'], true);
            $this->names[$id] = $name;
            $default = Xml::child($declaration, 'qti-default-value');
            if ($default !== null) {
                $this->list[] = (object) ['name' => $name, 'kind' => 'list', 'items' => [trim($default->textContent)]];
            }
        }
        $processing = Xml::child($item, 'qti-template-processing');
        foreach ($processing === null ? [] : Xml::children($processing) as $rule) {
            $id = $rule->getAttribute('identifier');
            $value = Xml::children($rule)[0] ?? null;
            $understood =
                $value !== null &&
                match ($rule->localName) {
                    'qti-set-template-value' => isset($this->names[$id]) && $this->set($this->names[$id], $value),
                    'qti-template-constraint' => $this->condition($value),
                    'qti-set-correct-response' => $this->right($id, $value),
                    'qti-template-condition' => $this->branches($rule),
                    default => false,
                };
            $this->whole = $this->whole && $understood;
        }
        $together = new ReadTogether($this->list, $this->conditions);
        [$this->list, $this->conditions] = [$together->list, $together->conditions];
        $this->shown = $together->shown;
        $set = array_map(fn (\stdClass $one): string => is_string($one->name) ? $one->name : '', $this->list);
        $this->whole = $this->whole && count(array_unique($set)) === count($set) &&
            array_diff($this->names, $set, $together->settled) === [];
    }

    public static function isIn(\DOMElement $item): bool
    {
        return Xml::child($item, 'qti-template-declaration') !== null || Xml::child($item, 'qti-template-processing') !== null;
    }

    /** Whether all of it is understood here. */
    public function isWhole(): bool
    {
        return $this->whole && $this->names !== [];
    }

    public function toJson(): \stdClass
    {
        return (object) ['list' => $this->list, ...$this->conditions === [] ? [] : ['conditions' => $this->conditions, 'tries' => 1000]];
    }

    /** Texts show the values as ours do, and marking compares with a marked text in place of each expression, as if it were a number. */
    public function settle(\DOMElement $item): void
    {
        foreach (Xml::children($item) as $child) {
            if ($child->localName === 'qti-response-processing') {
                $this->mark($child);
            } elseif ($child->localName === 'qti-response-declaration' && isset($this->correct[$child->getAttribute('identifier')])) {
                $this->answer($child, $this->correct[$child->getAttribute('identifier')]);
            } elseif (! str_contains((string) $child->localName, 'template')) {
                $this->inText($child);
            }
        }
    }

    /**
     * Parts with expressions where keys hold marked texts.
     *
     * @param  list<\stdClass>  $parts
     * @return list<\stdClass>|null null when one stands where no expression can
     */
    public function keyed(array $parts): ?array
    {
        $json = Json::encode($parts);
        $json = (string) preg_replace_callback(
            '/"(value|from|to)":"'.self::MARK.'((?:[^"\\\\]|\\\\.)*)"/u',
            fn (array $m): string => "\"$m[1]\":{\"expr\":\"$m[2]\"}",
            $json,
        );
        $json = (string) preg_replace_callback(
            '/"values":\[[^\]]*\]/u',
            fn (array $m): string => (string) preg_replace('/"'.self::MARK.'((?:[^"\\\\]|\\\\.)*)"/u', '{"expr":"$1"}', $m[0]),
            $json,
        );
        $read = str_contains($json, self::MARK) ? null : Json::decode($json);

        return is_array($read) ? array_values(array_filter($read, fn (mixed $part): bool => $part instanceof \stdClass)) : null;
    }

    private function mark(\DOMElement $e): void
    {
        foreach (Xml::children($e) as $child) {
            $text = in_array($child->localName, self::VALUES, true) ? (new ExpressionText($this->names))->of($child) : null;
            $text =
                $child->localName === 'qti-correct' && $e->localName !== 'qti-match'
                    ? $this->correct[$child->getAttribute('identifier')] ?? null
                    : $text;
            if ($text === null || $child->localName === 'qti-base-value') {
                $this->mark($child);

                continue;
            }
            $value = ($e->ownerDocument ?? new \DOMDocument)->createElementNS((string) $e->namespaceURI, 'qti-base-value');
            $value->setAttribute('base-type', 'float');
            $value->textContent = self::MARK.self::bare($text);
            $e->replaceChild($value, $child);
        }
    }

    private function answer(\DOMElement $declaration, string $expression): void
    {
        $document = $declaration->ownerDocument ?? new \DOMDocument;
        $stands = Xml::child($declaration, 'qti-correct-response');
        if ($stands !== null) {
            $declaration->removeChild($stands);
        }
        $correct = $document->createElementNS((string) $declaration->namespaceURI, 'qti-correct-response');
        $value = $document->createElementNS((string) $declaration->namespaceURI, 'qti-value');
        $value->textContent = self::MARK.$expression;
        $correct->appendChild($value);
        $declaration->insertBefore($correct, $declaration->firstChild);
    }

    private function inText(\DOMElement $body): void
    {
        foreach (Xml::all($body, 'qti-printed-variable') as $printed) {
            $name = $this->names[$printed->getAttribute('identifier')] ?? null;
            $document = $body->ownerDocument ?? new \DOMDocument;
            if ($name !== null) {
                if (preg_match('/^%(?:\.(\d{1,2})f|[di])$/D', $printed->getAttribute('format'), $m) === 1) {
                    foreach ($this->list as $variable) {
                        if ($variable->name === $name) {
                            $variable->show = (object) ['places' => (int) ($m[1] ?? 0)];
                        }
                    }
                }
                $anchor = $document->createElement('var');
                $anchor->setAttribute('data-value', $this->shown[$name] ?? $name);
                $printed->parentNode?->replaceChild($anchor, $printed);
            }
        }
        foreach (Xml::all($body, 'mi') as $letter) {
            $name = $this->names[trim($letter->textContent)] ?? null;
            if ($name !== null) {
                $letter->setAttribute('data-value', $this->shown[$name] ?? $name);
            }
        }
    }

    private function set(string $name, \DOMElement $value): bool
    {
        $variable = $this->range($value) ?? ($this->choice($value) ?? $this->expression($value));
        if ($variable === null) {
            return false;
        }
        // a value set takes the place of the one declared
        $this->list = [
            ...array_values(array_filter($this->list, fn (\stdClass $one): bool => $one->name !== $name)),
            (object) ['name' => $name, ...$variable],
        ];

        return true;
    }

    /** @return array<string, string>|null a whole number, or a decimal in steps */
    private function range(\DOMElement $value): ?array
    {
        if ($value->localName === 'qti-random-integer') {
            [$min, $max, $step] = [$value->getAttribute('min') ?: '0', $value->getAttribute('max'), $value->getAttribute('step') ?: '1'];

            return Exact::read($min) !== null && Exact::read($max) !== null && Exact::read($step) !== null
                ? ['kind' => 'integer', 'from' => $min, 'to' => $max, ...$step === '1' ? [] : ['step' => $step]]
                : null;
        }
        if ($value->localName === 'qti-random-float') {
            [$min, $max] = [$value->getAttribute('min') ?: '0', $value->getAttribute('max')];
            $finest = max(2, ...array_map(fn (string $end): int => strlen(explode('.', $end)[1] ?? ''), [$min, $max]));

            // any number between, to as many places as anybody reads
            return Exact::read($min) !== null && Exact::read($max) !== null
                ? ['kind' => 'decimal', 'from' => $min, 'to' => $max, 'step' => '0.'.str_repeat('0', min(6, $finest) - 1).'1']
                : null;
        }

        return $this->steps($value);
    }

    /** @return array<string, string>|null from a number, so many steps on */
    private function steps(\DOMElement $value): ?array
    {
        [$from, $product] = [...Xml::children($value), null, null];
        [$step, $random] = $product === null ? [null, null] : [...Xml::children($product), null, null];
        if (
            $value->localName !== 'qti-sum' ||
            $from?->localName !== 'qti-base-value' ||
            $product?->localName !== 'qti-product' ||
            $step?->localName !== 'qti-base-value' ||
            $random?->localName !== 'qti-random-integer' ||
            ! in_array($random->getAttribute('min'), ['', '0'], true)
        ) {
            return null;
        }
        [$start, $width, $last] = [
            Exact::read(trim($from->textContent)),
            Exact::read(trim($step->textContent)),
            Exact::read($random->getAttribute('max')),
        ];
        if ($start === null || $width === null || $last === null) {
            return null;
        }
        $to = Exact::decimal($start->plus($width->multipliedBy($last)));

        return $to === null
            ? null
            : ['kind' => 'decimal', 'from' => Exact::decimal($start) ?? '0', 'to' => $to, 'step' => Exact::decimal($width) ?? '1'];
    }

    /** @return array<string, mixed>|null one of several */
    private function choice(\DOMElement $value): ?array
    {
        $container = $value->localName === 'qti-random' ? Xml::children($value)[0] ?? null : null;
        if ($value->localName === 'qti-base-value') {
            return ['kind' => 'list', 'items' => [trim($value->textContent)]];
        }
        $items =
            $container !== null && in_array($container->localName, ['qti-multiple', 'qti-ordered'], true)
                ? Xml::children($container)
                : [];

        return $items === [] || array_filter($items, fn (\DOMElement $item): bool => $item->localName !== 'qti-base-value') !== []
            ? null
            : ['kind' => 'list', 'items' => array_map(fn (\DOMElement $item): string => trim($item->textContent), $items)];
    }

    /** @return array<string, string>|null */
    private function expression(\DOMElement $value): ?array
    {
        $text = (new ExpressionText($this->names))->of($value);

        return $text === null ? null : ['kind' => 'expr', 'expr' => self::bare($text)];
    }

    private function branches(\DOMElement $condition): bool
    {
        $chosen = $this->chosen($condition);
        if ($chosen === null) {
            return false;
        }
        [$name, $text] = $chosen;
        $this->list = [
            ...array_values(array_filter($this->list, fn (\stdClass $one): bool => $one->name !== $name)),
            (object) ['name' => $name, 'kind' => 'expr', 'expr' => $text],
        ];

        return true;
    }

    /**
     * A condition whose branches all set one variable: if(c, a, if(d, b, e)).
     *
     * @return array{string, string}|null the variable and what it is; null where something else is done, or nothing in some case
     */
    private function chosen(\DOMElement $condition): ?array
    {
        $text = $name = null;
        foreach (array_reverse(Xml::children($condition)) as $branch) {
            $inner = Xml::children($branch);
            $isElse = $branch->localName === 'qti-template-else';
            $value = count($inner) === ($isElse ? 1 : 2) ? $this->setTo($inner[count($inner) - 1]) : null;
            $test = $isElse || $value === null ? null : (new ExpressionText($this->names))->of($inner[0]);
            if ($value === null || $value[0] !== ($name ?? $value[0]) || ($isElse ? $text !== null : $test === null || $text === null)) {
                return null;
            }
            $name = $value[0];
            $text = $isElse ? self::bare($value[1]) : 'if('.self::bare((string) $test).', '.self::bare($value[1]).", $text)";
        }

        return $name === null ? null : [$name, $text];
    }

    /** @return array{string, string}|null */
    private function setTo(\DOMElement $rule): ?array
    {
        if ($rule->localName === 'qti-template-condition') {
            return $this->chosen($rule);
        }
        $name = $rule->localName === 'qti-set-template-value' ? $this->names[$rule->getAttribute('identifier')] ?? null : null;
        $value = Xml::children($rule)[0] ?? null;
        $text = $name === null || $value === null ? null : (new ExpressionText($this->names))->of($value);

        return $name === null || $text === null ? null : [$name, $text];
    }

    private function condition(\DOMElement $value): bool
    {
        $text = (new ExpressionText($this->names))->of($value);
        if ($text !== null) {
            $this->conditions[] = self::bare($text);
        }

        return $text !== null;
    }

    private function right(string $response, \DOMElement $value): bool
    {
        $text = (new ExpressionText($this->names))->of($value);
        if ($text !== null) {
            $this->correct[$response] = self::bare($text);
        }

        return $text !== null;
    }

    /** Without the brackets around the whole. */
    public static function bare(string $text): string
    {
        return preg_match('/^\(([^()]*+(?:\([^()]*+\)[^()]*+)*+)\)$/D', $text, $m) === 1 ? $m[1] : $text;
    }
}
