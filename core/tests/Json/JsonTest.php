<?php

declare(strict_types=1);

use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;

it('reads what was stored as an object, and takes anything else for our own mistake', function (): void {
    expect(Json::object('{"0": {}, "a": []}'))->toEqual((object) ['0' => new stdClass, 'a' => []])
        ->and(fn () => Json::object('[]'))->toThrow(LogicException::class)
        ->and(fn () => Json::object('null'))->toThrow(LogicException::class)
        ->and(fn () => Json::object('{'))->toThrow(Malformed::class);
});

it('reads a stored list of texts, without what is none', function (string $json, array $texts): void {
    expect(Json::texts($json))->toBe($texts);
})->with([
    'a path' => ['["Unit 4", "Homework", "0"]', ['Unit 4', 'Homework', '0']],
    'nothing' => ['[]', []],
    'other things among them' => ['["a", 1, null, ["b"], "c"]', ['a', 'c']],
    'no list' => ['{"a": "b"}', []],
    'null' => ['null', []],
]);

it('copies deeply', function (): void {
    $from = Json::object('{"a": [{"b": 1}]}');
    $copy = Json::copy($from);
    assert($copy instanceof stdClass);
    $copy->a[0]->b = 2;
    expect(Json::encode($from))->toBe('{"a":[{"b":1}]}')->and(Json::encode($copy))->toBe('{"a":[{"b":2}]}');
});
