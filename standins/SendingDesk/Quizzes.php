<?php

declare(strict_types=1);

namespace StandIns\SendingDesk;

/**
 * What the old system holds: five quizzes, each with a pool of choices, one of words to type and one of numbers, from which it draws.
 *
 * @phpstan-type Item array{ask: string, options: list<string>, right: string, also: list<string>}
 * @phpstan-type Pool array{name: string, kind: 'choice'|'words'|'number', draw: int, points: float, items: list<Item>}
 */
final class Quizzes
{
    private const MINERALS = ['talc', 'gypsum', 'calcite', 'fluorite', 'apatite', 'orthoclase', 'quartz', 'topaz', 'corundum', 'diamond'];

    private const PLANETS = ['Mercury', 'Venus', 'Earth', 'Mars', 'Jupiter', 'Saturn', 'Uranus', 'Neptune'];

    private const PERIODS = [
        'Cambrian', 'Ordovician', 'Silurian', 'Devonian', 'Carboniferous', 'Permian', 'Triassic', 'Jurassic', 'Cretaceous', 'Paleogene',
        'Neogene', 'Quaternary',
    ];

    private const POINTS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'];

    private const INSTRUMENTS = [
        'thermometer' => 'temperature', 'barometer' => 'air pressure', 'anemometer' => 'wind speed', 'hygrometer' => 'humidity',
        'rain gauge' => 'rainfall', 'wind vane' => 'wind direction',
    ];

    /** @return array<string, list<Pool>> title → pools */
    public static function all(): array
    {
        return [
            'Minerals' => self::quiz(self::minerals(), [
                ['Which mineral has the formula CaCO₃ and fizzes in acid?', 'calcite'],
                ['Which mineral has the formula SiO₂ and is harder than steel?', 'quartz'],
                ['Which mineral has the formula NaCl?', 'halite', 'rock salt'], ['Which mineral has the formula CaF₂?', 'fluorite', 'fluorspar'],
                ['Which mineral is pure carbon, and the hardest of all?', 'diamond'],
                ['Which mineral has the formula Al₂O₃?', 'corundum'], ['Which mineral has the formula CaSO₄·2H₂O?', 'gypsum'],
            ], array_map(
                fn (int $i): array => ['What is the hardness of '.self::MINERALS[$i - 1].' on the scale of Mohs?', (string) $i],
                [2, 4, 5, 8, 9],
            ), [6, 2.0, 3, 1.0, 2, 1.0]),
            'Planets' => self::quiz(self::planets(), [
                ['Which planet is called the red planet?', 'Mars'], ['Which planet is the largest?', 'Jupiter'],
                ['Which planet has the widest rings?', 'Saturn'], ['Which planet has the hottest surface?', 'Venus'],
                ['Which planet rotates lying on its side?', 'Uranus'], ['Which planet is the farthest from the Sun?', 'Neptune'],
                ['Which planet is the smallest?', 'Mercury'],
            ], array_map(
                fn (int $km): array => [
                    "Light travels 18 million kilometres in a minute. How many minutes does it need for $km million kilometres?",
                    (string) intdiv($km, 18),
                ],
                [36, 54, 90, 180, 360],
            ), [5, 1.0, 3, 2.0, 2, 2.0]),
            'Geological time' => self::quiz(self::periods(), [
                ['In which period did the last dinosaurs that were not birds die out?', 'Cretaceous'],
                ['Which period is named after its coal?', 'Carboniferous'], ['Which period is the first of the Mesozoic?', 'Triassic'],
                ['Which period is the last of the Palaeozoic?', 'Permian'], ['In which period do we live?', 'Quaternary'],
                ['Which period is the first of the Palaeozoic?', 'Cambrian'], ['Which period is the middle one of the Mesozoic?', 'Jurassic'],
            ], array_map(
                fn (int $halves): array => [
                    'Only 1/'.(2 ** $halves).' of a radioactive isotope is left. How many half-lives have passed?',
                    (string) $halves,
                ],
                [1, 2, 3, 4, 5],
            ), [4, 1.0, 4, 1.0, 1, 3.0]),
            'Maps' => self::quiz(self::directions(), [
                ['What are lines called that join points of the same height?', 'contour lines', 'contours'],
                ['What explains the symbols of a map?', 'legend', 'key'], ['What is the line of latitude 0° called?', 'equator', 'the equator'],
                ['What is the line of longitude 0° called?', 'prime meridian', 'Greenwich meridian'],
                ['Which instrument shows where north is by a magnetic needle?', 'compass', 'a compass'],
                ['What says how much smaller a map is than the land?', 'scale', 'the scale'],
                ['What is a book of maps called?', 'atlas', 'an atlas'],
            ], array_map(
                fn (int $cm): array => [
                    "On a map of 1 : 25,000 two farms are $cm cm apart. How many metres is that?",
                    (string) ($cm * 250),
                ],
                [2, 4, 6, 8, 10],
            ), [6, 1.0, 3, 1.0, 2, 2.0]),
            'Weather' => self::quiz(self::weather(), [
                ['What is it called when water becomes a gas below its boiling point?', 'evaporation'],
                ['What is it called when water vapour becomes liquid?', 'condensation'],
                ['What is rain, snow and hail called together?', 'precipitation'], ['What is a cloud on the ground called?', 'fog', 'mist'],
                ['What are drops on grass called that form in a clear night?', 'dew'],
                ['What are lumps of ice called that fall from thunderclouds?', 'hail', 'hailstones'],
                ['What is air called that moves along the ground?', 'wind'],
            ], array_map(
                fn (int $km): array => [
                    "The air is 20 °C at the sea and cools by 6.5 °C for each kilometre. How warm is it at $km km, in °C?",
                    (string) (20 - 6.5 * $km),
                ],
                [1, 2, 3, 4, 5],
            ), [5, 2.0, 2, 1.0, 2, 1.0]),
        ];
    }

    /**
     * @param  list<Item>  $choices
     * @param  list<list<string>>  $words  question, answer and what is right as well
     * @param  list<array{string, string}>  $numbers
     * @param  array{int, float, int, float, int, float}  $draws  of each pool how many, and their points
     * @return list<Pool>
     */
    private static function quiz(array $choices, array $words, array $numbers, array $draws): array
    {
        $typed = fn (array $all): array => array_map(fn (array $one): array => [
            'ask' => $one[0], 'options' => [], 'right' => $one[1], 'also' => array_slice($one, 2),
        ], $all);

        return [
            ['name' => 'multiple choice', 'kind' => 'choice', 'draw' => $draws[0], 'points' => $draws[1], 'items' => $choices],
            ['name' => 'short text', 'kind' => 'words', 'draw' => $draws[2], 'points' => $draws[3], 'items' => $typed($words)],
            ['name' => 'number', 'kind' => 'number', 'draw' => $draws[4], 'points' => $draws[5], 'items' => $typed($numbers)],
        ]; // @phpstan-ignore return.type
    }

    /**
     * @param  list<string>  $among
     * @return Item
     */
    private static function choice(string $ask, string $right, array $among): array
    {
        $at = (int) array_search($right, $among, true);
        $options = [$right];
        for ($step = 1; count($options) < 4; $step++) {
            $other = $among[($at + $step * 3) % count($among)];
            $options = in_array($other, $options, true) ? [...$options, $among[($at + $step) % count($among)]] : [...$options, $other];
            $options = array_values(array_unique($options));
        }
        // the right one is not always first
        $turn = strlen($ask) % 4;

        return ['ask' => $ask, 'options' => [...array_slice($options, $turn), ...array_slice($options, 0, $turn)], 'right' => $right, 'also' => []];
    }

    /** @return list<Item> */
    private static function minerals(): array
    {
        $all = array_map(
            fn (int $i): array => self::choice('Which mineral has hardness '.($i + 1).' on the scale of Mohs?', self::MINERALS[$i], self::MINERALS),
            range(0, 9),
        );
        foreach ([3, 4, 6, 7] as $i) {
            $ask = 'Which mineral scratches '.self::MINERALS[$i - 1].', but not '.self::MINERALS[$i + 1].'?';
            $all[] = self::choice($ask, self::MINERALS[$i], self::MINERALS);
        }

        return $all;
    }

    /** @return list<Item> */
    private static function planets(): array
    {
        $all = array_map(
            fn (int $i): array => self::choice('Which planet is number '.($i + 1).' from the Sun?', self::PLANETS[$i], self::PLANETS),
            range(0, 7),
        );
        foreach ([0, 1, 2, 3, 4, 5] as $i) {
            $all[] = self::choice('Which planet comes next when one travels outwards from '.self::PLANETS[$i].'?', self::PLANETS[$i + 1], self::PLANETS);
        }

        return $all;
    }

    /** @return list<Item> */
    private static function periods(): array
    {
        $all = array_map(
            fn (int $i): array => self::choice('Which period came directly after the '.self::PERIODS[$i].'?', self::PERIODS[$i + 1], self::PERIODS),
            range(0, 10),
        );
        foreach ([3, 6, 9] as $i) {
            $all[] = self::choice('Which period came directly before the '.self::PERIODS[$i].'?', self::PERIODS[$i - 1], self::PERIODS);
        }

        return $all;
    }

    /** @return list<Item> */
    private static function directions(): array
    {
        $all = array_map(
            fn (int $i): array => self::choice('What is opposite to '.self::POINTS[$i].'?', self::POINTS[($i + 4) % 8], self::POINTS),
            range(0, 7),
        );
        foreach ([45, 90, 135, 180, 225, 270] as $bearing) {
            $all[] = self::choice("Which direction has a bearing of {$bearing}°?", self::POINTS[intdiv($bearing, 45)], self::POINTS);
        }

        return $all;
    }

    /** @return list<Item> */
    private static function weather(): array
    {
        [$tools, $measures] = [array_keys(self::INSTRUMENTS), array_values(self::INSTRUMENTS)];
        $all = [];
        foreach (self::INSTRUMENTS as $tool => $measure) {
            $all[] = self::choice("Which instrument measures $measure?", $tool, $tools);
            $all[] = self::choice("What does a $tool measure?", $measure, $measures);
        }
        $gases = ['nitrogen', 'oxygen', 'argon', 'carbon dioxide', 'neon'];
        $all[] = self::choice('Which gas is most of the air?', 'nitrogen', $gases);
        $all[] = self::choice('Which gas is about a fifth of the air?', 'oxygen', $gases);

        return $all;
    }
}
