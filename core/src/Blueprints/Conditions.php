<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** Conditions of a search, by name, as they are written down; whoever keeps the questions knows what they mean. */
final class Conditions
{
    /**
     * @return array<string, list<string>> such as ['topic' => ['…'], 'difficulty' => ['4', '5']]
     *
     * @throws Malformed
     */
    public static function read(Fields $fields, string $field): array
    {
        $json = $fields->has($field) ? $fields->raw($field) : new \stdClass;
        $path = $fields->at($field);
        $given = $json instanceof \stdClass ? get_object_vars($json) : throw Malformed::wrongType($path, Message::of('json.object'), $json);
        $conditions = [];
        foreach ($given as $name => $values) {
            $name = (string) $name;
            if (preg_match('/^[a-z][a-z_-]{0,39}$/D', $name) !== 1) {
                throw Malformed::unknownField("$path/$name", $name);
            }
            if (! is_array($values) || $values === [] || count($values) > 200) {
                throw Malformed::wrongType("$path/$name", Message::of('blueprints.values'), $values);
            }
            foreach (array_values($values) as $i => $value) {
                $conditions[$name][] = Fields::asText($value, "$path/$name/$i", 2000);
            }
        }

        return $conditions;
    }
}
