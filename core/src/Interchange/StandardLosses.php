<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\Messages\Message;
use WideQuarry\Question\Question;
use WideQuarry\Standards\Alignment;

/** What a format cannot say of the standards of a question. */
final class StandardLosses
{
    /**
     * @param  bool  $hasStandards  whether the format has a place for them
     * @return list<array{string, string}> code and sentence
     */
    public static function of(Question $question, bool $hasStandards): array
    {
        $standards = $question->record->classification->standards;
        if ($standards === []) {
            return [];
        }
        if (! $hasStandards) {
            return [['standards.left_out', Message::of('interchange.standards-left-out')]];
        }
        $touched = array_filter($standards, fn (Alignment $one): bool => $one->relation === Alignment::TOUCHES);

        return $touched === [] ? [] : [['standards.touches', Message::of('interchange.standards-touched')]];
    }
}
