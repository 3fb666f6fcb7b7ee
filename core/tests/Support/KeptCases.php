<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

use WideQuarry\Question\Question;

/** A question of every kind under every way of marking it, with responses that tell one way from another. */
final class KeptCases
{
    /** @return array<string, array{kind: string, by: string, question: Question, responses: list<\stdClass>}> */
    public static function all(): array
    {
        $named = [
            'all' => 'all or nothing',
            'each' => 'credit per right answer',
            'each, extra ones cost' => 'credit per right answer, minus extras',
            'balance' => 'right minus wrong',
            'judge' => 'credit for every decision',
            'weights' => 'sum of credits',
            'positions' => 'items in the right position',
            'pairs' => 'pairs in order',
            'joins' => 'neighbours',
            'chain' => 'longest run in order',
        ];
        $cases = [];
        foreach (
            [
                ...self::picked(),
                ...self::typed(),
                ...self::paired(),
                ...self::ordered(),
                ...self::onPictures(),
                ...self::others(),
            ] as [$kind, $by, $question, $responses]
        ) {
            [$scheme, $more] = [...explode(', ', $by, 2), ''];
            $by = $named[$by] ?? (isset($named[$scheme]) ? "$named[$scheme], $more" : $by);
            $cases["$kind, $by"] = [
                'kind' => $kind,
                'by' => $by,
                'question' => $question,
                'responses' => [new \stdClass(), ...$responses],
            ];
        }

        return $cases;
    }

    /** @return list<array{string, string, Question, list<\stdClass>}> */
    private static function onPictures(): array
    {
        $spots = array_map(
            fn (int $mask): \stdClass => (object) ['p1' => (object) ['spots' => array_values(
                array_filter(['s1', 's2', 's3'], fn (int $i): bool => (($mask >> $i) & 1) === 1, ARRAY_FILTER_USE_KEY),
            )]],
            range(1, 7),
        );
        $points = array_map(
            fn (array $at): \stdClass => (object) ['p1' => (object) ['points' => $at]],
            [[[100, 100]], [[300, 100]], [[500, 100]], [[9, 9]], [[100, 100], [300, 100]], [[100, 100], [9, 9]]],
        );
        $labels = array_map(
            fn (array $of): \stdClass => (object) ['p1' => (object) ['labels' => (object) $of]],
            [['t1' => 'x1'], ['t1' => 'x2'], ['t1' => 'x1', 't2' => 'x2'], ['t1' => 'x1', 't2' => 'x2', 't3' => 'x3'], ['t3' => 'x4']],
        );
        $circle = fn (int $x): array => ['shape' => 'circle', 'at' => [(string) $x, '100', '20']];
        $areas = [[$circle(100), '1'], [$circle(300), '1'], [$circle(500), '0']];
        $shares = [[$circle(100), '1'], [$circle(300), '1/2'], [$circle(500), '-1/4']];
        $two = ['s1' => '1', 's2' => '1'];
        $cases = [
            ['spot', 'one right', OnPictures::spot(['s1' => '1'], ['max' => 1]), [$spots[0], $spots[1], $spots[3]]],
            ['spot', 'weights', OnPictures::spot(['s1' => '1', 's2' => '1/2'], ['max' => 1]), [$spots[0], $spots[1], $spots[3]]],
            ['point', 'one place', OnPictures::point([$areas[0]]), [$points[0], $points[3]]],
            ['point', 'weights', OnPictures::point($shares, null, ['scheme' => 'weights', 'low' => '-1']), $points],
        ];
        foreach (['all', 'each', 'balance', 'judge'] as $scheme) {
            $cost = $scheme === 'each' ? ['cost' => '0'] : [];
            $cases[] = ['spot', $scheme, OnPictures::spot($two, ['max' => null], ['scheme' => $scheme, ...$cost]), $spots];
            $cases[] = ['label', $scheme, OnPictures::label([], null, ['scheme' => $scheme, ...$cost]), $labels];
        }
        foreach (['all', 'each'] as $scheme) {
            $cases[] = ['point', $scheme, OnPictures::point($areas, null, ['scheme' => $scheme]), $points];
        }
        $thirds = array_map(
            fn (int $i): array => ['id' => "k$i", 'on' => ["t$i", "x$i"], 'credit' => '1/3'],
            [1, 2, 3],
        );
        $cases[] = ['label', 'weights', OnPictures::label([], $thirds, ['scheme' => 'weights']), $labels];

        return $cases;
    }

    /** @return list<array{string, string, Question, list<\stdClass>}> */
    private static function picked(): array
    {
        $cases = [];
        $sets = array_map(
            fn (int $mask): \stdClass => (object) [
                'p1' => (object) [
                    'chosen' => array_values(
                        array_filter(['a', 'b', 'c', 'd'], fn (int $i): bool => (($mask >> $i) & 1) === 1, ARRAY_FILTER_USE_KEY),
                    ),
                ],
            ],
            range(1, 15),
        );
        $one = array_map(fn (string $id): \stdClass => (object) ['p1' => (object) ['chosen' => [$id]]], ['a', 'b', 'c', 'd']);
        $cases[] = [
            'choice',
            'one right',
            Questions::of([Questions::choice(['a' => '1', 'b' => '', 'c' => '', 'd' => ''], [], 2, 'p1', 1)]),
            $one,
        ];
        $cases[] = [
            'choice',
            'shares',
            Questions::of(
                [
                    Questions::choice(
                        ['a' => '1', 'b' => '1/2', 'c' => '-1/4', 'd' => ''],
                        ['scheme' => 'weights', 'low' => '-1'],
                        2,
                        'p1',
                        1,
                    ),
                ],
                ['scoring' => ['low' => '-1']],
            ),
            $one,
        ];
        $cases[] = [
            'choice',
            'shares, never below 0',
            Questions::of([
                Questions::choice(
                    ['a' => '1', 'b' => '1/2', 'c' => '-1/4', 'd' => ''],
                    ['scheme' => 'weights', 'low' => '-1'],
                    2,
                    'p1',
                    1,
                ),
            ]),
            $one,
        ];
        foreach (['all', 'each', 'balance', 'judge'] as $scheme) {
            $cases[] = [
                'choice',
                $scheme,
                Questions::of([
                    Questions::choice(
                        ['a' => '1', 'b' => '', 'c' => '1', 'd' => ''],
                        ['scheme' => $scheme, ...$scheme === 'each' ? ['cost' => '0'] : []],
                        2,
                    ),
                ]),
                $sets,
            ];
            $pieces = implode(' ', array_map(fn (string $id): string => "<span data-piece=\"$id\">$id</span>", ['a', 'b', 'c', 'd']));
            $cases[] = [
                'highlight',
                $scheme,
                Questions::of(
                    [
                        [
                            'id' => 'p1',
                            'kind' => 'highlight',
                            'points' => 2,
                            'settings' => ['text' => "<p>$pieces</p>", 'max' => null],
                            'key' => [
                                'rules' => [['id' => 'r1', 'on' => 'a', 'credit' => '1'], ['id' => 'r2', 'on' => 'c', 'credit' => '1']],
                            ],
                            'scoring' => ['scheme' => $scheme, ...$scheme === 'each' ? ['cost' => '0'] : []],
                        ],
                    ],
                    ['body' => '<p>Q</p><div data-part="p1"></div>'],
                ),
                $sets,
            ];
        }
        $cases[] = [
            'choice',
            'each, extra ones cost',
            Questions::of([Questions::choice(['a' => '1', 'b' => '', 'c' => '1', 'd' => ''], ['scheme' => 'each', 'cost' => '1'], 2)]),
            $sets,
        ];
        $cases[] = [
            'choice',
            'weights',
            Questions::of([Questions::choice(['a' => '1/2', 'b' => '-1/4', 'c' => '1/2', 'd' => ''], ['scheme' => 'weights'], 2)]),
            $sets,
        ];
        $options = array_map(fn (string $id): array => ['id' => $id, 'html' => "<p>$id</p>"], ['a', 'b', 'c', 'd']);
        $cases[] = [
            'menu',
            'shares',
            self::inline([
                'id' => 'p1',
                'kind' => 'menu',
                'points' => 2,
                'settings' => ['options' => $options],
                'key' => ['rules' => [['id' => 'r1', 'on' => 'a', 'credit' => '1'], ['id' => 'r2', 'on' => 'b', 'credit' => '1/2']]],
                'scoring' => ['scheme' => 'weights'],
            ]),
            $one,
        ];
        $cases[] = [
            'survey',
            'no key',
            Questions::of(
                [
                    [
                        'id' => 'p1',
                        'kind' => 'survey',
                        'points' => 0,
                        'settings' => ['options' => $options, 'scale' => null, 'max' => 1],
                        'key' => ['rules' => []],
                        'scoring' => new \stdClass(),
                    ],
                ],
                ['body' => '<p>Q</p><div data-part="p1"></div>'],
            ),
            $one,
        ];
        $written = [(object) ['p1' => (object) ['text' => 'The water is fast.']]];
        $model = ['id' => 'm1', 'html' => '<p>The <span data-remark="r1">water</span>.</p>', 'passages' => [['id' => 'r1', 'html' => '<p>Good.</p>']]];
        $cases[] = ['essay', 'without a rubric', LongAnswers::essay(null), $written];
        $cases[] = [
            'essay',
            'rubric and example answers',
            LongAnswers::essay(null, 6, ['key' => ['rubric' => LongAnswers::rubric(), 'models' => [$model]]]),
            $written,
        ];
        $cases[] = [
            'upload',
            'one file',
            LongAnswers::question(['id' => 'p1', 'kind' => 'upload', 'points' => 5, 'settings' => ['types' => ['image/*'], 'count' => 1]]),
            [(object) ['p1' => (object) ['files' => [(object) ['name' => 'sketch.jpg', 'type' => 'image/jpeg']]]]],
        ];

        return $cases;
    }

    /** @return list<array{string, string, Question, list<\stdClass>}> */
    private static function typed(): array
    {
        $typed = fn (string ...$texts): array => array_map(
            fn (string $text): \stdClass => (object) ['p1' => (object) ['text' => $text]],
            $texts,
        );
        $text = fn (array ...$rules): Question => Questions::of([Questions::typed('text', $rules, 2)]);
        $overlooking = fn (string $what, string $word): Question => Questions::of(
            [Questions::typed('text', [['answer' => 'is', 'text' => [$word]]], 2)],
            ['normalise' => [$what => 'ignore']],
        );
        $number = fn (array ...$rules): Question => Questions::of([Questions::typed('number', $rules, 2)]);
        $scale = fn (array ...$rules): Question => Questions::of(
            [Questions::typed('slider', $rules, 2, 'p1', ['settings' => ['from' => '1', 'to' => '10', 'step' => '1']])],
            ['body' => '<p>Q</p><div data-part="p1"></div>'],
        );

        return [
            [
                'text',
                'is',
                $text(['answer' => 'is', 'text' => ['lava', 'magma']], ['answer' => 'is', 'text' => ['rock'], 'credit' => '1/2']),
                $typed('lava', 'MAGMA', 'rock', 'ice'),
            ],
            ['text', 'is, matching case', $text(['answer' => 'is', 'text' => ['pH'], 'case' => 'keep']), $typed('pH', 'PH', 'x')],
            [
                'text',
                'contains',
                $text(['answer' => 'holds', 'text' => ['lava']]),
                $typed('the lava flows', 'LAVA!', 'lavatory', 'ice'),
            ],
            [
                'text',
                'contains any of, contains all of',
                $text(
                    ['answer' => 'holds_all', 'text' => ['lava', 'ash']],
                    ['answer' => 'holds_any', 'text' => ['magma', 'melt'], 'credit' => '1/2'],
                ),
                $typed('ash and lava', 'lava', 'hot melt', 'melting', 'ice'),
            ],
            [
                'text',
                'is, leading article ignored',
                $overlooking('article', 'moraine'),
                $typed('moraine', 'the moraine', 'A moraine', 'ice'),
            ],
            [
                'text',
                'is, punctuation ignored',
                $overlooking('punctuation', 'ox-bow lake'),
                $typed('ox-bow lake', 'oxbow lake', 'ox bow lake', 'ox-bow lake.', 'ice'),
            ],
            ['text', 'is, accents ignored', $overlooking('accents', 'névé'), $typed('névé', 'neve', 'nevé', 'ice')],
            ['text', 'is, spaces ignored', $overlooking('spaces', 'sea stack'), $typed('sea stack', 'seastack', 'se astack', 'ice')],
            ['text', 'spelling mistakes', $text(['answer' => 'slips', 'text' => ['lava'], 'slips' => 1]), $typed('lava', 'lawa', 'ice')],
            ['text', 'shape', $text(['answer' => 'shape', 'pattern' => '[0-9]{4}']), $typed('1912', '19', 'x')],
            [
                'text',
                'shape, capitals or not, anywhere',
                $text(['answer' => 'shape', 'pattern' => 'gran(?:it|odior)ite?', 'anchored' => false]),
                $typed('Granite', 'a granodiorite', 'GRANIT', 'gran'),
            ],
            ['number', 'value', $number(['answer' => 'value', 'value' => '2.5']), $typed('2.5', '2.50', '2.6')],
            ['number', 'set', $number(['answer' => 'set', 'values' => ['2', '3']]), $typed('2', '3', '4')],
            [
                'number',
                'absolute tolerance',
                $number(['answer' => 'value', 'value' => '2.5', 'tolerance' => ['kind' => 'absolute', 'width' => '0.1']]),
                $typed('2.4', '2.6', '2.61', '2.39'),
            ],
            [
                'number',
                'percent',
                $number(['answer' => 'value', 'value' => '200', 'tolerance' => ['kind' => 'percent', 'width' => '5']]),
                $typed('190', '210', '211', '189.9'),
            ],
            [
                'number',
                'decimal places',
                $number(['answer' => 'value', 'value' => '2.5', 'tolerance' => ['kind' => 'places', 'digits' => 1]]),
                $typed('2.45', '2.549', '2.55', '2.44'),
            ],
            [
                'number',
                'figures',
                $number(['answer' => 'value', 'value' => '250', 'tolerance' => ['kind' => 'figures', 'digits' => 2]]),
                $typed('245', '254.9', '255', '244'),
            ],
            [
                'number',
                'range',
                $number(
                    ['answer' => 'range', 'from' => '3', 'to' => '4', 'ends' => 'from'],
                    ['answer' => 'range', 'from' => '2', 'to' => '5', 'credit' => '1/2'],
                ),
                $typed('3', '4', '3.5', '2', '5', '6'),
            ],
            [
                'slider',
                'value and set',
                $scale(['answer' => 'value', 'value' => '4'], ['answer' => 'set', 'values' => ['3', '5'], 'credit' => '1/2']),
                array_map(fn (int $n): \stdClass => (object) ['p1' => (object) ['value' => (string) $n]], range(1, 10)),
            ],
        ];
    }

    /** @return list<array{string, string, Question, list<\stdClass>}> */
    private static function paired(): array
    {
        $cases = [];
        foreach (['match', 'group', 'tiles'] as $kind) {
            $responses = array_map(fn (array $pairs): \stdClass => Pairs::given($kind, $pairs), [
                ['f1 s1'],
                ['f1 s2'],
                ['f1 s1', 'f2 s2'],
                ['f1 s1', 'f2 s2', 'f3 s3'],
                ['f1 s2', 'f2 s1'],
                ['f1 s1', 'f2 s3'],
                ['f3 s1'],
                ['f1 s1', 'f2 s2', 'f3 s1'],
            ]);
            $uses = [
                's1' => [$kind === 'group' ? 'max' : 'uses' => null],
                's2' => [$kind === 'group' ? 'max' : 'uses' => null],
                's3' => [$kind === 'group' ? 'max' : 'uses' => null],
            ];
            foreach (
                [
                    'all' => [],
                    'each' => ['cost' => '0'],
                    'each, extra ones cost' => ['scheme' => 'each', 'cost' => '1/2'],
                    'balance' => [],
                    'judge' => [],
                    'weights' => [],
                ] as $scheme => $more
            ) {
                $right = [
                    ...$scheme === 'weights' ? ['f1 s1:1/2', 'f2 s2:1/4'] : ['f1 s1', 'f2 s2'],
                    ...$kind === 'tiles' ? ['f3 s3'.($scheme === 'weights' ? ':1/4' : '')] : [],
                ]; // a gap has a tile, an item may have no group
                $cases[] = [
                    $kind,
                    (string) $scheme,
                    Pairs::of($kind, ['f1', 'f2', 'f3'], ['s1', 's2', 's3'], $right, ['scheme' => $scheme, ...$more], $uses),
                    $responses,
                ];
            }
        }

        return $cases;
    }

    /** @return list<array{string, string, Question, list<\stdClass>}> */
    private static function ordered(): array
    {
        $items = array_map(fn (string $id): array => ['id' => $id, 'html' => "<p>$id</p>"], ['a', 'b', 'c', 'd']);
        $orders = array_map(str_split(...), ['cabd', 'cadb', 'abcd', 'dbac', 'acbd', 'cbad']);
        $cases = [];
        foreach (['', 'some of one rank', 'one given'] as $which) {
            foreach (['all', 'positions', 'pairs', 'joins', 'chain'] as $scheme) {
                $ranks = $which === 'some of one rank' ? [['c'], ['a', 'b'], ['d']] : [['c'], ['a'], ['b'], ['d']];
                $part = [
                    'id' => 'p1',
                    'kind' => 'order',
                    'points' => 2,
                    'settings' => [
                        'items' => array_map(
                            fn (array $item): array => [...$item, 'given' => $which === 'one given' && $item['id'] === 'a'],
                            $items,
                        ),
                    ],
                    'key' => ['rules' => [['id' => 'r1', 'on' => $ranks, 'credit' => '1']]],
                    'scoring' => ['scheme' => $scheme],
                ];
                $responses = array_map(
                    fn (array $order): \stdClass => (object) [
                        'p1' => (object) ['sequence' => array_values($which === 'one given' ? array_diff($order, ['a']) : $order)],
                    ],
                    $orders,
                );
                $cases[] = [
                    'order',
                    $which === '' ? $scheme : "$scheme, $which",
                    Questions::of([$part], ['body' => '<p>Q</p><div data-part="p1"></div>']),
                    $responses,
                ];
            }
        }

        return $cases;
    }

    /** @return list<array{string, string, Question, list<\stdClass>}> */
    private static function others(): array
    {
        $two = [
            Questions::choice(['a' => '1', 'b' => ''], [], 1, 'p1', 1),
            Questions::typed('text', [['answer' => 'is', 'text' => ['lava']]], 2, 'p2'),
        ];
        $given = fn (?string $chosen, ?string $typed): \stdClass => (object) array_filter([
            'p1' => $chosen === null ? null : (object) ['chosen' => [$chosen]],
            'p2' => $typed === null ? null : (object) ['text' => $typed],
        ]);
        $responses = [$given('a', 'lava'), $given('a', null), $given(null, 'lava'), $given('b', 'lava'), $given('a', 'ice')];
        $amend = [
            'id' => 'p1',
            'kind' => 'amend',
            'points' => 2,
            'settings' => ['text' => '<p>Magma is <span data-piece="w1">cold</span>.</p>'],
            'key' => ['rules' => [['id' => 'r1', 'on' => ['piece' => 'w1', 'answer' => 'is', 'text' => ['hot']], 'credit' => '1']]],
            'scoring' => new \stdClass(),
        ];

        return [
            ['several parts', 'added up', Questions::of($two), $responses],
            ['several parts', 'all or nothing', Questions::of($two, ['scoring' => ['combine' => 'all']]), $responses],
            [
                'several parts',
                'one waits for another',
                Questions::of($two, ['scoring' => ['gates' => [['part' => 'p2', 'needs' => ['p1']]]]]),
                $responses,
            ],
            [
                'several parts',
                'answers that count once',
                Questions::of(
                    [
                        Questions::typed(
                            'text',
                            [['answer' => 'is', 'text' => ['lava', 'magma']], ['answer' => 'is', 'text' => ['ash']]],
                            2,
                        ),
                        Questions::typed('text', [], 2, 'p2'),
                    ],
                    ['scoring' => ['once' => [['p1', 'p2']]]],
                ),
                array_map(
                    fn (array $two): \stdClass => (object) ['p1' => (object) ['text' => $two[0]], 'p2' => (object) ['text' => $two[1]]],
                    [['lava', 'ash'], ['ash', 'magma'], ['lava', 'magma'], ['ash', 'ash'], ['ice', 'ash']],
                ),
            ],
            [
                'amend',
                'right words',
                Questions::of([$amend], ['body' => '<p>Q</p><div data-part="p1"></div>']),
                [(object) ['p1' => (object) ['amends' => (object) ['w1' => 'hot']]]],
            ],
            ['page', 'text alone', Questions::of([], ['body' => '<p>Read this.</p>']), []],
        ];
    }

    /** @param  array<string, mixed>  $part */
    private static function inline(array $part): Question
    {
        return Questions::of([$part], ['body' => '<p>It is <span data-part="p1"></span> there.</p>']);
    }
}
