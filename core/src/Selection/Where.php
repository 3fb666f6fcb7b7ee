<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** Which questions are meant: values of one attribute are alternatives, attributes hold together, none at all means every question. */
final readonly class Where
{
    /** @var array<string, array<string|int, int>> the values as keys: pools are large */
    private array $sets;

    /** @param  array<string, list<string>>  $values */
    public function __construct(public array $values)
    {
        $this->sets = array_map(array_flip(...), $values);
    }

    /** @throws Malformed */
    public static function read(Fields $of, string $field): self
    {
        return new self(self::values($of, $field, 1000));
    }

    /**
     * @return array<string, list<string>> attribute → its values
     *
     * @throws Malformed
     */
    public static function values(Fields $of, string $field, int $most): array
    {
        $path = $of->at($field);
        $json = $of->has($field) ? $of->raw($field) : new \stdClass;
        $given = $json instanceof \stdClass ? get_object_vars($json) : throw Malformed::wrongType($path, Message::of('json.object'), $json);
        $values = [];
        foreach ($given as $name => $list) {
            $name = (string) $name;
            if (! is_array($list) || count($list) > $most) {
                throw is_array($list)
                    ? Malformed::outOfRange("$path/$name", Message::of('json.most-entries', ['max' => $most]), count($list))
                    : Malformed::wrongType("$path/$name", 'a list', $list);
            }
            foreach ($list as $i => $value) {
                if (! is_string($value) || strlen($value) > 1000) {
                    Fields::asText($value, "$path/$name/$i", 1000);
                }
            }
            /** @var list<string> $list */
            $values[$name] = count($list) < 2 ? $list : array_values(array_unique($list));
        }

        return $values;
    }

    public function isEverything(): bool
    {
        return $this->values === [];
    }

    public function meets(Candidate $candidate): bool
    {
        foreach ($this->sets as $attribute => $set) {
            foreach ($candidate->attributes[$attribute] ?? [] as $value) {
                if (isset($set[$value])) {
                    continue 2;
                }
            }

            return false;
        }

        return true;
    }

    /** In words: "rivers, difficulty 3 or 4". */
    public function said(): string
    {
        if ($this->values === []) {
            return Message::of('selection.whole-test');
        }
        $each = [];
        foreach ($this->values as $attribute => $values) {
            $each[] = $attribute.' '.implode(' '.Message::of('selection.or').' ', $values);
        }

        return implode(', ', $each);
    }
}
