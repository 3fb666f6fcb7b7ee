<?php

declare(strict_types=1);

use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;
use WideQuarry\Variables\Value;

it('is what the author wrote, or an expression over the values', function (mixed $json, string $number, string $words): void {
    $roll = new Roll(['m' => Exact::of('5'), 'v' => Exact::of('2')], ['m' => '5.0']);
    $value = Value::read($json, '/value');

    expect(Exact::text($value->number($roll)))->toBe($number)->and($value->words($roll, 'de'))->toBe($words);
})->with([
    'text' => ['2.50', '5/2', '2.50'],
    'text with spaces' => [' 3 ', '3', ' 3 '],
    'an expression' => [(object) ['expr' => 'm / v'], '5/2', '2,5'],
    'one name alone, as it was shown' => [(object) ['expr' => 'm'], '5', '5.0'],
]);

it('says where it cannot be worked out', function (mixed $json): void {
    $number = fn () => Value::read($json, '/parts/0/key/rules/1/on/value')->number(new Roll);

    expect($number)->toThrow(fn (RollProblem $problem) => expect($problem->path)->toBe('/parts/0/key/rules/1/on/value'));
})->with(['words' => ['slate'], 'nothing' => [''], 'an unknown name' => [(object) ['expr' => 'm']], 'no expression' => [(object) ['expr' => '1 +']]]);

it('refuses what is neither text nor an expression', function (mixed $json): void {
    expect(fn () => Value::read($json, '/v'))->toThrow(Malformed::class);
})->with([[2], [null], [[]], [(object) []], [(object) ['expr' => 2]], [str_repeat('x', 1001)]]);
