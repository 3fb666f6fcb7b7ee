<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** What can stand beside a question for those who write and choose questions; each person chooses once for all lists and papers. */
enum Detail: string
{
    case Key = 'key';
    case Feedback = 'feedback';
    case Standards = 'standards';
    case Difficulty = 'difficulty';
    case Place = 'place';
    case Source = 'source';
    case State = 'state';

    /**
     * @return list<self> each once, in the order in which they stand
     *
     * @throws Malformed
     */
    public static function list(Fields $fields, string $field): array
    {
        $given = $fields->strings($field, count(self::cases()));
        foreach ($given as $i => $name) {
            if (self::tryFrom($name) === null) {
                throw Malformed::notOneOf($fields->at("$field/$i"), self::values(), $name);
            }
        }

        return self::named($given);
    }

    /**
     * @param  list<string>  $names
     * @return list<self>
     */
    public static function named(array $names): array
    {
        return array_values(array_filter(self::cases(), fn (self $one): bool => in_array($one->value, $names, true)));
    }

    /** @return list<string> */
    public static function values(): array
    {
        return array_column(self::cases(), 'value');
    }
}
