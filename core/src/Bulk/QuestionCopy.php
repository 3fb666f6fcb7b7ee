<?php

declare(strict_types=1);

namespace WideQuarry\Bulk;

use WideQuarry\Json\Json;

/** A question as a copy of it begins: everything it says and is classified by, under another identifier, approved by nobody. */
final class QuestionCopy
{
    /** @param  \stdClass  $content  a question without its record */
    public static function of(\stdClass $content, \stdClass $record, string $id): \stdClass
    {
        [$json, $own] = [Json::copy($content), Json::copy($record)];
        assert($json instanceof \stdClass && $own instanceof \stdClass);
        unset($own->status);
        $json->id = $id;
        $json->record = $own;

        return $json;
    }
}
