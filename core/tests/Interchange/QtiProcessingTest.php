<?php

declare(strict_types=1);

use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Qti2\Edition2;
use WideQuarry\Tests\Support\Questions;
use WideQuarry\Tests\Support\ResponseProcessing;

// Items as other systems write them: what they earn is judged by an evaluator of the standard that shares nothing with our reader.

function itemOf(array $declarations, string $body, string $processing, string $more = ''): string
{
    $declared = implode(
        '',
        array_map(
            fn (string $id, string $of): string => "<qti-response-declaration identifier=\"$id\" $of</qti-response-declaration>",
            array_keys($declarations),
            $declarations,
        ),
    );

    return '<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="i1" title="T" xml:lang="en">'.
        $declared.
        '<qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/>'.
        $more.
        "<qti-item-body>$body</qti-item-body><qti-response-processing>$processing</qti-response-processing>%s</qti-assessment-item>";
}

$var = '<qti-variable identifier="RESPONSE"/>';
$base = fn (string $value, string $type = 'identifier'): string => "<qti-base-value base-type=\"$type\">$value</qti-base-value>";
$set = fn (
    string $value,
): string => "<qti-set-outcome-value identifier=\"SCORE\"><qti-base-value base-type=\"float\">$value</qti-base-value>".
    '</qti-set-outcome-value>';
$add = fn (
    string $value,
): string => '<qti-set-outcome-value identifier="SCORE"><qti-sum><qti-variable identifier="SCORE"/>'.
    "<qti-base-value base-type=\"float\">$value</qti-base-value></qti-sum></qti-set-outcome-value>";
$if = fn (
    string $test,
    string $then,
    string $else = '',
): string => "<qti-response-condition><qti-response-if>$test$then</qti-response-if>".
    ($else === '' ? '' : "<qti-response-else>$else</qti-response-else>").
    '</qti-response-condition>';
$member = fn (string $id): string => '<qti-member>'.$base($id).$var.'</qti-member>';
$choice = fn (
    int $max,
    string $response = 'RESPONSE',
    string $ids = 'ABCD',
): string => "<qti-choice-interaction response-identifier=\"$response\" max-choices=\"$max\">".
    implode('', array_map(fn (string $id): string => "<qti-simple-choice identifier=\"$id\">$id</qti-simple-choice>", str_split($ids))).
    '</qti-choice-interaction>';
$single = 'cardinality="single" base-type="identifier">';
$multiple = 'cardinality="multiple" base-type="identifier">';
$field = '<p><qti-text-entry-interaction response-identifier="RESPONSE"/></p>';
$singles = [[], ['A'], ['B'], ['C'], ['D']];
$sets = array_map(
    fn (int $mask): array => array_values(
        array_filter(['A', 'B', 'C', 'D'], fn (int $i): bool => (($mask >> $i) & 1) === 1, ARRAY_FILTER_USE_KEY),
    ),
    range(0, 15),
);
$typed = fn (string ...$words): array => [[], ...array_map(fn (string $word): array => [$word], $words)];

it('earns what the standard says, in all versions', function (string $xml, array $responses): void {
    foreach (['3.0' => $xml, '2.2' => Edition2::v22()->lower($xml), '2.1' => Edition2::v21()->lower($xml)] as $version => $document) {
        $document = sprintf($document, '');
        $found = readItem($document);
        expect(array_map(fn (Notice $notice): string => "$notice->code $notice->message", $found->notices))->toBe([], $version);
        $question = Questions::read($found->questions[0]);
        foreach ($responses as $given) {
            $given = array_is_list($given) ? ['RESPONSE' => $given] : $given;
            expect(abs(earned($question, $given) - ResponseProcessing::score($document, $given)))->toBeLessThan(
                0.0011,
                $version.' '.json_encode($given).json_encode($found->questions[0]->parts),
            );
        }
        // it can fail: not everything earns the same
        expect(
            count(
                array_unique(
                    array_map(
                        fn (array $given): string => (string) earned($question, array_is_list($given) ? ['RESPONSE' => $given] : $given),
                        $responses,
                    ),
                ),
            ),
        )->toBeGreaterThan(1);
    }
})->with([
    'nested conditions' => [
        itemOf(
            ['RESPONSE' => $single],
            $choice(1),
            $if(
                '<qti-is-null>'.$var.'</qti-is-null>',
                $set('0'),
                $if(
                    '<qti-match>'.$var.$base('A').'</qti-match>',
                    $set('2'),
                    $if(
                        '<qti-or><qti-match>'.
                            $var.
                            $base('B').
                            '</qti-match><qti-match>'.
                            $var.
                            $base('C').
                            '</qti-match></qti-or>',
                        $set('0.5'),
                        $set('-1'),
                    ),
                ),
            ),
        ),
        $singles,
    ],
    'partial sums' => [
        itemOf(
            ['RESPONSE' => $multiple],
            $choice(0),
            $if($member('A'), $add('1')).$if($member('C'), $add('1')).$if($member('B'), $add('-0.5')),
        ),
        $sets,
    ],
    'partial sums that stop at nothing' => [
        itemOf(
            ['RESPONSE' => $multiple],
            $choice(0),
            $if($member('A'), $add('1')).
                $if($member('C'), $add('1')).
                $if($member('B'), $add('-1')).
                $if('<qti-lt><qti-variable identifier="SCORE"/>'.$base('0', 'float').'</qti-lt>', $set('0')),
        ),
        $sets,
    ],
    'exactly two of three right ones' => [
        itemOf(
            ['RESPONSE' => $multiple],
            $choice(0),
            $if(
                '<qti-and>'.
                    $member('A').
                    $member('B').
                    '<qti-not>'.
                    $member('C').
                    '</qti-not><qti-not>'.
                    $member('D').
                    '</qti-not></qti-and>',
                $set('3'),
            ),
        ),
        $sets,
    ],
    'thirds as decimals' => [
        itemOf(
            ['RESPONSE' => $multiple],
            $choice(0),
            $if($member('A'), $add('0.333333')).$if($member('B'), $add('0.333333')).$if($member('D'), $add('0.333333')),
        ),
        $sets,
    ],
    'several strings, one by capitals' => [
        itemOf(
            ['RESPONSE' => 'cardinality="single" base-type="string">'],
            $field,
            $if(
                '<qti-or><qti-string-match case-sensitive="false">'.
                    $var.
                    $base('colour', 'string').
                    '</qti-string-match><qti-string-match case-sensitive="false">'.
                    $var.
                    $base('color', 'string').
                    '</qti-string-match></qti-or>',
                $set('2'),
                $if('<qti-string-match case-sensitive="true">'.$var.$base('pH', 'string').'</qti-string-match>', $set('1')),
            ),
        ),
        $typed('colour', 'COLOR', 'pH', 'PH', 'hue'),
    ],
    'bands of a number' => [
        itemOf(
            ['RESPONSE' => 'cardinality="single" base-type="float">'],
            $field,
            $if(
                '<qti-equal tolerance-mode="absolute" tolerance="0.1 0.1">'.$var.$base('2.7', 'float').'</qti-equal>',
                $set('2'),
                $if(
                    '<qti-equal tolerance-mode="absolute" tolerance="0.3 0.3">'.$var.$base('2.7', 'float').'</qti-equal>',
                    $set('1'),
                ),
            ),
        ),
        $typed('2.7', '2.8', '2.6', '2.81', '2.5', '3', '3.01', '2.39', '2.4'),
    ],
    'an open band' => [
        itemOf(
            ['RESPONSE' => 'cardinality="single" base-type="float">'],
            $field,
            $if(
                '<qti-and><qti-gt>'.
                    $var.
                    $base('5', 'float').
                    '</qti-gt><qti-not><qti-gte>'.
                    $var.
                    $base('8', 'float').
                    '</qti-gte></qti-not></qti-and>',
                $set('1'),
            ),
        ),
        $typed('5', '5.01', '7.99', '8', '6'),
    ],
    'two responses, a bonus for both' => [
        itemOf(
            ['R1' => $single, 'R2' => $single],
            $choice(1, 'R1', 'AB').$choice(1, 'R2', 'XY'),
            $if(
                '<qti-and><qti-match><qti-variable identifier="R1"/>'.
                    $base('A').
                    '</qti-match><qti-match><qti-variable identifier="R2"/>'.
                    $base('Y').
                    '</qti-match></qti-and>',
                $set('4'),
            ),
        ),
        [[], ['R1' => ['A'], 'R2' => ['Y']], ['R1' => ['A']], ['R2' => ['Y']], ['R1' => ['B'], 'R2' => ['Y']]],
    ],
    'two responses, each for itself' => [
        itemOf(
            ['R1' => $single, 'R2' => $multiple],
            $choice(1, 'R1', 'AB').$choice(0, 'R2', 'XYZ'),
            $if('<qti-match><qti-variable identifier="R1"/>'.$base('A').'</qti-match>', $add('1')).
                $if('<qti-member>'.$base('X').'<qti-variable identifier="R2"/></qti-member>', $add('2')).
                $if('<qti-member>'.$base('Z').'<qti-variable identifier="R2"/></qti-member>', $add('2')),
        ),
        [[], ['R1' => ['A'], 'R2' => ['X', 'Z']], ['R1' => ['A']], ['R2' => ['Z']], ['R1' => ['B'], 'R2' => ['Y']]],
    ],
    'the second waits for the first' => [
        itemOf(
            ['R1' => $single, 'R2' => $single],
            $choice(1, 'R1', 'AB').$choice(1, 'R2', 'XY'),
            $if(
                '<qti-match><qti-variable identifier="R1"/>'.$base('A').'</qti-match>',
                $set('1').$if('<qti-match><qti-variable identifier="R2"/>'.$base('X').'</qti-match>', $add('2')),
            ),
        ),
        [
            [],
            ['R1' => ['A']],
            ['R2' => ['X']],
            ['R1' => ['A'], 'R2' => ['X']],
            ['R1' => ['B'], 'R2' => ['X']],
            ['R1' => ['A'], 'R2' => ['Y']],
        ],
    ],
    'two answers in any order, each once' => [
        itemOf(
            ['R1' => 'cardinality="single" base-type="string">', 'R2' => 'cardinality="single" base-type="string">'],
            '<p><qti-text-entry-interaction response-identifier="R1"/><qti-text-entry-interaction response-identifier="R2"/></p>',
            implode(
                '',
                array_map(
                    fn (string $word): string => $if(
                        '<qti-or>'.
                            implode(
                                '',
                                array_map(
                                    fn (string $id): string => "<qti-match><qti-variable identifier=\"$id\"/>".
                                        $base($word, 'string').
                                        '</qti-match>',
                                    ['R1', 'R2'],
                                ),
                            ).
                            '</qti-or>',
                        $add('1'),
                    ),
                    ['ice', 'wind'],
                ),
            ),
        ),
        array_map(fn (array $two): array => array_filter(['R1' => $two[0], 'R2' => $two[1]]), [
            [[], []],
            [['ice'], []],
            [['ice'], ['wind']],
            [['wind'], ['ice']],
            [['ice'], ['ice']],
            [['sun'], ['wind']],
        ]),
    ],
    'one too many costs' => [
        itemOf(
            [
                'RESPONSE' => $multiple.
                    '<qti-mapping default-value="0"><qti-map-entry map-key="A" mapped-value="1"/>'.
                        '<qti-map-entry map-key="C" mapped-value="1"/></qti-mapping>',
            ],
            $choice(0),
            $if(
                '<qti-gt><qti-container-size>'.$var.'</qti-container-size>'.$base('2', 'integer').'</qti-gt>',
                '<qti-set-outcome-value identifier="SCORE"><qti-max>'.
                    $base('0', 'float').
                    '<qti-subtract><qti-map-response identifier="RESPONSE"/><qti-product>'.
                    $base('0.5', 'float').
                    '<qti-subtract><qti-container-size>'.
                    $var.
                    '</qti-container-size>'.
                    $base('2', 'integer').
                    '</qti-subtract></qti-product></qti-subtract></qti-max></qti-set-outcome-value>',
                '<qti-set-outcome-value identifier="SCORE"><qti-map-response identifier="RESPONSE"/></qti-set-outcome-value>',
            ),
        ),
        $sets,
    ],
    'an order in which two may change places' => [
        itemOf(
            ['RESPONSE' => 'cardinality="ordered" base-type="identifier">'],
            '<qti-order-interaction response-identifier="RESPONSE"><qti-simple-choice identifier="A">a</qti-simple-choice>'.
                '<qti-simple-choice identifier="B">b</qti-simple-choice><qti-simple-choice identifier="C">c</qti-simple-choice>'.
                '</qti-order-interaction>',
            $if('<qti-match><qti-index n="1">'.$var.'</qti-index>'.$base('B').'</qti-match>', $set('2')),
        ),
        [[], ...array_map(str_split(...), ['ABC', 'BAC', 'BCA', 'CAB', 'CBA'])],
    ],
    'a pattern of XML Schema' => [
        itemOf(
            ['RESPONSE' => 'cardinality="single" base-type="string">'],
            $field,
            $if('<qti-pattern-match pattern="\\d{4}|[a-z-[x]]+">'.$var.'</qti-pattern-match>', $set('2'), $set('0')),
        ),
        $typed('1912', '191', 'abc', 'axc', '٣٤٥٦'),
    ],
    'a table of outcomes' => [
        str_replace(
            '<qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/>',
            '<qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"><qti-match-table default-value="0">'.
                '<qti-match-table-entry source-value="2" target-value="5"/></qti-match-table></qti-outcome-declaration>',
            itemOf(
                [
                    'RESPONSE' => $multiple.
                        '<qti-mapping default-value="0"><qti-map-entry map-key="A" mapped-value="1"/>'.
                            '<qti-map-entry map-key="B" mapped-value="1"/><qti-map-entry map-key="C" mapped-value="-1"/>'.
                            '<qti-map-entry map-key="D" mapped-value="-1"/></qti-mapping>',
                ],
                $choice(0),
                '<qti-set-outcome-value identifier="RAW"><qti-map-response identifier="RESPONSE"/></qti-set-outcome-value>'.
                    '<qti-lookup-outcome-value identifier="SCORE"><qti-variable identifier="RAW"/></qti-lookup-outcome-value>',
                '<qti-outcome-declaration identifier="RAW" cardinality="single" base-type="float"/>',
            ),
        ),
        $sets,
    ],
    'an order by its places' => [
        itemOf(
            ['RESPONSE' => 'cardinality="ordered" base-type="identifier">'],
            '<qti-order-interaction response-identifier="RESPONSE"><qti-simple-choice identifier="A">a</qti-simple-choice>'.
                '<qti-simple-choice identifier="B">b</qti-simple-choice><qti-simple-choice identifier="C">c</qti-simple-choice>'.
                '</qti-order-interaction>',
            implode(
                '',
                array_map(
                    fn (string $id, int $n): string => $if(
                        "<qti-match><qti-index n=\"$n\">$var</qti-index>".$base($id).'</qti-match>',
                        $add('1'),
                    ),
                    ['C', 'A', 'B'],
                    [1, 2, 3],
                ),
            ),
        ),
        [[], ['C', 'A', 'B'], ['C', 'B', 'A'], ['A', 'B', 'C'], ['B', 'C', 'A']],
    ],
    'gaps by single pairs' => [
        itemOf(
            ['RESPONSE' => 'cardinality="multiple" base-type="directedPair">'],
            '<qti-gap-match-interaction response-identifier="RESPONSE">'.
                '<qti-gap-text identifier="T1" match-max="0">one</qti-gap-text>'.
                '<qti-gap-text identifier="T2" match-max="0">two</qti-gap-text>'.
                '<p>a <qti-gap identifier="G1"/> b <qti-gap identifier="G2"/></p></qti-gap-match-interaction>',
            $if('<qti-member>'.$base('T1 G1', 'directedPair').$var.'</qti-member>', $add('1')).
                $if('<qti-member>'.$base('T2 G2', 'directedPair').$var.'</qti-member>', $add('2')),
        ),
        [[], ['T1 G1', 'T2 G2'], ['T1 G1'], ['T2 G1', 'T2 G2'], ['T2 G1']],
    ],
    'joins, only all of them' => [
        itemOf(
            ['RESPONSE' => 'cardinality="multiple" base-type="directedPair">'],
            '<qti-match-interaction response-identifier="RESPONSE" max-associations="0"><qti-simple-match-set>'.
                '<qti-simple-associable-choice identifier="L1" match-max="1">l</qti-simple-associable-choice>'.
                '<qti-simple-associable-choice identifier="L2" match-max="1">m</qti-simple-associable-choice></qti-simple-match-set>'.
                '<qti-simple-match-set><qti-simple-associable-choice identifier="X" match-max="0">x</qti-simple-associable-choice>'.
                '<qti-simple-associable-choice identifier="Y" match-max="0">y</qti-simple-associable-choice></qti-simple-match-set>'.
                '</qti-match-interaction>',
            $if(
                '<qti-and><qti-member>'.
                    $base('L1 Y', 'directedPair').
                    $var.
                    '</qti-member><qti-member>'.
                    $base('L2 X', 'directedPair').
                    $var.
                    '</qti-member></qti-and>',
                $set('2'),
            ),
        ),
        [[], ['L1 Y', 'L2 X'], ['L1 Y'], ['L1 X', 'L2 X']],
    ],
]);

it('never gives a key that scores otherwise, whatever conditions stand there', function (
    string $type,
    string $body,
    array $leaves,
    array $responses,
    int $least,
): void {
    mt_srand(30);
    $pick = fn (array $some): mixed => $some[mt_rand(0, count($some) - 1)];
    $leaf = fn (): string => $pick($leaves);
    $test = function (int $depth) use (&$test, $pick, $leaf): string {
        $by = $depth === 0 ? 'leaf' : $pick(['leaf', 'leaf', 'and', 'or', 'not']);

        return match ($by) {
            'leaf' => $leaf(),
            'not' => '<qti-not>'.$test($depth - 1).'</qti-not>',
            default => "<qti-$by>".$test($depth - 1).$test($depth - 1)."</qti-$by>",
        };
    };
    $change = fn (): string => '<qti-set-outcome-value identifier="SCORE">'.
        $pick([
            '%s',
            '<qti-sum><qti-variable identifier="SCORE"/>%s</qti-sum>',
            '<qti-max><qti-variable identifier="SCORE"/>%s</qti-max>',
        ]).
        '</qti-set-outcome-value>';
    $rules = function (int $depth) use (&$rules, $pick, $test, $change): string {
        $xml = '';
        for ($n = mt_rand(1, 3); $n > 0; $n--) {
            $then =
                $depth > 0 && mt_rand(0, 3) === 0
                    ? $rules($depth - 1)
                    : sprintf(
                        $change(),
                        '<qti-base-value base-type="float">'.$pick(['1', '2', '-1', '0.5', '0']).'</qti-base-value>',
                    );
            $xml .=
                '<qti-response-condition><qti-response-if>'.
                $test(2).
                $then.
                '</qti-response-if>'.
                (mt_rand(0, 1)
                    ? ''
                    : '<qti-response-else>'.
                        sprintf($change(), '<qti-base-value base-type="float">'.$pick(['0', '1']).'</qti-base-value>').
                        '</qti-response-else>').
                '</qti-response-condition>';
        }

        return $xml;
    };
    $keyed = 0;
    for ($i = 0; $i < (getenv('QUARRY_LONG') ? 3000 : 150); $i++) {
        $xml = sprintf(itemOf(['RESPONSE' => "$type>"], $body, $rules(1)), '');
        $found = readItem($xml);
        $question = Questions::read($found->questions[0]);
        if ($question->parts[0]->scheme->value === 'person') {
            continue;
        }
        $keyed++;
        foreach ($responses as $given) {
            expect(
                abs(earned($question, ['RESPONSE' => $given]) - ResponseProcessing::score($xml, ['RESPONSE' => $given])),
            )->toBeLessThan(0.0001, json_encode($given).$xml.json_encode($found->questions[0]->parts));
        }
    }
    expect($keyed)->toBeGreaterThan($least);
})->with([
    'picks' => [
        'cardinality="multiple" base-type="identifier"',
        $choice(0, 'RESPONSE', 'ABC'),
        array_map($member, ['A', 'B', 'C']),
        array_slice($sets, 0, 8),
        20,
    ],
    'words' => [
        'cardinality="single" base-type="string"',
        $field,
        [
            ...array_map(
                fn (string $word): string => '<qti-substring case-sensitive="false">'.$base($word, 'string').$var.'</qti-substring>',
                ['lava', 'ash'],
            ),
            ...array_map(
                fn (string $word): string => '<qti-string-match case-sensitive="false">'.
                    $var.
                    $base($word, 'string').
                    '</qti-string-match>',
                ['melt', 'lava'],
            ),
        ],
        $typed('lava', 'ash', 'melt', 'Lava', 'ASH', 'lava ash', 'ash and lava', 'a lava', 'melt lava', 'melting', 'ice'),
        15,
    ],
]);

it('brings feedback of such items to where it shows', function (): void {
    $say = fn (
        string $id,
    ): string => '<qti-set-outcome-value identifier="FB"><qti-multiple><qti-variable identifier="FB"/>'.
        "<qti-base-value base-type=\"identifier\">$id</qti-base-value></qti-multiple></qti-set-outcome-value>";
    $if = fn (
        string $id,
        string $then,
    ): string => '<qti-response-condition><qti-response-if><qti-match><qti-variable identifier="RESPONSE"/>'.
        "<qti-base-value base-type=\"identifier\">$id</qti-base-value></qti-match>$then</qti-response-if>".
        '</qti-response-condition>';
    $score =
        '<qti-set-outcome-value identifier="SCORE"><qti-sum><qti-variable identifier="SCORE"/>'.
            '<qti-base-value base-type="float">2</qti-base-value></qti-sum></qti-set-outcome-value>';
    $modal = fn (
        string $id,
    ): string => "<qti-modal-feedback outcome-identifier=\"FB\" show-hide=\"show\" identifier=\"$id\">".
        "<qti-content-body>$id said</qti-content-body></qti-modal-feedback>";
    $choices =
        '<qti-choice-interaction response-identifier="RESPONSE" max-choices="1">'.
            '<qti-simple-choice identifier="A">a</qti-simple-choice><qti-simple-choice identifier="B">b</qti-simple-choice>'.
            '<qti-simple-choice identifier="C">c</qti-simple-choice></qti-choice-interaction>';
    $xml = sprintf(
        itemOf(
            ['RESPONSE' => 'cardinality="single" base-type="identifier">'],
            $choices,
            $if('A', $score.$say('RIGHT')).$if('B', $say('BEE')),
            '<qti-outcome-declaration identifier="FB" cardinality="multiple" base-type="identifier"/>',
        ),
        $modal('RIGHT').$modal('BEE').$modal('NEVER'),
    );
    $found = readItem($xml);
    $part = $found->questions[0]->parts[0];
    $rules = array_column(
        array_map(fn (stdClass $rule): array => ['on' => $rule->on, 'said' => $rule->feedback->html ?? ''], $part->key->rules),
        'said',
        'on',
    );

    expect(array_filter($found->notices, fn (Notice $notice): bool => $notice->severity === 'loss'))
        ->toBe([])
        ->and($found->questions[0]->feedback->right->html)
        ->toBe('RIGHT said')
        ->and($rules)
        ->toBe(['A' => '', 'B' => 'BEE said']);
});

it('brings feedback that stands in the options or the text to where it shows', function (): void {
    $choices =
        '<qti-choice-interaction response-identifier="RESPONSE" max-choices="1">'.
        implode(
            '',
            array_map(
                fn (
                    string $id,
                ): string => "<qti-simple-choice identifier=\"$id\">option $id<qti-feedback-inline outcome-identifier=\"FB\" identifier=\"$id\" show-hide=\"show\">about $id</qti-feedback-inline>".
                    '</qti-simple-choice>',
                ['A', 'B', 'C'],
            ),
        ).
        '</qti-choice-interaction>';
    $xml = sprintf(
        itemOf(
            [
                'RESPONSE' => 'cardinality="single" base-type="identifier"><qti-correct-response><qti-value>B</qti-value>'.
                    '</qti-correct-response>',
            ],
            $choices,
            '<qti-response-condition><qti-response-if><qti-match><qti-variable identifier="RESPONSE"/>'.
                '<qti-correct identifier="RESPONSE"/></qti-match><qti-set-outcome-value identifier="SCORE">'.
                '<qti-base-value base-type="float">1</qti-base-value></qti-set-outcome-value></qti-response-if>'.
                '</qti-response-condition><qti-set-outcome-value identifier="FB"><qti-variable identifier="RESPONSE"/>'.
                '</qti-set-outcome-value>',
            '<qti-outcome-declaration identifier="FB" cardinality="single" base-type="identifier"/>',
        ),
        '',
    );
    $found = readItem($xml);
    $part = $found->questions[0]->parts[0];

    expect(array_filter($found->notices, fn (Notice $notice): bool => $notice->severity !== 'note'))
        ->toBe([])
        ->and(array_column($part->settings->options, 'html'))
        ->toBe(['option A', 'option B', 'option C'])
        ->and($found->questions[0]->feedback->right->html)
        ->toBe('about B')
        ->and(array_map(fn (stdClass $rule): array => [$rule->on, $rule->feedback->html ?? ''], $part->key->rules))
        ->toBe([['B', ''], ['A', 'about A'], ['C', 'about C']]);
});

it('reads what stands around questions in real packages', function (
    string $body,
    string $expected,
    array $codes,
    ?string $notes = null,
): void {
    $found = readItem(
        sprintf(
            itemOf(
                [
                    'RESPONSE' => 'cardinality="single" base-type="string"><qti-correct-response><qti-value>x</qti-value>'.
                        '</qti-correct-response>',
                ],
                $body.'<p>Type: <qti-text-entry-interaction response-identifier="RESPONSE"/></p>',
                '<qti-response-condition><qti-response-if><qti-match><qti-variable identifier="RESPONSE"/>'.
                    '<qti-correct identifier="RESPONSE"/></qti-match><qti-set-outcome-value identifier="SCORE">'.
                    '<qti-base-value base-type="float">1</qti-base-value></qti-set-outcome-value></qti-response-if>'.
                    '</qti-response-condition>',
            ),
            '',
        ),
    );
    expect($found->questions[0]->body)
        ->toBe($expected.'<p>Type: <span data-part="RESPONSE"></span></p>')
        ->and(array_map(fn (Notice $notice): string => $notice->code, $found->notices))
        ->toBe($codes)
        ->and($found->questions[0]->record->notes ?? null)
        ->toBe($notes);
})->with([
    'HTML that was escaped' => ['<p>Is it &lt;b&gt;hard&lt;/b&gt;?</p>', '<p>Is it <strong>hard</strong>?</p>', ['content.escaped']],
    'code that is meant as it stands' => [
        '<p>What does <code>&lt;b&gt;x&lt;/b&gt;</code> do?</p>',
        '<p>What does <code>&lt;b&gt;x&lt;/b&gt;</code> do?</p>',
        [],
    ],
    'less than, more than' => ['<p>Is 3 &lt; 4 &gt; 2?</p>', '<p>Is 3 &lt; 4 &gt; 2?</p>', []],
    'what learners are told' => [
        '<qti-rubric-block view="candidate"><p>Use a pencil.</p></qti-rubric-block>',
        '<p>Use a pencil.</p>',
        [],
    ],
    'what markers are told' => [
        '<qti-rubric-block view="scorer tutor"><p>Half for the idea.</p></qti-rubric-block>',
        '',
        [],
        'Half for the idea.',
    ],
    'a button' => ['<qti-end-attempt-interaction response-identifier="HINT" title="Hint"/>', '', ['qti.hint_button']],
]);

it('reads patterns of other languages as they were meant, and says so; what it cannot say is marked by hand', function (
    string $pattern,
    array $codes,
    ?string $shape,
): void {
    $found = readItem(
        sprintf(
            itemOf(
                ['RESPONSE' => 'cardinality="single" base-type="string">'],
                '<p><qti-text-entry-interaction response-identifier="RESPONSE"/></p>',
                "<qti-response-condition><qti-response-if><qti-pattern-match pattern=\"$pattern\">".
                    '<qti-variable identifier="RESPONSE"/></qti-pattern-match><qti-set-outcome-value identifier="SCORE">'.
                    '<qti-base-value base-type="float">1</qti-base-value></qti-set-outcome-value></qti-response-if>'.
                    '</qti-response-condition>',
            ),
            '',
        ),
    );
    expect(array_map(fn (Notice $notice): string => $notice->code, $found->notices))
        ->toBe($codes)
        ->and($found->questions[0]->parts[0]->key->rules[0]->on->pattern ?? null)
        ->toBe($shape)
        ->and(isset($found->questions[0]->record->origin->processing))
        ->toBe($shape === null);
})->with([
    'anchored' => ['^\d{2}$', ['qti.pattern_meant'], '\d{2}'],
    'groups that catch nothing, as little as may be' => ['(?:a|b)+?c', ['qti.pattern_meant'], '(a|b)+c'],
    'as the standard has it' => ['[0-9]+(\.[0-9]+)?', [], '[0-9]+(\.[0-9]+)?'],
    'a power, which is a sign there' => ['^2', [], '\^2'],
    'a block of signs' => ['\p{IsGreek}+', ['qti.key'], null],
    'looking ahead' => ['(?=a)a', ['qti.key'], null],
]);

it('does not guess which of many words an answer has to hold', function (): void {
    $holds = fn (
        string $word,
    ): string => "<qti-substring case-sensitive=\"false\"><qti-base-value base-type=\"string\">$word</qti-base-value>".
        '<qti-variable identifier="RESPONSE"/></qti-substring>';
    $adds = fn (
        string $test,
        int $points,
    ): string => "<qti-response-condition><qti-response-if>$test<qti-set-outcome-value identifier=\"SCORE\"><qti-sum>".
        "<qti-variable identifier=\"SCORE\"/><qti-base-value base-type=\"float\">$points</qti-base-value></qti-sum>".
        '</qti-set-outcome-value></qti-response-if></qti-response-condition>';
    $rules =
        implode(
            '',
            array_map(
                fn (string $word): string => $adds('<qti-and>'.$holds($word).'<qti-not>'.$holds($word).'</qti-not></qti-and>', 1),
                ['lava', 'ice', 'wind', 'rain', 'frost', 'chalk'],
            ),
        ).$adds('<qti-and>'.$holds('ash').$holds('melt').'</qti-and>', 2);
    $question = Questions::read(
        readItem(
            sprintf(
                itemOf(
                    ['RESPONSE' => 'cardinality="single" base-type="string">'],
                    '<p><qti-text-entry-interaction response-identifier="RESPONSE"/></p>',
                    $rules,
                ),
                '',
            ),
        )->questions[0],
    );

    expect($question->parts[0]->scheme->value)->toBe('person');
});
