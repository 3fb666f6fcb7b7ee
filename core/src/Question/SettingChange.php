<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;

/** One setting for all parts of a question, such as whether options are shuffled, or what they are called. */
final class SettingChange
{
    /**
     * Changes a question in place, only where the kind of part knows the setting and takes the value.
     *
     * @param  string  $name  shuffle, labels
     */
    public static function on(\stdClass $content, string $name, bool|string $value, PartKinds $kinds): void
    {
        foreach (is_array($content->parts ?? null) ? $content->parts : [] as $part) {
            if (! ($part instanceof \stdClass) || ! is_string($part->kind ?? null)) {
                continue;
            }
            $settings = ($part->settings ?? null) instanceof \stdClass ? Json::copy($part->settings) : new \stdClass();
            assert($settings instanceof \stdClass);
            $settings->{$name} = $value;
            try {
                $kinds->find($part->kind)?->readSettings($settings, '');
                $part->settings = $kinds->find($part->kind) === null ? $part->settings ?? new \stdClass() : $settings;
            } catch (Malformed) {
                continue; // it means nothing to this kind
            }
        }
    }
}
