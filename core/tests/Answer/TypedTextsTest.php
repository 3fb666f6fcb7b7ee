<?php

declare(strict_types=1);

use WideQuarry\Answer\EditDistance;
use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Answer\Normaliser;
use WideQuarry\Answer\NumberMatcher;
use WideQuarry\Answer\Pattern;
use WideQuarry\Answer\PatternExample;
use WideQuarry\Answer\TextMatcher;
use WideQuarry\Json\Malformed;
use WideQuarry\Numbers\Exact;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\Value;

/** The same by its definition: no piece is edited twice (optimal string alignment), every way tried. */
function editsByDefinition(string $a, string $b): int
{
    if ($a === '' || $b === '') {
        return strlen($a) + strlen($b);
    }
    $ways = [
        editsByDefinition(substr($a, 1), $b) + 1,
        editsByDefinition($a, substr($b, 1)) + 1,
        editsByDefinition(substr($a, 1), substr($b, 1)) + ($a[0] === $b[0] ? 0 : 1),
    ];
    if (strlen($a) > 1 && strlen($b) > 1 && $a[0] === $b[1] && $a[1] === $b[0]) {
        $ways[] = editsByDefinition(substr($a, 2), substr($b, 2)) + 1;
    }

    return min($ways);
}

it('counts edits as the definition does, for all short words of two letters', function (): void {
    $words = [''];
    foreach (range(1, 4) as $length) {
        foreach (range(0, 2 ** $length - 1) as $bits) {
            $words[] = strtr(str_pad(decbin($bits), $length, '0', STR_PAD_LEFT), '01', 'ab');
        }
    }
    foreach ($words as $one) {
        foreach ($words as $other) {
            expect(EditDistance::between($one, $other, 9))->toBe(editsByDefinition($one, $other), "$one, $other");
        }
    }
});

it('compares words of up to 200 letters, and gives up beyond the limit', function (): void {
    $long = str_repeat('a', 200);

    expect(EditDistance::between($long, $long, 0))->toBe(0)
        ->and(EditDistance::between("{$long}a", "{$long}a", 9))->toBeNull()
        ->and(EditDistance::between("{$long}a", $long, 9))->toBeNull()
        ->and(EditDistance::between('abc', 'abcdef', 3))->toBe(3)
        ->and(EditDistance::between('abc', 'abcdef', 2))->toBeNull()
        ->and(EditDistance::between('', '', 0))->toBe(0)
        ->and(EditDistance::between('é', '', 1))->toBe(1);
});

it('makes an example of what a shape asks for, sign by sign', function (string $pattern, ?string $expected): void {
    expect(PatternExample::of($pattern, true, false))->toBe($expected);
})->with([
    'digits count up and begin again after 9' => ['\d{12}', '123456789012'],
    'letters begin again after z' => ['\w{27}', 'abcdefghijklmnopqrstuvwxyza'],
    'any signs are letters' => ['.{3}', 'abc'],
    'digits and letters share the count' => ['\d\w\d', '1b3'],
    'small letters alone' => ['[a-f]{7}', 'abcdefa'],
    'capitals before small ones' => ['[a-cA-B]{3}', 'ABa'],
    'punctuation of a set' => ['1[.,]5', '1.5'],
    'one sign of a set' => ['[é]', 'é'],
    'one escaped sign of a set' => ['[\\]]', ']'],
    'a set of what is not' => ['[^0-9A-Z]{2}', 'ab'],
    'the only digit' => ['[0]{2}', '00'],
    'a digit that is not 0 first' => ['[0-9]', '1'],
    'a space' => ['a\sb', 'a b'],
    'borders are nothing' => ['\bab\b', 'ab'],
    'beginning and end' => ['^ab$', 'ab'],
    'at least two' => ['a{2,}', 'aa'],
    'two to three' => ['a{2,3}', 'aa'],
    'none or more' => ['ba*', 'b'],
    'one or more, as few as can be' => ['ba+?', 'ba'],
    'one or more, and no way back' => ['ba++', 'ba'],
    'a group twice' => ['(?:ab){2}', 'abab'],
    'a named group' => ['(?<year>\d)x', '1x'],
    'a group with its own options' => ['(?i:ab)', 'ab'],
    'the second alternative is read, the first is shown' => ['ab|cd', 'ab'],
    'an alternative that cannot be read' => ['ab|(?=c)', null],
    'a group that does not end' => ['(ab', null],
    'looking back' => ['(?<=a)b', null],
    'an escape that is no sign' => ['\pL', null],
    'repeating nothing' => ['*a', null],
    'only spaces' => ['\s', null],
]);

it('takes a rule\'s own options before those of the question', function (): void {
    $question = NormaliseOptions::read((object) ['case' => 'keep', 'accents' => 'ignore'], '');
    $rule = NormaliseOptions::read((object) ['punctuation' => 'ignore'], '');
    $both = $question->overriddenBy($rule);
    $none = $question->overriddenBy(NormaliseOptions::read((object) [], ''));

    expect((new Normaliser($both, 'en'))->apply('Café!'))->toBe('Cafe')
        ->and((new Normaliser($none, 'en'))->apply('Café!'))->toBe('Cafe!')
        ->and((new Normaliser($question->withCase('ignore'), 'en'))->apply('Café!'))->toBe('cafe!');
});

it('reads what a rule about text says, within its bounds', function (array $json, array $read): void {
    $matcher = TextMatcher::read((object) $json, '');

    expect([$matcher->slips, $matcher->pattern, $matcher->anchored, $matcher->case, $matcher->piece])->toBe($read);
})->with([
    'with what is usual' => [['answer' => 'is'], [1, '', true, null, null]],
    'with all' => [
        ['answer' => 'shape', 'slips' => 10, 'pattern' => str_repeat('a', 2000), 'anchored' => false, 'case' => 'keep', 'piece' => 'w1'],
        [10, str_repeat('a', 2000), false, 'keep', 'w1'],
    ],
]);

it('refuses a rule about text beyond its bounds', function (array $json): void {
    expect(fn () => TextMatcher::read((object) $json, ''))->toThrow(Malformed::class);
})->with([
    'no answer' => [[]],
    'an unknown answer' => [['answer' => 'rhymes']],
    'no slip' => [['answer' => 'slips', 'slips' => 0]],
    'eleven slips' => [['answer' => 'slips', 'slips' => 11]],
    'a pattern of 2001 characters' => [['answer' => 'shape', 'pattern' => str_repeat('a', 2001)]],
    '201 texts' => [['answer' => 'is', 'text' => array_fill(0, 201, 'a')]],
    'a case of no kind' => [['answer' => 'is', 'case' => 'upper']],
]);

it('takes 200 texts and a shape of 500 characters', function (): void {
    expect(TextMatcher::read((object) ['answer' => 'is', 'text' => array_fill(0, 200, 'a')], '')->texts)->toHaveCount(200)
        ->and(Pattern::of(str_repeat('a', 500), true, true)->problem)->toBeNull()
        ->and(Pattern::of(str_repeat('a', 501), true, true)->problem)->not->toBeNull();
});

it('says a rule about numbers in words', function (array $json, string $words): void {
    expect(NumberMatcher::read(json_decode((string) json_encode($json)), '')->inWords(new Roll, 'en'))->toBe($words);
})->with([
    [['answer' => 'value', 'value' => '2.65'], '2.65'],
    [['answer' => 'value', 'value' => '2.65', 'tolerance' => ['kind' => 'absolute', 'width' => '0.05']], '2.65 ± 0.05'],
    [['answer' => 'value', 'value' => '2', 'tolerance' => ['kind' => 'percent', 'width' => '5']], '2 ± 5 %'],
    [['answer' => 'value', 'value' => '2', 'tolerance' => ['kind' => 'places', 'digits' => 1]], '2 to 1 decimal'],
    [['answer' => 'value', 'value' => '2', 'tolerance' => ['kind' => 'figures', 'digits' => 3]], '2 to 3 figures'],
    [['answer' => 'set', 'values' => ['1', '2']], '1 / 2'],
    [['answer' => 'range', 'from' => '1', 'to' => '3'], 'from 1 to 3'],
    [['answer' => 'range', 'from' => '1', 'to' => '3', 'ends' => 'from'], 'from 1 to 3, without the end'],
    [['answer' => 'range', 'from' => '1', 'to' => '3', 'ends' => 'to'], 'from 1 to 3, without the beginning'],
    [['answer' => 'range', 'from' => '1', 'to' => '3', 'ends' => 'none'], 'from 1 to 3, without the ends'],
    [['answer' => 'range', 'from' => '1'], 'from 1 on'],
    [['answer' => 'range', 'to' => '3'], 'up to 3'],
    [['answer' => 'otherwise'], 'any other number'],
]);

it('knows which numbers of a range it takes', function (string $ends, array $taken): void {
    $range = NumberMatcher::read((object) ['answer' => 'range', 'from' => '1', 'to' => '3', 'ends' => $ends], '');
    $accepted = array_filter(['0.9', '1', '2', '3', '3.1'], fn (string $number): bool => $range->accepts(Exact::of($number), new Roll));

    expect(array_values($accepted))->toBe($taken);
})->with([
    ['both', ['1', '2', '3']],
    ['from', ['1', '2']],
    ['to', ['2', '3']],
    ['none', ['2']],
]);

it('knows whether a rule names a number at all, and as it was written', function (array $json, bool $isEmpty, array $sources): void {
    $matcher = NumberMatcher::read((object) $json, '');

    expect([$matcher->isEmpty(), $matcher->sources()])->toBe([$isEmpty, $sources]);
})->with([
    [['answer' => 'value'], true, []],
    [['answer' => 'value', 'value' => '2.50'], false, ['2.50']],
    [['answer' => 'set', 'values' => ['1', '2']], false, ['1', '2']],
    [['answer' => 'range'], true, []],
    [['answer' => 'range', 'from' => '1'], false, ['1']],
    [['answer' => 'range', 'to' => '3'], false, ['3']],
    [['answer' => 'otherwise'], false, []],
]);

it('lists every value of a number that has to be readable', function (array $on, array $values): void {
    $matcher = NumberMatcher::read(json_decode((string) json_encode($on)), '');
    $written = array_map(fn (Value $value): string => $value->source(), $matcher->values());

    expect($written)->toBe($values)->and(array_is_list($matcher->values()))->toBeTrue();
})->with([
    'one' => [['answer' => 'value', 'value' => '3'], ['3']],
    'a width' => [['answer' => 'value', 'value' => '3', 'tolerance' => ['kind' => 'percent', 'width' => '2']], ['3', '2']],
    'digits are no value' => [['answer' => 'value', 'value' => '3', 'tolerance' => ['kind' => 'places', 'digits' => 2]], ['3']],
    'a range open below' => [['answer' => 'range', 'to' => '9', 'ends' => 'both'], ['9']],
    'a range' => [['answer' => 'range', 'from' => '1', 'to' => '9', 'ends' => 'both'], ['1', '9']],
]);

it('knows whether the way a number is written counts', function (mixed $tolerance, bool $counts): void {
    $on = (object) ['answer' => 'value', 'value' => '3', ...$tolerance === null ? [] : ['tolerance' => (object) $tolerance]];
    expect(NumberMatcher::read($on, '')->asksForWriting())->toBe($counts);
})->with([
    'no tolerance' => [null, false],
    'only near enough' => [['kind' => 'places', 'digits' => 2, 'written' => false], false],
    'and so written' => [['kind' => 'places', 'digits' => 2, 'written' => true], true],
]);

it('refuses shapes and answers that are longer than it looks at', function (): void {
    expect(Pattern::of(str_repeat('a', 500), true, false)->problem)
        ->toBeNull()
        ->and(Pattern::of(str_repeat('a', 501), true, false)->problem)
        ->toContain('500')
        ->and(Pattern::of('a+', true, false)->matches(str_repeat('a', 4000)))
        ->toBeTrue()
        ->and(Pattern::of('a+', true, false)->matches(str_repeat('a', 4001)))
        ->toBeFalse();
});
