<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Interchange\Keys\AnswerShape;

/** What holds for a kind whose answers are picked. */
trait MappingDefaults
{
    public function shape(): ?AnswerShape
    {
        return AnswerShape::Picks;
    }

    public function choices(\stdClass $settings, array $gaps): array
    {
        return [self::identifiers($settings, 'options'), []];
    }

    public function mayRepeat(\stdClass $settings): ?bool
    {
        return null;
    }

    public function isReversed(): bool
    {
        return false;
    }

    public function canKeyVary(): bool
    {
        return false;
    }

    public function toResponse(array $given, string $language, \stdClass $settings): \stdClass
    {
        return (object) ['chosen' => $given];
    }

    /** @return list<string> */
    private static function identifiers(\stdClass $settings, string $list): array
    {
        $ids = [];
        foreach (is_array($settings->{$list} ?? null) ? $settings->{$list} : [] as $item) {
            if ($item instanceof \stdClass && is_string($item->id ?? null)) {
                $ids[] = $item->id;
            }
        }

        return $ids;
    }

    /**
     * @param  list<string>  $given
     * @return list<array{string, string}>
     */
    private static function pairs(array $given): array
    {
        return array_map(function (string $pair): array {
            [$first, $second] = [...explode("\t", $pair, 2), ''];

            return [$first, $second];
        }, $given);
    }
}
