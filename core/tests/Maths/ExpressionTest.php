<?php

declare(strict_types=1);

use Brick\Math\BigRational;
use WideQuarry\Maths\Evaluator;
use WideQuarry\Maths\MathsProblem;
use WideQuarry\Maths\Parser;
use WideQuarry\Numbers\Exact;

$values = ['a' => BigRational::of(3), 'b' => BigRational::of('1/2'), 'rock' => 'basalt'];

it('works out exactly', function (string $expression, string $value) use ($values): void {
    $result = (new Evaluator($values))->value(Parser::parse($expression));
    expect($result instanceof BigRational ? Exact::text($result) : json_encode($result))->toBe($value);
})->with([
    ['1 + 2 * 3', '7'],
    ['(1 + 2) * 3', '9'],
    ['7 - 2 - 1', '4'],
    ['12 / 4 / 3', '1'],
    ['0.1 + 0.2', '3/10'],
    ['1/3 + 1/6', '1/2'],
    ['-2^2', '-4'],
    ['(-2)^2', '4'],
    ['2^-2', '1/4'],
    ['2^3^2', '512'],
    ['--3', '3'],
    ['3 − 5', '-2'],
    ['2 × 3 ÷ 4', '3/2'],
    ['a*b', '3/2'],
    ['a/b', '6'],
    ['1.5e3', '1500'],
    ['round(2.5)', '3'],
    ['round(-2.5)', '-3'],
    ['round(2/3, 2)', '67/100'],
    ['round(1250, -2)', '1300'],
    ['floor(-1/2)', '-1'],
    ['ceil(1/2)', '1'],
    ['abs(-b)', '1/2'],
    ['min(a, b, 2)', '1/2'],
    ['max(a, b)', '3'],
    ['a > b', 'true'],
    ['a ≤ 3', 'true'],
    ['a != 3', 'false'],
    ['rock = "basalt"', 'true'],
    ['rock != "slate"', 'true'],
]);

it('says what is wrong and where', function (string $expression, string $rule, int $offset) use ($values): void {
    try {
        (new Evaluator($values))->value(Parser::parse($expression));
    } catch (MathsProblem $problem) {
        expect([$problem->rule, $problem->offset])->toBe([$rule, $offset]);

        return;
    }
    test()->fail('It was worked out.');
})->with([
    'unknown name' => ['2*c', 'expression.unknown_name', 2],
    'nothing after an operator' => ['2 +', 'expression.syntax', 3],
    'a bracket left open' => ['(1', 'expression.syntax', 2],
    'a stray sign' => ['1 $ 2', 'expression.syntax', 2],
    'empty' => ['', 'expression.syntax', 0],
    'division by zero' => ['1/(a-3)', 'expression.division_by_zero', 1],
    'a broken power' => ['2^b', 'expression.power', 1],
    'a bomb' => ['9^9^9^9', 'expression.power', 3],
    'a slow bomb' => ['(9^400)^400', 'expression.too_large', 7],
    'an unknown function' => ['sqrt(2)', 'expression.unknown_function', 0],
    'words in a sum' => ['rock + 1', 'expression.not_a_number', 5],
    'too many values' => ['abs(1, 2)', 'expression.arguments', 0],
    'too deep' => [str_repeat('(', 200).'1'.str_repeat(')', 200), 'expression.syntax', 100],
]);
