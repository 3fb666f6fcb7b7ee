<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Converting\AcceptedAnswer;
use WideQuarry\Converting\Draft;
use WideQuarry\Converting\PartJson;
use WideQuarry\Messages\Message;
use WideQuarry\Pictures\PictureInText;
use WideQuarry\Pictures\PlainRegions;

/** Labels of a picture as pairs, and back: the names of the targets stand left, the labels right. */
final class LabelAndMatch
{
    public static function toMatch(Draft $draft, \stdClass $part): void
    {
        $settings = PartJson::settings($part);
        $draft->lose(Message::of('parts.targets-become-names'));
        $left = array_map(
            fn (\stdClass $target, int $i): \stdClass => (object) [
                'id' => $target->id,
                'html' => PlainRegions::name(PartJson::text($target, 'label'), $i),
                'uses' => 1,
            ],
            PartJson::list($settings, 'targets'),
            array_keys(PartJson::list($settings, 'targets')),
        );
        assert(($part->key ?? null) instanceof \stdClass);
        $pairs = array_values(array_filter(PartJson::rules($part), fn (\stdClass $rule): bool => is_array($rule->on ?? null)));
        if (count($pairs) < count(PartJson::rules($part))) {
            $draft->lose(Message::of('parts.rules-of-typed-labels-lost'));
        }
        $part->key->rules = $pairs;
        PictureInText::above($draft, $settings, PartJson::text($part, 'id'));
        $draft->become($part, 'match', [
            'left' => $left,
            'right' => PartJson::list($settings, 'labels'),
            'by' => 'menus',
            'shuffle' => $settings->shuffle ?? true,
        ]);
    }

    public static function toLabel(Draft $draft, \stdClass $part): void
    {
        $settings = PartJson::settings($part);
        $left = PartJson::list($settings, 'left');
        $picture = PictureInText::taken($draft);
        $draft->lose(Message::of($picture === null ? 'parts.targets-need-a-picture' : 'parts.targets-stand-in-rows'));
        $targets = [];
        foreach (PictureInText::rows($picture, count($left)) as $i => [$x, $y]) {
            if (str_contains(PartJson::text($left[$i], 'html'), '<img')) {
                $draft->lose(Message::of('parts.pictures-of-options-lost'));
            }
            $targets[] = (object) [
                'id' => $left[$i]->id,
                'at' => [(string) $x, (string) $y],
                'label' => mb_substr((new AcceptedAnswer(PartJson::text($left[$i], 'html'), '0'))->words(), 0, 1000),
            ];
        }
        $draft->become($part, 'label', [
            'picture' => $picture,
            'targets' => $targets,
            'labels' => PartJson::list($settings, 'right'),
            'by' => 'placing',
            'shuffle' => $settings->shuffle ?? true,
        ]);
    }
}
