<?php

declare(strict_types=1);

// Values that vary: 10,000 rolls of a typical question beside the bare evaluation of the same expressions, written by hand; the study of
// 2,000 rolls with keys and options; answers with a unit beside reading and writing them as JSON.

use Brick\Math\BigRational;
use Tests\Bench\Bench;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Study\RollStudy;

require __DIR__.'/../../vendor/autoload.php';

const ROLLS = 10_000;
const ANSWERS = 5000;

/** A line of a slope, an offset and a point, with an area; four options and a key with two foreseen mistakes. */
function typical(): Question
{
    $option = fn (string $id, string $name): array => ['id' => $id, 'html' => "<p><var data-value=\"$name\"></var> cm²</p>"];
    $rule = fn (string $id, string $expr, string $credit): array => [
        'id' => $id, 'credit' => $credit,
        'on' => ['answer' => 'value', 'value' => ['expr' => $expr], 'tolerance' => ['kind' => 'absolute', 'width' => '0.01']],
    ];

    return Question::read(Json::decode(Json::encode([
        'format' => 'wide-quarry/question', 'version' => 1, 'id' => '0192f0c4-0000-7000-8000-0000000000ad', 'language' => 'en-GB',
        'body' => '<p><var data-value="m"></var>x + <var data-value="b"></var></p><div data-part="p1"></div><p><span data-part="p2"></span></p>',
        'parts' => [
            [
                'id' => 'p1', 'kind' => 'choice', 'points' => 1,
                'settings' => ['options' => [$option('a', 'y'), $option('b', 'd'), $option('c', 'area'), $option('d', 'wrong')], 'max' => 1],
                'key' => ['rules' => [['id' => 'r1', 'on' => 'a', 'credit' => '1']]],
            ],
            [
                'id' => 'p2', 'kind' => 'number', 'points' => 1, 'settings' => (object) [],
                'key' => ['rules' => [$rule('r1', 'area', '1'), $rule('r2', '2area', '0'), $rule('r3', 'area/2', '0')]],
            ],
        ],
        'variables' => [
            'list' => [
                ['name' => 'm', 'kind' => 'integer', 'from' => '2', 'to' => '90'],
                ['name' => 'b', 'kind' => 'integer', 'from' => '-9', 'to' => '9', 'except' => ['0']],
                ['name' => 'x', 'kind' => 'decimal', 'from' => '0.5', 'to' => '9.5', 'step' => '0.5'],
                ['name' => 'y', 'kind' => 'expr', 'expr' => 'm*x + b', 'show' => ['places' => 1]],
                ['name' => 'd', 'kind' => 'expr', 'expr' => 'round(y/3, 2)'],
                ['name' => 'area', 'kind' => 'expr', 'expr' => '(x + m)*b^2/2'],
                ['name' => 'wrong', 'kind' => 'expr', 'expr' => 'm*(x + b)'],
            ],
            'conditions' => ['y != 0', 'm != b'],
        ],
    ])), StandardKinds::all());
}

/** What the question works out, written by hand with the same exact numbers. */
function bare(BigRational $m, BigRational $b, BigRational $x): bool
{
    $y = $m->multipliedBy($x)->plus($b)->simplified();
    Exact::toPlaces($y->dividedBy(3), 2);
    $x->plus($m)->multipliedBy($b->power(2))->dividedBy(2)->simplified();
    $m->multipliedBy($x->plus($b))->simplified();

    return ! $y->isZero() && ! $m->isEqualTo($b);
}

$bench = new Bench;
$question = typical();
$bench->compare(
    'rolls of a typical question',
    function () use ($question): void {
        for ($seed = 1; $seed <= ROLLS; $seed++) {
            $question->variables->roll(Seed::of($seed), 'en-GB');
        }
    },
    function (): void {
        for ($i = 1; $i <= ROLLS; $i++) {
            bare(BigRational::of($i % 89 + 2), BigRational::of($i % 9 + 1), BigRational::nd($i % 19 + 1, 2));
        }
    },
    12,
    ROLLS,
);
$bench->compare(
    'study of 2,000 rolls, keys, options',
    fn () => RollStudy::of($question),
    function () use ($question): void {
        for ($seed = 1; $seed <= RollStudy::ROLLS; $seed++) {
            $question->variables->roll(Seed::of($seed), 'en-GB');
        }
    },
    12,
    RollStudy::ROLLS,
);
$measured = Json::decode(Json::encode([
    'format' => 'wide-quarry/question', 'version' => 1, 'id' => '0192f0c4-0000-7000-8000-0000000000ae', 'language' => 'en-GB',
    'body' => '<p><span data-part="p1"></span></p>',
    'parts' => [[
        'id' => 'p1', 'kind' => 'number', 'points' => 1, 'settings' => ['units' => ['policy' => 'required', 'unit' => 'km/h']],
        'key' => ['rules' => [[
            'id' => 'r1', 'on' => ['answer' => 'value', 'value' => '36', 'tolerance' => ['kind' => 'percent', 'width' => '1']], 'credit' => '1',
        ]]],
    ]],
]));
$unit = Question::read($measured, StandardKinds::all());
$lines = array_map(
    fn (int $i): string => json_encode(['response' => ['p1' => ['text' => ['36 km/h', '10 m/s', '600 m/min', '22.4 mph'][$i % 4]]]]),
    range(1, ANSWERS),
);
$bench->compare(
    'answers with a unit, scored',
    function () use ($lines, $unit): void {
        foreach ($lines as $line) {
            (new Scorer)->score($unit, Attempt::read(Fields::of(Json::decode($line), '', ['response'])));
        }
    },
    function () use ($lines): void {
        foreach ($lines as $line) {
            json_encode(json_decode($line));
        }
    },
    400,
    ANSWERS,
);
exit($bench->end());
