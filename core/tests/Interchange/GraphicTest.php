<?php

declare(strict_types=1);

use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Qti2\Edition2;
use WideQuarry\Interchange\Qti30\Edition;
use WideQuarry\Interchange\Qti30\Edition30;
use WideQuarry\Interchange\Qti30\ItemWriter;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\QuestionMedia;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\ItemShape;
use WideQuarry\Tests\Support\OnPictures;
use WideQuarry\Tests\Support\Packages;
use WideQuarry\Tests\Support\Places;
use WideQuarry\Tests\Support\Questions;
use WideQuarry\Tests\Support\ResponseProcessing;

const PNG = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

/** An item with its pictures, as a package of somebody else. @param  list<string>  $media */
function withPictures(string $xml, array $media): PackageContents
{
    $pictures = array_fill_keys(array_map(fn (string $id): string => "media/$id.png", $media), base64_decode(PNG));

    return Packages::read([
        'imsmanifest.xml' => Packages::manifest([
            'items/i.xml' => str_contains($xml, 'v3p0') ? 'imsqti_item_xmlv3p0' : 'imsqti_item_xmlv2p1',
        ]),
        'items/i.xml' => $xml,
        ...$pictures,
    ]);
}

/** @return array{string, PackageContents, list<string>} the item, what is read of it, codes of what it cannot say */
function thereAndBack(Question $question, Edition $edition): array
{
    $media = QuestionMedia::of($question);
    $item = (new ItemWriter(array_combine($media, array_map(fn (string $id): string => "media/$id.png", $media))))->write($question, []);
    $xml = $edition->lower($item->xml);

    return [$xml, withPictures($xml, $media), array_map(fn ($notice): string => $notice->code, $item->notices)];
}

/** @return list<string> a response to a part on a picture as a delivery system holds it; places are told by code of the tests alone */
function onPicture(Part $part, stdClass $given, stdClass $settings): array
{
    return match ($part->kindName) {
        'spot' => $given->spots ?? array_values(array_filter(
            array_map(fn (array $at): ?string => Places::first($settings->regions, $at[0], $at[1]), $given->at),
        )),
        'point' => array_map(fn (array $at): string => "$at[0] $at[1]", $given->points),
        default => array_map(
            fn (string $target, string $label): string => "$label $target",
            array_keys((array) $given->labels),
            array_values((array) $given->labels),
        ),
    };
}

$editions = ['3.0' => [new Edition30], '2.2' => [Edition2::v22()], '2.1' => [Edition2::v21()]];

it('writes pictures as the standard has them, marked as its evaluator marks, and reads them back', function (Edition $edition): void {
    $version = ['qti30' => '3.0', 'qti22' => '2.2', 'qti21' => '2.1'][$edition->format()];
    foreach (demo('diagrams')->questions as $json) {
        $question = Questions::read($json);
        [$xml, $found, $losses] = thereAndBack($question, $edition);
        expect(ItemShape::wrong($xml, $version))->toBe([], $question->title)->and($found->notices)->toBe([], $question->title);
        $read = Questions::read($found->questions[0]);
        $part = $question->parts[0];
        expect($read->parts[0]->kindName)->toBe($part->kindName);
        if (in_array('label.typed', $losses, true)) {
            continue; // variants that were typed are told as lost
        }
        $settings = $json->parts[0]->settings;
        foreach ($question->record->specimens as $specimen) {
            if (! isset($specimen->response->p1)) {
                continue; // in words instead, which is told as lost
            }
            $score = (float) Exact::number(Exact::of($specimen->score));
            $theirs = ['RESPONSE' => onPicture($part, $specimen->response->p1, $settings)];
            $again = (new Scorer)->score($read, new Attempt((object) ['RESPONSE' => $specimen->response->p1], Seed::of(1)));
            expect(abs(ResponseProcessing::score($xml, $theirs) - $score))->toBeLessThan(0.006, "$question->title there")
                ->and(abs((float) Exact::number($again->exact) - $score))->toBeLessThan(0.006, "$question->title read back");
        }
        foreach ($json->parts[0]->settings->targets ?? [] as $i => $target) {
            $back = $found->questions[0]->parts[0]->settings->targets[$i];
            expect([$back->id, $back->at, $back->box ?? null, $back->label])
                ->toBe([$target->id, $target->at, $target->box ?? null, $target->label]);
        }
    }
})->with($editions);

it('says the schemes for points so that the standard counts as we do', function (string $scheme, string $cost, Edition $edition): void {
    $areas = [
        [['shape' => 'circle', 'at' => ['100', '100', '40']], '1'],
        [['shape' => 'polygon', 'at' => ['300', '50', '380', '100', '300', '150']], '1'],
        [['shape' => 'ellipse', 'at' => ['300', '100', '120', '90']], '0'],
        [['shape' => 'rectangle', 'at' => ['500', '50', '600', '150']], '1'],
    ];
    $question = OnPictures::point($areas, null, ['scheme' => $scheme, ...$scheme === 'each' ? ['cost' => $cost] : []]);
    [$xml, $found] = thereAndBack($question, $edition);
    $read = Questions::read($found->questions[0]);
    expect($found->notices)->toBe([])->and($found->questions[0]->parts[0]->scoring->scheme)->toBe($scheme);
    mt_srand(11);
    $spots = [[100, 100], [110, 95], [320, 100], [300, 60], [250, 100], [550, 100], [10, 10], [700, 400], [500, 50]];
    for ($round = 0; $round < 60; $round++) {
        shuffle($spots);
        $given = array_slice($spots, 0, mt_rand(1, 6));
        $response = Json::decode(Json::encode((object) ['p1' => (object) ['points' => $given]]));
        $score = (float) Exact::number((new Scorer)->score($question, new Attempt($response, Seed::of(1)))->exact);
        $theirs = ['RESPONSE' => array_map(fn (array $at): string => "$at[0] $at[1]", $given)];
        $back = (new Scorer)->score($read, new Attempt((object) ['RESPONSE' => $response->p1], Seed::of(1)));
        expect(ResponseProcessing::score($xml, $theirs))->toEqualWithDelta($score, 0.0001)
            ->and((float) Exact::number($back->exact))->toEqualWithDelta($score, 0.0001);
    }
})->with([['each', '1'], ['each', '1/3'], ['each', '0'], ['all', '1']])->with($editions);

$img = '<img src="../media/m.png" alt="A cliff" width="400" height="300"/>';
$one = fn (string $type, string $cardinality, string $more): string => "<qti-response-declaration identifier=\"R\" cardinality=\"$cardinality\" base-type=\"$type\">$more</qti-response-declaration>";
$map = '<qti-response-processing><qti-set-outcome-value identifier="SCORE"><qti-map-response-point identifier="R"/>'.
    '</qti-set-outcome-value></qti-response-processing>';
$correct = '<qti-response-processing template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml"/>';

it('reads pictures of others', function (string $declaration, string $body, string $processing, array $expected): void {
    $declaration = str_replace('"R"', '"RESPONSE"', $declaration);
    $item = Packages::item30($declaration, str_replace('"R"', '"RESPONSE"', $body), str_replace('"R"', '"RESPONSE"', $processing));
    $found = withPictures($item, ['m']);
    $part = $found->questions[0]->parts[0];
    foreach ($expected as $path => $value) {
        $at = $part;
        foreach (explode('/', $path) as $step) {
            $at = is_array($at) ? $at[(int) $step] : $at->{$step};
        }
        expect(json_decode(Json::encode($at), true))->toEqual($value, $path);
    }
})->with([
    'a hotspot, percentages and a closed polygon' => [
        $one('identifier', 'single', '<qti-correct-response><qti-value>B</qti-value></qti-correct-response>'),
        "<qti-hotspot-interaction response-identifier=\"R\" max-choices=\"1\">$img".
            '<qti-hotspot-choice identifier="A" shape="rect" coords="10%,10%,50%,50%"/>'.
            '<qti-hotspot-choice identifier="B" shape="poly" coords="0,0 40,0 40,40 0,0" hotspot-label="the scree"/>'.
            '</qti-hotspot-interaction>',
        $correct,
        [
            'kind' => 'spot',
            'settings/picture/width' => 400,
            'settings/picture/alt' => 'A cliff',
            'settings/regions/0/at' => ['40', '30', '200', '150'],
            'settings/regions/1' => ['id' => 'B', 'shape' => 'polygon', 'at' => ['0', '0', '40', '0', '40', '40'], 'label' => 'the scree'],
            'settings/show' => 'outlined',
            'key/rules/0/on' => 'B',
        ],
    ],
    'points whose picture says no size: it has that of the file' => [
        $one('point', 'multiple', '<qti-area-mapping default-value="-1" lower-bound="0">'.
            '<qti-area-map-entry shape="circle" coords="1,1,5" mapped-value="2"/>'.
            '<qti-area-map-entry shape="default" coords="" mapped-value="1"/></qti-area-mapping>'),
        '<qti-select-point-interaction response-identifier="R" max-choices="0">'.
            '<object data="../media/m.png" type="image/png">dot</object></qti-select-point-interaction>',
        $map,
        [
            'kind' => 'point',
            'points' => 3,
            'settings' => [
                'picture' => ['media' => substr(hash('sha256', base64_decode(PNG)), 0, 32), 'alt' => 'dot', 'width' => 1, 'height' => 1],
                'max' => null,
            ],
            'key/rules/0/credit' => '2/3',
            'key/rules/1/on' => ['shape' => 'rectangle', 'at' => ['0', '0', '1', '1']],
            'key/default' => '-1/3',
            'scoring' => ['scheme' => 'weights', 'low' => '0', 'high' => '1'],
        ],
    ],
    'places put in order become places that take numbers' => [
        $one('identifier', 'ordered', '<qti-correct-response><qti-value>B</qti-value><qti-value>A</qti-value></qti-correct-response>'),
        "<qti-graphic-order-interaction response-identifier=\"R\">$img".
            '<qti-hotspot-choice identifier="A" shape="circle" coords="10,20,9"/>'.
            '<qti-hotspot-choice identifier="B" shape="circle" coords="50,20,9"/></qti-graphic-order-interaction>',
        $correct,
        [
            'kind' => 'label',
            'settings/targets/1/at' => ['50', '20'],
            'settings/labels/0/html' => '1',
            'key/rules/0/on' => ['B', 'n1'],
            'key/rules/1/on' => ['A', 'n2'],
            'scoring/scheme' => 'all',
        ],
    ],
    'places joined in pairs become words to match' => [
        $one('pair', 'multiple', '<qti-correct-response><qti-value>A B</qti-value></qti-correct-response>'),
        "<qti-graphic-associate-interaction response-identifier=\"R\">$img".
            '<qti-associable-hotspot identifier="A" shape="circle" coords="10,20,9" match-max="1" hotspot-label="north"/>'.
            '<qti-associable-hotspot identifier="B" shape="circle" coords="50,20,9" match-max="1"/></qti-graphic-associate-interaction>',
        $correct,
        ['kind' => 'match', 'settings/left/0/html' => '<p>north</p>', 'settings/right/0/html' => '<p>place 2</p>', 'key/rules/0/on' => ['A', 'B']],
    ],
]);

it('keeps what it cannot read for somebody to mark, with the picture in the text', function (string $body): void {
    $declaration = '<qti-response-declaration identifier="R" cardinality="single" base-type="point"/>';
    $found = withPictures(Packages::item30($declaration, $body, ''), ['m']);

    expect($found->questions[0]->parts[0]->scoring->scheme)->toBe('person')
        ->and($found->questions[0]->record->origin->processing)->toContain('qti-assessment-item')
        ->and($found->notices)->not->toBe([]);
})->with([
    'something put at a place' => ["<qti-position-object-interaction response-identifier=\"R\">$img</qti-position-object-interaction>"],
    'no picture' => ['<qti-select-point-interaction response-identifier="R" max-choices="1"/>'],
    'a picture that is not there' => [
        '<qti-select-point-interaction response-identifier="R" max-choices="1"><img src="gone.png" alt=""/></qti-select-point-interaction>',
    ],
]);

/**
 * An item of 1.2.1 in which points are placed on a picture of 400 × 300.
 *
 * @param  list<array{string, string, string}>  $steps  condition, what it adds, whether it goes on
 */
function placed12(array $steps, string $cardinality = 'Single', string $labels = '', int $sides = 400): PackageContents
{
    $conditions = implode('', array_map(
        fn (array $step): string => "<respcondition continue=\"$step[2]\"><conditionvar>$step[0]</conditionvar>".
            "<setvar action=\"Add\" varname=\"SCORE\">$step[1]</setvar></respcondition>",
        $steps,
    ));

    return Packages::read([
        'imsmanifest.xml' => Packages::manifest(['q.xml' => 'imsqti_xmlv1p2']),
        'media/m.png' => base64_decode(PNG),
        'q.xml' => '<?xml version="1.0"?><questestinterop><item ident="i1" title="T"><presentation>'.
            "<response_xy ident=\"r1\" rcardinality=\"$cardinality\"><material><mattext>Where?</mattext></material>".
            '<render_hotspot><material>'.
            "<matimage imagtype=\"image/png\" uri=\"media/m.png\" label=\"A cliff\" width=\"$sides\" height=\"300\"/></material>$labels".
            '</render_hotspot></response_xy></presentation><resprocessing><outcomes><decvar varname="SCORE" vartype="Decimal"/></outcomes>'.
            "$conditions</resprocessing></item></questestinterop>",
    ]);
}

$inside = fn (string $kind, string $at): string => "<varinside respident=\"r1\" areatype=\"$kind\">$at</varinside>";

// Scores are worked out by hand from the conditions of the item.
it('reads points of 1.2.1 with the areas they are judged by', function (PackageContents $found, string $kind, array $scores): void {
    expect(array_map(fn ($notice): string => $notice->code, $found->notices))->toBe([]);
    $part = $found->questions[0]->parts[0];
    expect($part->kind)->toBe($kind)->and($part->settings->picture)->toMatchObject(['alt' => 'A cliff', 'width' => 400]);
    $question = Questions::read($found->questions[0]);
    foreach ($scores as [$points, $score]) {
        $given = (object) ['r1' => (object) [$kind === 'spot' ? 'at' : 'points' => $points]];
        expect((string) (new Scorer)->score($question, new Attempt($given, Seed::of(1)))->exact)->toBe($score, json_encode($points));
    }
})->with([
    'one area' => [
        placed12([[$inside('Ellipse', '100,100,40,20'), '2', 'No']]),
        'point',
        [[[[120, 100]], '2'], [[[121, 100]], '0'], [[[100, 110]], '2'], [[], '0']],
    ],
    'a closer one earns more, whichever is asked first' => [
        placed12([[$inside('Rectangle', '0,0,200,200'), '1', 'Yes'], [$inside('Rectangle', '50,50,10,10'), '2', 'Yes']]),
        'point',
        [[[[55, 55]], '3'], [[[150, 150]], '1'], [[[201, 10]], '0']],
    ],
    'a hole that earns nothing' => [
        placed12([[$inside('Rectangle', '50,50,10,10'), '0', 'No'], [$inside('Bounded', '0,0 200,0 200,200 0,200'), '1', 'No']]),
        'point',
        [[[[55, 55]], '0'], [[[150, 150]], '1']],
    ],
    'an area that is a label' => [
        placed12(
            [['<varequal respident="r1">A</varequal>', '1', 'No']],
            labels: '<response_label ident="A" rarea="Rectangle">10,10,50,50</response_label>'.
                '<response_label ident="B" rarea="Rectangle">100,10,50,50</response_label>',
        ),
        'point',
        [[[[20, 20]], '1'], [[[120, 20]], '0']],
    ],
    'several points, all or nothing' => [
        placed12(
            [["<and>{$inside('Rectangle', '0,0,50,50')}{$inside('Rectangle', '100,0,50,50')}</and>", '1', 'No']],
            'Multiple',
        ),
        'point',
        [[[[20, 20], [120, 20]], '1'], [[[20, 20]], '0']],
    ],
]);

it('keeps points of 1.2.1 for marking where areas cannot say what they earn', function (PackageContents $found, string $code): void {
    $part = $found->questions[0]->parts[0];
    expect(array_map(fn ($notice): string => $notice->code, $found->notices))
        ->toContain($code)
        ->and($part->scoring->scheme)
        ->toBe('person')
        ->and($found->questions[0]->record->origin->processing)
        ->toContain('response_xy');
})->with([
    'two that overlap and add up' => [
        placed12([[$inside('Rectangle', '0,0,100,100'), '1', 'Yes'], [$inside('Rectangle', '50,50,100,100'), '1', 'Yes']]),
        'qti12.kind',
    ],
    'all that is not inside' => [placed12([['<not>'.$inside('Rectangle', '0,0,9,9').'</not>', '1', 'No']]), 'qti12.processing'],
    'a picture without a size' => [placed12([[$inside('Rectangle', '0,0,9,9'), '1', 'No']], sides: 0), 'qti12.kind'],
    'an area of more than a thousand corners' => [
        placed12([[$inside('Bounded', implode(' ', array_map(
            fn (int $i): string => round(200 + 100 * cos($i / 160)).','.round(150 + 100 * sin($i / 160)),
            range(0, 1000),
        ))), '1', 'No']]),
        'qti12.kind',
    ],
    'numbers that are none' => [placed12([[$inside('Rectangle', 'a,b,9,9'), '1', 'No']]), 'qti12.kind'],
]);
