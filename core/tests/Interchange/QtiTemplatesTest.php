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
    'a branch' => [
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
