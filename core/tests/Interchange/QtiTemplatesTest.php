<?php

declare(strict_types=1);

use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Qti2\Edition2;
use WideQuarry\Interchange\Qti30\ItemWriter;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\Questions;
use WideQuarry\Tests\Support\ResponseProcessing;

// Values that vary: what chance draws is taken from our roll, everything that follows from it is worked out by the evaluator of the
// standard.

/** @param  list<array<string, mixed>>  $rules */
function varied(array $variables, array $rules, array $conditions = []): Question
{
    return Questions::of(
        [Questions::typed('number', $rules, 2)],
        [
            'variables' => ['list' => $variables, ...$conditions === [] ? [] : ['conditions' => $conditions]],
            'body' => '<p>From <var data-value="a"></var> on <span data-part="p1"></span></p>',
        ],
    );
}

/** What was typed, marked here. */
function marked(Question $question, string $typed, Seed $seed): float
{
    return (float) Exact::number(
        (new Scorer)->score($question, new Attempt((object) [$question->parts[0]->id => (object) ['text' => $typed]], $seed))->exact,
    );
}

$whole = fn (string $name, int $from, int $to, array $more = []): array => [
    'name' => $name,
    'kind' => 'integer',
    'from' => "$from",
    'to' => "$to",
    ...$more,
];
$follows = fn (string $name, string $expr): array => ['name' => $name, 'kind' => 'expr', 'expr' => $expr];
$is = fn (string $expr, string $credit = '1', array $more = []): array => [
    'answer' => 'value',
    'value' => ['expr' => $expr],
    'credit' => $credit,
    ...$more,
];

it('writes values that vary as template variables, and reads them back', function (Question $question): void {
    $written = (new ItemWriter([]))->write($question, []);
    expect($written->notices)->toBe([]);
    foreach ([$written->xml, Edition2::v22()->lower($written->xml), Edition2::v21()->lower($written->xml)] as $xml) {
        $found = readItem($xml);
        expect(array_map(fn (Notice $notice): string => $notice->message, $found->notices))->toBe([]);
        $back = Questions::read($found->questions[0]);
        expect($back->body)->toContain('<var data-value="a">');
        $seen = [];
        for ($n = 1; $n <= 12; $n++) {
            $seed = Seed::of($n);
            $drawn = Questions::drawn($question, $seed);
            expect(Questions::drawn($back, $seed))->toBe($drawn);
            foreach (
                [...array_values($drawn), ...array_map(fn (string|float $value): float => (float) $value + 0.25, $drawn), 7.0] as $typed
            ) {
                $typed = is_float($typed) ? rtrim(rtrim(sprintf('%.6F', $typed), '0'), '.') : $typed;
                $score = marked($question, $typed, $seed);
                $seen["$score"] = true;
                expect(ResponseProcessing::score($xml, ['RESPONSE' => [$typed]], $drawn))
                    ->toBe($score, "$typed of ".json_encode($drawn))
                    ->and(marked($back, $typed, $seed))
                    ->toBe($score);
            }
        }
        expect(count($seen))->toBeGreaterThan(1);
    }
})->with([
    'a sum' => [varied([$whole('a', 2, 9), $whole('b', -5, 5), $follows('c', 'a + b')], [$is('c'), $is('c + 1/4', '1/2')])],
    'but not one value' => [varied([$whole('a', 1, 5, ['except' => ['3']]), $follows('c', 'a^2')], [$is('a^2')])],
    'in steps, with a condition' => [
        varied(
            [$whole('a', 2, 40, ['step' => '2']), $whole('b', 1, 9), $follows('c', 'round(a/b, 2)')],
            [$is('c', '1', ['tolerance' => ['kind' => 'absolute', 'width' => '0.01']])],
            ['a > b', 'a != 2*b'],
        ),
    ],
    'a decimal' => [
        varied(
            [
                ['name' => 'a', 'kind' => 'decimal', 'from' => '0.5', 'to' => '4', 'step' => '0.25'],
                $follows('c', 'floor(a) + max(a, 2) - abs(1 - a)'),
            ],
            [$is('floor(a) + max(a, 2) - abs(1 - a)')],
        ),
    ],
    'one of a list' => [
        varied([['name' => 'a', 'kind' => 'list', 'items' => ['2', '3.5', '10']], $follows('c', '(a - 2)*3')], [$is('c')]),
    ],
    'between two that vary' => [
        varied(
            [$whole('a', 2, 9), $follows('c', 'a + 2')],
            [['answer' => 'range', 'from' => ['expr' => 'a'], 'to' => ['expr' => 'c'], 'ends' => 'from', 'credit' => '1']],
        ),
    ],
]);

$near = fn (string $expr): array => $is($expr, '1', ['tolerance' => ['kind' => 'absolute', 'width' => '0.001']]);
$table = ['name' => 't', 'kind' => 'row', 'columns' => ['a', 'rock'], 'rows' => [['2.7', 'slate'], ['2.9', 'basalt'], ['2.65', 'quartz']]];
$some = ['name' => 's', 'kind' => 'sample', 'items' => ['2', '3.5', '5', '8'], 'count' => 2];

it('says every function it can in the standard, and reads it back', function (Question $question): void {
    $written = (new ItemWriter([]))->write($question, []);
    expect($written->notices)->toBe([]);
    $found = readItem($written->xml);
    expect(array_map(fn (Notice $notice): string => $notice->message, $found->notices))->toBe([]);
    $back = Questions::read($found->questions[0]);
    $seen = [];
    for ($n = 1; $n <= (getenv('QUARRY_LONG') ? 200 : 12); $n++) {
        $seed = Seed::of($n);
        $chance = Questions::chance($question, $seed);
        $drawn = Questions::drawn($question, $seed);
        expect(Questions::drawn($back, $seed))->toEqualCanonicalizing($drawn);
        $typed = is_float($drawn['c'] ?? null) ? $drawn['c'] : 4.0;
        foreach ([$typed, $typed + 0.5] as $answer) {
            $answer = sprintf('%.6F', $answer);
            $score = marked($question, $answer, $seed);
            $seen["$score"] = true;
            expect(ResponseProcessing::score($written->xml, ['RESPONSE' => [$answer]], $chance))
                ->toBe($score, "$answer of ".json_encode($drawn))
                ->and(marked($back, $answer, $seed))->toBe($score);
        }
    }
    expect(count($seen))->toBe(2);
})->with(function () use ($whole, $follows, $near, $table, $some): iterable {
    $functions = [
        'sqrt(a)', 'root(a, 3)', 'root(-a, 3)', 'a^(2/3)', 'a^(1/2)', 'exp(a/5)', 'ln(a)', 'log(a)', 'log(a, 2)',
        'sin(a)', 'cos(a)', 'tan(a/7)', 'asin(a/20)', 'acos(a/20)', 'atan(a)', 'sind(10a)', 'cosd(a*7)', 'tand(4a)',
        'asind(a/20)', 'acosd(a/20)', 'atand(a)', 'min(a, b, 4)', 'max(a, b)', 'mean(a, b, 1)', 'mean([a, b])',
        'sum(a, b, 2)', 'gcd(a, b)', 'lcm(a, b, 4)', 'round(a/b, 2)', 'figures(a/b, 2)', 'floor(a/b)', 'ceil(a/b)',
        'abs(a - b)', 'sign(a - b)', 'mod(a, b)', 'pi*a', 'e^2 + a', 'if(a > b, a, b^2)',
        'if(a = b, 0, if(a > b and not (b = 2), 1, 2))', 'if(a in [2, 4, 6] or b < 3, a, 7)', '2(a + 1)(b + 1)',
    ];
    foreach ($functions as $function) {
        yield $function => [varied([$whole('a', 2, 15), $whole('b', 1, 9), $follows('c', $function)], [$near('c')])];
    }
    yield 'a row of a table' => [varied([$table, $follows('c', 'if(rock = "slate", 2a, a)')], [$near('c')])];
    yield 'some of a list' => [varied([$whole('a', 1, 9), $some, $follows('c', 'a*s[1] - s[2]')], [$near('c')], ['s[1] > 2'])];
    yield 'all of them together' => [varied([$whole('a', 1, 9), $some, $follows('c', 'mean(s) + a')], [$near('c')])];
    yield 'a name that means something else there' => [varied([$whole('a', 1, 9), $follows('c', 'a + 1')], [$near('c')])];
});

it('keeps rows and samples what they are', function () use ($follows, $near, $table, $some): void {
    $question = varied([$table, $some, $follows('c', 'a*s[1]')], [$near('c')], ['s[1] < s[2]']);
    $back = Questions::read(readItem((new ItemWriter([]))->write($question, [])->xml)->questions[0]);
    $kinds = array_map(fn ($variable): string => "$variable->name $variable->kind", $back->variables->list);
    expect($kinds)->toBe(['t row', 's sample', 'c expr'])->and($back->variables->conditions)->toBe(['s[1] < s[2]']);
});

it('gives one roll where the standard has no words for it, and says so', function (string $expression) use ($whole, $follows, $near): void {
    $question = varied([$whole('a', 2, 9), $follows('c', $expression)], [$near('c')]);
    $written = (new ItemWriter([]))->write($question, []);
    expect(array_column(array_map(fn (Notice $notice): array => ['code' => $notice->code], $written->notices), 'code'))
        ->toBe(['qti.templates'])->and($written->xml)->not->toContain('template-declaration');
})->with(['a!', 'binom(9, a)', '1 + if(a > 4, 1, 2)', 'root(a, a)', 'round(a, a)', '[1, 2, 3, 4, 5, 6, 7, 8, 9][a]']);

it('takes tools along as companion materials, and tells of a time limit', function (array $tools): void {
    $question = Questions::of([Questions::choice(['a' => '1', 'b' => ''])], ['tools' => (object) $tools, 'time_limit' => 90]);
    $written = (new ItemWriter([]))->write($question, []);
    expect(array_map(fn (Notice $notice): string => $notice->code, $written->notices))->toBe(['time_limit']);
    $found = readItem($written->xml);
    expect((array) ($found->questions[0]->tools ?? []))->toBe($tools)->and($found->notices)->toBe([]);
})->with([
    'none' => [[]],
    'a calculator' => [['calculator' => 'scientific']],
    'all of them' => [['calculator' => 'basic', 'ruler' => true, 'protractor' => true]],
]);

$item = fn (
    string $templates,
    string $test,
): string => '<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="i1" title="T" xml:lang="en">'.
    '<qti-response-declaration identifier="RESPONSE" cardinality="single" base-type="float"/>'.
    '<qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/>'.
    '<qti-template-declaration identifier="A" cardinality="single" base-type="integer"/>'.
        '<qti-template-declaration identifier="B" cardinality="single" base-type="float"/><qti-template-processing>'.
    $templates.
    '</qti-template-processing><qti-item-body>'.
        '<p>Of <qti-printed-variable identifier="A" format="%i"/> <qti-text-entry-interaction response-identifier="RESPONSE"/></p>'.
        '</qti-item-body><qti-response-processing'.
    $test.
    '</qti-response-processing></qti-assessment-item>';
$set = fn (string $id, string $value): string => "<qti-set-template-value identifier=\"$id\">$value</qti-set-template-value>";
$of = fn (string $id): string => "<qti-variable identifier=\"$id\"/>";
$correct = '<qti-set-correct-response identifier="RESPONSE"><qti-variable identifier="B"/></qti-set-correct-response>';
$template = ' template="https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml">';
$near =
    '><qti-response-condition><qti-response-if><qti-equal tolerance-mode="absolute" tolerance="0.5 0.5">'.
        '<qti-variable identifier="RESPONSE"/>%s</qti-equal><qti-set-outcome-value identifier="SCORE">'.
        '<qti-base-value base-type="float">1</qti-base-value></qti-set-outcome-value></qti-response-if></qti-response-condition>';

it('reads templates of strangers', function (string $xml): void {
    $found = readItem($xml);
    expect(array_map(fn (Notice $notice): string => $notice->message, $found->notices))->toBe([]);
    $question = Questions::read($found->questions[0]);
    $earned = 0.0;
    for ($n = 1; $n <= 10; $n++) {
        $drawn = Questions::drawn($question, Seed::of($n));
        foreach ([$drawn['B'], $drawn['B'] + 0.5, $drawn['B'] - 1] as $typed) {
            expect(marked($question, (string) $typed, Seed::of($n)))->toBe(
                $there = ResponseProcessing::score($xml, ['RESPONSE' => [(string) $typed]], $drawn),
            );
            $earned += $there;
        }
    }
    expect($earned)->toBeGreaterThanOrEqual(10.0)->toBeLessThan(30.0);
})->with([
    'the right answer is set' => [
        $item(
            $set('A', '<qti-random-integer min="3" max="12"/>').
                $set('B', '<qti-product>'.$of('A').'<qti-base-value base-type="integer">4</qti-base-value></qti-product>').
                $correct,
            $template,
        ),
    ],
    'near the right answer' => [
        $item(
            $set('A', '<qti-random-integer min="3" max="12" step="3"/>').
                $set('B', '<qti-divide>'.$of('A').'<qti-base-value base-type="integer">4</qti-base-value></qti-divide>').
                $correct,
            sprintf($near, '<qti-correct identifier="RESPONSE"/>'),
        ),
    ],
    'near a variable, drawn until it fits' => [
        $item(
            $set('A', '<qti-random-integer min="3" max="12"/>').
                $set(
                    'B',
                    '<qti-random><qti-multiple><qti-base-value base-type="float">2.5</qti-base-value>'.
                        '<qti-base-value base-type="float">7</qti-base-value></qti-multiple></qti-random>',
                ).
                '<qti-template-constraint><qti-lt>'.
                $of('B').
                $of('A').
                '</qti-lt></qti-template-constraint>',
            sprintf($near, $of('B')),
        ),
    ],
]);

it('keeps what it does not understand, and says so', function (string $xml): void {
    $found = readItem($xml);
    expect(array_map(fn (Notice $notice): string => $notice->code, $found->notices))
        ->toContain('qti.templates')
        ->and($found->questions[0]->record->origin->processing)
        ->toContain('template-processing')
        ->and($found->questions[0]->parts[0]->scoring->scheme ?? '')
        ->toBe('person');
})->with([
    'a branch without the other one' => [
        $item(
            $set('A', '<qti-random-integer min="3" max="12"/>').
                '<qti-template-condition><qti-template-if><qti-gt>'.
                $of('A').
                '<qti-base-value base-type="integer">5</qti-base-value></qti-gt>'.
                $set('B', $of('A')).
                '</qti-template-if></qti-template-condition>'.
                $correct,
            $template,
        ),
    ],
    'an operator of one system' => [
        $item(
            $set('A', '<qti-random-integer min="3" max="12"/>').
                $set('B', '<qti-custom-operator class="own.Sum">'.$of('A').'</qti-custom-operator>').
                $correct,
            $template,
        ),
    ],
]);
