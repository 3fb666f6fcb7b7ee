<?php

declare(strict_types=1);

use Brick\Math\BigRational;
use WideQuarry\Maths\Approximation;
use WideQuarry\Maths\Arithmetic;
use WideQuarry\Maths\Evaluator;
use WideQuarry\Maths\FunctionTable;
use WideQuarry\Maths\MathsProblem;
use WideQuarry\Maths\Parser;
use WideQuarry\Numbers\Exact;

$values = ['a' => BigRational::of(3), 'b' => BigRational::of('1/2'), 'rock' => 'basalt'];

it('works out exactly', function (string $expression, string $value) use ($values): void {
    $result = (new Evaluator($values))->value(Parser::parse($expression));
    expect($result instanceof BigRational ? Exact::text($result) : json_encode($result, JSON_THROW_ON_ERROR))->toBe($value);
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
    ['2a', '6'],
    ['1/2a', '3/2'],
    ['2(a + 1)(b + 1)', '12'],
    ['5!/3!', '20'],
    ['2^3!', '64'],
    ['8^(2/3)', '4'],
    ['(4/9)^(1/2)', '2/3'],
    ['0 < b < 1 < a', 'true'],
    ['0 < b < 1 < a < 3', 'false'],
    ['a = 1 or b < 1 and not a > 3', 'true'],
    ['a in [1, 3, 5]', 'true'],
    ['rock in ["slate", "marble"]', 'false'],
    ['[4, 5, 6][2]', '5'],
    ['sum([1, 2], a)', '6'],
    ['mean(1, 2, 4)', '7/3'],
    ['gcd(12, 18, 8)', '2'],
    ['lcm(4, 6, 10)', '60'],
    ['mod(-7, 3)', '2'],
    ['figures(0.0123456, 3)', '123/10000'],
    ['sign(-b)', '-1'],
    ['binom(50, 25)', '126410606437752'],
    ['if(a = 3, "three", 1/0)', '"three"'],
    ['if(a > 3, 1/0, b)', '1/2'],
    ['"the ""blue"" schist"', '"the \"blue\" schist"'],
]);

it('is exact where the result is', function (string $expression, string $value): void {
    $result = (new Evaluator([]))->value(Parser::parse($expression));
    expect($result)->not->toBeInstanceOf(Approximation::class)->and(Exact::text(Arithmetic::rational($result)))->toBe($value);
})->with([
    ['sqrt(9/16)', '3/4'], ['root(-27, 3)', '-3'], ['root(1024, 10)', '2'], ['log(1000)', '3'], ['log(0.01)', '-2'], ['log(8, 4)', '3/2'],
    ['sind(30)', '1/2'], ['sind(-30)', '-1/2'], ['cosd(120)', '-1/2'], ['cosd(90)', '0'], ['tand(225)', '1'], ['sind(1170)', '1'],
    ['asind(0.5)', '30'], ['acosd(-1/2)', '120'], ['atand(-1)', '-45'], ['exp(0)', '1'], ['ln(1)', '0'], ['sin(0)', '0'], ['acos(1)', '0'],
]);

// Known to 30 figures: constants of the OEIS (A002193, A002390 …), tables of Abramowitz and Stegun 1964, and what follows from them.
it('is right to 30 figures otherwise', function (string $expression, string $value): void {
    $result = (new Evaluator([]))->value(Parser::parse($expression));
    expect($result)->toBeInstanceOf(Approximation::class)
        ->and((string) Exact::toFigures(Arithmetic::rational($result), 30))->toBe($value);
})->with([
    ['sqrt(2)', '1.41421356237309504880168872421'],
    ['2^(1/2)', '1.41421356237309504880168872421'],
    ['root(2, 3)', '1.25992104989487316476721060728'],
    ['pi', '3.14159265358979323846264338328'],
    ['e', '2.71828182845904523536028747135'],
    ['exp(1)', '2.71828182845904523536028747135'],
    ['exp(-1)', '0.367879441171442321595523770161'],
    ['ln(2)', '0.693147180559945309417232121458'],
    ['ln(10)', '2.30258509299404568401799145468'],
    ['ln(0.00012345)', '-8.99967434217308559423805410188'],
    ['log(2)', '0.301029995663981195213738894724'],
    ['log(3, 2)', '1.58496250072115618145373894395'],
    ['sin(1)', '0.841470984807896506652502321630'],
    ['cos(1)', '0.540302305868139717400936607443'],
    ['tan(1)', '1.55740772465490223050697480746'],
    ['cos(100000)', '-0.999360807438212451891135414145'],
    ['sind(45)', '0.707106781186547524400844362105'],
    ['tand(60)', '1.73205080756887729352744634151'],
    ['atan(1)', '0.785398163397448309615660845820'],
    ['asin(1/2)', '0.523598775598298873077107230547'],
    ['acos(1/2)', '1.04719755119659774615421446109'],
    ['atan(1000)', '1.56979632712822975256479788200'],
]);

it('keeps a bound of the error that holds', function (string $zero): void {
    $result = Arithmetic::approximate((new Evaluator([]))->value(Parser::parse($zero)));
    expect($result->mayBeZero())->toBeTrue()->and($result->error()->decimal()->isLessThan('1e-30'))->toBeTrue()
        ->and(Exact::text($result->toRational()))->toBe('0');
})->with([
    ['sqrt(2)^2 - 2'], ['root(7, 5)^5 - 7'], ['exp(ln(5)) - 5'], ['ln(6) - ln(2) - ln(3)'], ['sin(2)^2 + cos(2)^2 - 1'], ['sin(pi)'],
    ['sin(1.4) - 2 sin(0.7) cos(0.7)'], ['tan(atan(3/7)) - 3/7'], ['sin(asin(0.3)) - 0.3'], ['asin(0.3) + acos(0.3) - pi/2'],
    ['exp(-20) exp(20) - 1'], ['2^0.3*2^0.7 - 2'], ['log(7) - ln(7)/ln(10)'], ['sind(72) - sqrt(10 + 2 sqrt(5))/4'], ['4 atan(1) - pi'],
]);

it('takes as equal what cannot be told apart, and never less', function (): void {
    $holds = fn (string $condition): mixed => (new Evaluator([]))->value(Parser::parse($condition));
    expect($holds('sqrt(2) sqrt(3) = sqrt(6)'))->toBeTrue()->and($holds('sqrt(2) sqrt(3) < sqrt(6)'))->toBeFalse()
        ->and($holds('sqrt(2) < 1.41421356237309504880168872421'))->toBeTrue()
        ->and($holds('sqrt(2) > 1.41421356237309504880168872420'))->toBeTrue()
        ->and($holds('22/7 = pi'))->toBeFalse();
});

it('lists every function it knows, and no other', function (): void {
    foreach (FunctionTable::SIGNATURES as $name => $arguments) {
        $count = count(array_filter(explode(', ', $arguments), fn (string $one): bool => ! str_ends_with($one, '?') && $one !== '…'));
        $call = "$name(".implode(', ', $name === 'if' ? ['1 = 1', '1', '1'] : array_fill(0, $count, '1')).')';
        expect(fn () => (new Evaluator([]))->value(Parser::parse($call)))->not->toThrow(LogicException::class);
    }
});

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
    'division by zero' => ['1/(a-3)', 'division.by_zero', 1],
    'division by what cannot be told from zero' => ['1/(sqrt(2)^2 - 2)', 'division.by_zero', 1],
    'a bomb' => ['9^9^9^9', 'expression.too_large', 3],
    'a bomb of tens' => ['10^9^9', 'expression.too_large', 2],
    'a slow bomb' => ['(9^400)^400', 'expression.too_large', 7],
    'a factorial that is too large' => ['2000!', 'expression.too_large', 4],
    'a root of a negative number' => ['1 + sqrt(2 - a)', 'root.of_negative', 4],
    'a power of a negative number' => ['(-8)^(1/3)', 'root.of_negative', 4],
    'a logarithm of nothing' => ['ln(a - 3)', 'logarithm.not_positive', 0],
    'an angle there is not' => ['asind(a)', 'angle.outside_one', 0],
    'a factorial of a part' => ['b!', 'number.not_whole', 1],
    'an unknown function' => ['cube(2)', 'expression.unknown_function', 0],
    'a value as a function' => ['a(2 + 1)', 'expression.unknown_function', 0],
    'a function without brackets' => ['2*sqrt', 'expression.unknown_name', 2],
    'a number as a condition' => ['not a', 'expression.not_a_condition', 0],
    'no such item' => ['[1, 2][3]', 'list.no_such_item', 6],
    'an item of a number' => ['a[1]', 'expression.not_a_list', 1],
    'two names side by side' => ['a b', 'expression.syntax', 2],
    'words in a sum' => ['rock + 1', 'expression.not_a_number', 5],
    'too many values' => ['abs(1, 2)', 'expression.arguments', 0],
    'too deep' => [str_repeat('(', 200).'1'.str_repeat(')', 200), 'expression.syntax', 100],
]);
