<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Converting\AcceptedAnswer;
use WideQuarry\Converting\Draft;
use WideQuarry\Converting\PartJson;
use WideQuarry\Messages\Message;
use WideQuarry\Pictures\PictureInText;
use WideQuarry\Pictures\PlainRegions;

/** Regions of a picture as options, and back: the names of the regions are the options. */
final class SpotAndChoice
{
    public static function toChoice(Draft $draft, \stdClass $part): void
    {
        $settings = PartJson::settings($part);
        $id = PartJson::text($part, 'id');
        $draft->lose(Message::of('parts.regions-become-names'));
        if (PartJson::text($settings, 'show', 'outlined') === 'hidden') {
            $draft->lose(Message::of('parts.hidden-regions-are-named'));
        }
        $options = array_map(
            fn (\stdClass $region, int $i): \stdClass => (object) [
                'id' => $region->id,
                'html' => '<p>'.PlainRegions::name(PartJson::text($region, 'label'), $i).'</p>',
            ],
            PartJson::list($settings, 'regions'),
            array_keys(PartJson::list($settings, 'regions')),
        );
        PictureInText::above($draft, $settings, $id);
        $draft->become($part, 'choice', [
            'options' => $options,
            'min' => $settings->min ?? 0,
            'max' => $settings->max ?? null,
            'layout' => 'column',
            'labels' => 'A',
            'shuffle' => true,
        ]);
    }

    public static function toSpot(Draft $draft, \stdClass $part): void
    {
        $settings = PartJson::settings($part);
        $options = PartJson::list($settings, 'options');
        $picture = PictureInText::taken($draft);
        $draft->lose(Message::of($picture === null ? 'parts.regions-need-a-picture' : 'parts.regions-stand-in-rows'));
        $regions = [];
        foreach (PictureInText::rows($picture, count($options)) as $i => [$x, $y]) {
            $words = (new AcceptedAnswer(PartJson::text($options[$i], 'html'), '0'))->words();
            if (str_contains(PartJson::text($options[$i], 'html'), '<img')) {
                $draft->lose(Message::of('parts.pictures-of-options-lost'));
            }
            $regions[] = (object) [
                'id' => $options[$i]->id,
                'shape' => 'rectangle',
                'at' => array_map(strval(...), [max(0, $x - 40), max(0, $y - 30), $x + 40, $y + 30]),
                'label' => mb_substr($words, 0, 1000),
            ];
        }
        $draft->become($part, 'spot', [
            'picture' => $picture,
            'regions' => $regions,
            'show' => 'outlined',
            'min' => $settings->min ?? 0,
            'max' => property_exists($settings, 'max') ? $settings->max : 1,
        ]);
    }
}
