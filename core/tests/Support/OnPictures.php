<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

use WideQuarry\Question\Question;

/** Questions on a picture of 800 × 500 units, said in as few words as they need. */
final class OnPictures
{
    public const PICTURE = ['media' => 'm1', 'alt' => 'A cliff', 'width' => 800, 'height' => 500];

    /**
     * Three regions side by side, the second over a part of the first; the key names the right ones.
     *
     * @param  array<string, string>  $credits  region → credit
     * @param  array<string, mixed>  $settings
     * @param  array<string, string>  $scoring
     */
    public static function spot(array $credits, array $settings = [], array $scoring = []): Question
    {
        return self::part('spot', [
            'regions' => [
                ['id' => 's1', 'shape' => 'rectangle', 'at' => ['0', '0', '100', '100'], 'label' => 'the vent'],
                ['id' => 's2', 'shape' => 'circle', 'at' => ['100', '50', '50'], 'label' => 'the crater'],
                ['id' => 's3', 'shape' => 'polygon', 'at' => ['300', '0', '400', '0', '350', '100']],
            ],
            ...$settings,
        ], self::rules($credits), $scoring);
    }

    /**
     * @param  list<array{array<string, mixed>, string}>  $areas  area and credit
     * @param  array<string, string>  $scoring
     */
    public static function point(array $areas, ?int $max = 1, array $scoring = [], string $default = '0'): Question
    {
        $rules = array_map(
            fn (array $area, int $i): array => ['id' => 'r'.($i + 1), 'on' => $area[0], 'credit' => $area[1]],
            $areas,
            array_keys($areas),
        );

        return self::part('point', ['max' => $max], $rules, $scoring, $default);
    }

    /**
     * Three targets and four labels, x4 belonging nowhere.
     *
     * @param  array<string, mixed>  $settings
     * @param  list<array<string, mixed>>|null  $rules
     * @param  array<string, string>  $scoring
     */
    public static function label(array $settings = [], ?array $rules = null, array $scoring = []): Question
    {
        $targets = array_map(fn (int $i): array => ['id' => "t$i", 'at' => [(string) ($i * 100), '50'], 'label' => "place $i"], [1, 2, 3]);
        $labels = array_map(
            fn (int $i, string $words): array => ['id' => "x$i", 'html' => $words, 'uses' => 1],
            [1, 2, 3, 4],
            ['crater', 'vent', 'chamber', 'moraine'],
        );

        return self::part('label', ['targets' => $targets, 'labels' => $labels, ...$settings], $rules ?? [
            ['id' => 'k1', 'on' => ['t1', 'x1'], 'credit' => '1'],
            ['id' => 'k2', 'on' => ['t2', 'x2'], 'credit' => '1'],
            ['id' => 'k3', 'on' => ['t3', 'x3'], 'credit' => '1'],
        ], $scoring);
    }

    /**
     * @param  array<string, string>  $credits
     * @return list<array<string, mixed>>
     */
    public static function rules(array $credits): array
    {
        return array_map(
            fn (string $on, string $credit): array => ['id' => "r$on", 'on' => $on, 'credit' => $credit],
            array_keys($credits),
            $credits,
        );
    }

    /**
     * @param  array<string, mixed>  $settings
     * @param  list<array<string, mixed>>  $rules
     * @param  array<string, string>  $scoring
     */
    public static function part(string $kind, array $settings, array $rules, array $scoring = [], string $default = '0'): Question
    {
        return Questions::read([
            'format' => 'wide-quarry/question',
            'version' => 1,
            'id' => '0192f0c4-0000-7000-8000-000000000001',
            'title' => 'T',
            'language' => 'en-GB',
            'body' => '<p>Where?</p><div data-part="p1"></div>',
            'parts' => [
                [
                    'id' => 'p1',
                    'kind' => $kind,
                    'points' => 1,
                    'settings' => ['picture' => self::PICTURE, ...$settings],
                    'key' => ['rules' => $rules, 'default' => $default],
                    'scoring' => (object) $scoring,
                ],
            ],
        ]);
    }
}
