<?php

declare(strict_types=1);

namespace WideQuarry\Question;

/** How wide a field to type in is, in characters. */
final class FieldWidth
{
    public const MIN = 6;

    public const MAX = 60;

    /** Room for an answer and a little more, so that the field does not give its length away. */
    public static function for(string ...$answers): int
    {
        return self::bounded(max([0, ...array_map(mb_strlen(...), array_values($answers))]) + 4);
    }

    public static function bounded(int $width): int
    {
        return max(self::MIN, min(self::MAX, $width));
    }
}
