<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Numbers\Exact;

/**
 * Values that are drawn together, as template variables: a row of a table by the number of the row, and some of a list by numbers that
 * all differ. The names of items have a point, which none of ours has: s.1 is s[1].
 */
final readonly class DrawnTogether
{
    /** @param  array<string, string>  $printed  name of ours → template variable */
    private function __construct(public string $declarations, public string $processing, public array $printed)
    {
    }

    public static function row(\stdClass $variable): ?self
    {
        $name = is_string($variable->name ?? null) ? $variable->name : '';
        $columns = is_array($variable->columns ?? null) ? array_values(array_filter($variable->columns, is_string(...))) : [];
        $rows = is_array($variable->rows ?? null) ? array_values(array_filter($variable->rows, is_array(...))) : [];
        $declarations = self::declaration($name, 'integer');
        $processing = self::number($name, count($rows));
        foreach ($columns as $i => $column) {
            $values = self::values(array_map(fn (array $row): mixed => array_values($row)[$i] ?? null, $rows));
            if ($values === null) {
                return null;
            }
            [$type, $xml] = $values;
            $declarations .= self::declaration($column, $type);
            $processing .= self::set($column, "<qti-index n=\"$name\">$xml</qti-index>");
        }

        return $rows === [] ? null : new self($declarations, $processing, array_combine($columns, $columns));
    }

    public static function sample(\stdClass $variable): ?self
    {
        $name = is_string($variable->name ?? null) ? $variable->name : '';
        $items = is_array($variable->items ?? null) ? array_values($variable->items) : [];
        $count = is_int($variable->count ?? null) ? $variable->count : 0;
        $values = self::values($items);
        if ($values === null || $count < 1 || $count > count($items)) {
            return null;
        }
        [$type, $xml] = $values;
        $declarations = $processing = '';
        $printed = [];
        for ($i = 1; $i <= $count; $i++) {
            $declarations .= self::declaration("$name.n$i", 'integer').self::declaration("$name.$i", $type);
            $processing .= self::number("$name.n$i", count($items));
            for ($j = 1; $j < $i; $j++) {
                $processing .= '<qti-template-constraint><qti-not><qti-equal tolerance-mode="exact">'.
                    "<qti-variable identifier=\"$name.n$j\"/><qti-variable identifier=\"$name.n$i\"/></qti-equal></qti-not></qti-template-constraint>";
            }
            $processing .= self::set("$name.$i", "<qti-index n=\"$name.n$i\">$xml</qti-index>");
            $printed["{$name}[$i]"] = "$name.$i";
        }
        $all = implode('', array_map(fn (int $i): string => "<qti-variable identifier=\"$name.$i\"/>", range(1, $count)));

        return new self(
            $declarations.self::declaration($name, $type, 'ordered'),
            $processing.self::set($name, "<qti-ordered>$all</qti-ordered>"),
            [...$printed, $name => $name],
        );
    }

    /**
     * Numbers, or else words.
     *
     * @param  list<mixed>  $items
     * @return array{string, string}|null base type, and the values in their order; null where some are neither
     */
    private static function values(array $items): ?array
    {
        $texts = array_filter($items, is_string(...));
        if (count($texts) < count($items) || $items === []) {
            return null;
        }
        $type = count(array_filter(array_map(Exact::read(...), $texts))) === count($texts) ? 'float' : 'string';
        $values = array_map(fn (string $text): string => "<qti-base-value base-type=\"$type\">".
            Xml::escape($type === 'float' ? ScoreFloats::float(Exact::of($text)) : $text).'</qti-base-value>', $texts);

        return [$type, '<qti-ordered>'.implode('', $values).'</qti-ordered>'];
    }

    private static function declaration(string $name, string $type, string $cardinality = 'single'): string
    {
        return "<qti-template-declaration identifier=\"$name\" cardinality=\"$cardinality\" base-type=\"$type\"".
            ($cardinality === 'single' ? ' math-variable="true"' : '').'/>';
    }

    private static function number(string $name, int $count): string
    {
        return self::set($name, "<qti-random-integer min=\"1\" max=\"$count\"/>");
    }

    private static function set(string $name, string $value): string
    {
        return "<qti-set-template-value identifier=\"$name\">$value</qti-set-template-value>";
    }
}
