<?php

declare(strict_types=1);

use WideQuarry\Json\Json;
use WideQuarry\Json\Unstorable;

it('removes what no text can hold, and nothing else', function (string $json, string $kept, int $removed): void {
    expect(Unstorable::remove($json))->toBe([$kept, $removed]);
})->with([
    'nothing to remove' => ['{"a":"b"}', '{"a":"b"}', 0],
    'NUL' => ['"a\u0000b"', '"ab"', 1],
    'a lone high surrogate' => ['"a\ud83db"', '"ab"', 1],
    'a lone low surrogate' => ['"\uDE00"', '""', 1],
    'a pair is a character' => ['"\ud83d\ude00"', '"\ud83d\ude00"', 0],
    'a half before a pair' => ['"\ud83d\ud83d\ude00"', '"\ud83d\ude00"', 1],
    'an escaped backslash before letters' => ['"\\\\u0000"', '"\\\\u0000"', 0],
    'an escaped backslash before an escape' => ['"\\\\\u0000"', '"\\\\"', 1],
    'a half as bytes' => ["\"a\xED\xA0\xBDb\"", '"ab"', 1],
    'letters that begin with the same byte' => ['"한글"', '"한글"', 0],
]);

it('reads what holds such characters', fn () => expect(Json::decode('{"a":"x\u0000\ud800y"}'))->toEqual((object) ['a' => 'xy']));
