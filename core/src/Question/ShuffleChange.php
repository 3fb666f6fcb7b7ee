<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;

/** Whether the options of a question come in another order for everybody. */
final class ShuffleChange
{
    /** Changes a question in place, only where the kind of part knows an order that may be drawn. */
    public static function on(\stdClass $content, bool $shuffle, PartKinds $kinds): void
    {
        foreach (is_array($content->parts ?? null) ? $content->parts : [] as $part) {
            if (! ($part instanceof \stdClass) || ! is_string($part->kind ?? null)) {
                continue;
            }
            $settings = ($part->settings ?? null) instanceof \stdClass ? Json::copy($part->settings) : new \stdClass();
            assert($settings instanceof \stdClass);
            $settings->shuffle = $shuffle;
            try {
                $kinds->find($part->kind)?->readSettings($settings, '');
                $part->settings = $kinds->find($part->kind) === null ? $part->settings ?? new \stdClass() : $settings;
            } catch (Malformed) {
                continue; // nothing to shuffle in it
            }
        }
    }
}
