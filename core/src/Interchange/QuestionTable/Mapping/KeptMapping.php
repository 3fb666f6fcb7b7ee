<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Mapping;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** A mapping that is kept apart from any table. */
final class KeptMapping
{
    /**
     * @return array{sheets: list<SheetMapping>}
     *
     * @throws Malformed
     */
    public static function read(mixed $json): array
    {
        $fields = Fields::of($json, '/mapping', ['separator', 'encoding', 'sheets']);
        $sheets = [];
        foreach ($fields->list('sheets', 200) as $i => $one) {
            $sheets[] = SheetMapping::read($one, $fields->at("sheets/$i"));
        }

        return ['sheets' => $sheets];
    }
}
