<?php

declare(strict_types=1);

use WideQuarry\Checks\Completeness;
use WideQuarry\Content\Pieces;
use WideQuarry\Converting\FaultyText;
use WideQuarry\Finding;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\PartResult;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Tests\Support\Questions;

/** @param  array<string, mixed>  $settings */
function single(string $kind, array $settings, array $rules = [], array $scoring = [], int $points = 1): Question
{
    $rules = array_map(fn (int $i, array $rule): array => ['id' => 'r'.($i + 1), 'credit' => '1', ...$rule], array_keys($rules), $rules);

    return Questions::of(
        [
            [
                'id' => 'p1',
                'kind' => $kind,
                'points' => $points,
                'settings' => $settings,
                'key' => ['rules' => $rules],
                ...$scoring === [] ? [] : ['scoring' => $scoring],
            ],
        ],
        ['body' => '<p>Q</p><div data-part="p1"></div>'],
    );
}

function resultOf(Question $question, array $response): PartResult
{
    return (new Scorer)->score($question, new Attempt((object) ['p1' => json_decode(json_encode($response))], Seed::of(1)))->parts[0];
}

/** @return list<string> */
function found(Question $question): array
{
    return array_map(fn (Finding $finding): string => $finding->code, (new Completeness)->findings($question));
}

$items = fn (string ...$ids): array => array_map(fn (string $id): array => ['id' => $id, 'html' => $id], $ids);
$order = fn (array $items, array $ranks, array $scoring = []): Question => single(
    'order',
    ['items' => $items],
    [['on' => $ranks]],
    $scoring,
);
$notes =
    '<p>The <span data-piece="a">medial</span> moraine, <span data-piece="b">carried</span> by <span data-piece="c">wind</span>.</p>';
$amend = fn (array $scoring = []): Question => single(
    'amend',
    ['text' => $notes],
    [
        ['on' => ['answer' => 'is', 'text' => ['lateral'], 'piece' => 'a']],
        ['on' => ['answer' => 'is', 'text' => ['ice', 'the ice'], 'piece' => 'c']],
        ['on' => ['answer' => 'is', 'text' => ['water'], 'piece' => 'c'], 'credit' => '1/2'],
    ],
    $scoring,
    2,
);

it('mends what is faulty, word by word', function (array $scoring, array $amends, string $credit) use ($amend): void {
    expect((string) resultOf($amend($scoring), ['amends' => $amends])->credit)->toBe($credit);
})->with([
    'both' => [[], ['a' => 'Lateral', 'c' => 'the ice'], '1'],
    'one' => [[], ['a' => 'lateral'], '1/2'],
    'one, and half of the other' => [[], ['a' => 'lateral', 'c' => 'water'], '3/4'],
    'found only' => [[], ['a' => 'central'], '0'],
    'found only, which earns a half' => [['find' => '1/2'], ['a' => 'central', 'c' => ''], '1/2'],
    'a false find costs one fault' => [[], ['a' => 'lateral', 'c' => 'ice', 'b' => 'moved'], '1/2'],
    'a false find at half the cost' => [['cost' => '1/2'], ['a' => 'lateral', 'c' => 'ice', 'b' => 'moved'], '3/4'],
    'never below nothing' => [[], ['b' => 'moved'], '0'],
    'all: everything' => [['scheme' => 'all'], ['a' => 'lateral', 'c' => 'ice'], '1'],
    'all: with a false find' => [['scheme' => 'all'], ['a' => 'lateral', 'c' => 'ice', 'b' => 'x'], '0'],
    'typing what stands there changes nothing' => [[], ['a' => 'lateral', 'c' => 'ice', 'b' => 'Carried'], '1'],
]);

it('picks pieces by the schemes of picking', function (): void {
    $question = single(
        'highlight',
        ['text' => ($text = '<p><span data-piece="a">x</span> <span data-piece="b">y</span> <span data-piece="c">z</span></p>')],
        [['on' => 'a'], ['on' => 'b']],
        ['scheme' => 'balance'],
        2,
    );
    expect((string) resultOf($question, ['chosen' => ['a', 'c']])->credit)
        ->toBe('0')
        ->and((string) resultOf($question, ['chosen' => ['a', 'b']])->credit)
        ->toBe('1')
        ->and((string) resultOf($question, ['chosen' => ['b']])->credit)
        ->toBe('1/2');
});

it('sets a value that lies on the scale, exactly', function (string $value, string $credit): void {
    $question = single(
        'slider',
        ['from' => '0', 'to' => '1', 'step' => '0.1'],
        [
            ['on' => ['answer' => 'value', 'value' => '0.3']],
            ['on' => ['answer' => 'range', 'from' => '0.2', 'to' => '0.4'], 'credit' => '1/2'],
        ],
    );
    $result = resultOf($question, ['value' => $value]);
    expect($credit === 'off' ? $result->trace[0]['reason'] : (string) $result->credit)->toBe(
        $credit === 'off' ? 'slider.off_scale' : $credit,
    );
})->with([['3/10', '1'], ['0.3', '1'], ['2/5', '1/2'], ['1', '0'], ['0.35', 'off'], ['1.1', 'off'], ['x', 'off']]);

it('takes an opinion without judging it', function (): void {
    $question = single('survey', ['scale' => ['from' => 1, 'to' => 5]], [], [], 0);
    $result = (new Scorer)->score($question, new Attempt((object) ['p1' => (object) ['chosen' => ['3']]], Seed::of(1)));
    expect($result->state)
        ->toBe('unscored')
        ->and($result->parts[0]->state)
        ->toBe('unscored')
        ->and($result->counts)
        ->toBeFalse()
        ->and(resultOf($question, ['chosen' => ['9']])->trace[0]['reason'])
        ->toBe('survey.unknown_option')
        ->and(resultOf($question, ['chosen' => ['1', '2']])->trace[0]['reason'])
        ->toBe('survey.too_many');
    // Beside a part that is marked it neither adds nor takes.
    $both = Questions::of(
        [
            Questions::choice(['a' => '1', 'b' => '']),
            [
                'id' => 'p2',
                'kind' => 'survey',
                'points' => 0,
                'settings' => ['options' => [['id' => 'x', 'html' => 'x'], ['id' => 'y', 'html' => 'y']]],
            ],
        ],
        ['body' => '<p>Q</p><div data-part="p1"></div><div data-part="p2"></div>', 'scoring' => ['combine' => 'all']],
    );
    expect(
        (new Scorer)->score(
            $both,
            new Attempt((object) ['p1' => (object) ['chosen' => ['a']], 'p2' => (object) ['chosen' => ['y']]], Seed::of(1)),
        )->state,
    )->toBe('right');
});

it('says at the field what keeps a part from being complete', function (Question $question, string $code): void {
    expect(found($question))->toContain($code);
})->with([
    'a sequence of one' => [$order($items('a'), [['a']]), 'order.too_few'],
    'two equal items' => [$order([['id' => 'a', 'html' => 'x'], ['id' => 'b', 'html' => 'x']], [['a'], ['b']]), 'item.equal'],
    'all of one rank' => [$order($items('a', 'b'), [['a', 'b']]), 'order.all_equal'],
    'an item without a rank' => [$order($items('a', 'b', 'c'), [['a'], ['b']]), 'order.no_rank'],
    'all but one given' => [
        $order([['id' => 'a', 'html' => 'x', 'given' => true], ['id' => 'b', 'html' => 'y']], [['a'], ['b']]),
        'order.too_few',
    ],
    'pieces that overlap' => [
        single(
            'highlight',
            ['text' => '<p><span data-piece="a">x <span data-piece="b">y</span></span> <span data-piece="c">z</span></p>'],
            [['on' => 'a']],
        ),
        'pieces.overlap',
    ],
    'one piece' => [single('highlight', ['text' => '<p><span data-piece="a">x</span></p>'], [['on' => 'a']]), 'pieces.too_few'],
    'no text' => [single('highlight', ['text' => '']), 'text.empty'],
    'a key for a piece that is gone' => [
        single('highlight', ['text' => '<p><span data-piece="a">x</span> <span data-piece="b">y</span></p>'], [['on' => 'z']]),
        'key.unknown',
    ],
    'an amendment equal to the fault' => [
        single('amend', ['text' => $notes], [['on' => ['answer' => 'is', 'text' => ['Medial'], 'piece' => 'a']]]),
        'amend.same',
    ],
    'a fault without what is right' => [
        single('amend', ['text' => $notes], [['on' => ['answer' => 'is', 'text' => [], 'piece' => 'a']]]),
        'rule.empty',
    ],
    'nothing but faults to pick' => [
        single(
            'amend',
            ['text' => '<p>The <span data-piece="a">medial</span> moraine.</p>'],
            [['on' => ['answer' => 'is', 'text' => ['lateral'], 'piece' => 'a']]],
        ),
        'amend.only_faults',
    ],
    'a scale without steps' => [
        single('slider', ['from' => '0', 'to' => '10', 'step' => '0'], [['on' => ['answer' => 'value', 'value' => '4']]]),
        'slider.no_scale',
    ],
    'a scale that ends before it begins' => [
        single('slider', ['from' => '5', 'to' => '1', 'step' => '1'], [['on' => ['answer' => 'value', 'value' => '4']]]),
        'slider.no_scale',
    ],
    'a value that cannot be set' => [
        single('slider', ['from' => '0', 'to' => '10', 'step' => '2'], [['on' => ['answer' => 'value', 'value' => '3']]]),
        'slider.out_of_reach',
    ],
    'an opinion that earns points' => [
        single('survey', ['options' => [['id' => 'a', 'html' => 'x'], ['id' => 'b', 'html' => 'y']]]),
        'survey.points',
    ],
    'one answer to choose from' => [single('survey', ['options' => [['id' => 'a', 'html' => 'x']]], [], [], 0), 'survey.too_few_options'],
]);

it('shows a sequence in another order than the right one, with what is given in its place', function () use ($items): void {
    $list = $items('a', 'b', 'c', 'd');
    $list[1]['given'] = true;
    $question = single('order', ['items' => $list], [['on' => [['a'], ['b'], ['c'], ['d']]]]);
    for ($seed = 1; $seed <= 100; $seed++) {
        $shown = array_column((new Presenter)->present($question, Seed::of($seed))['parts'][0]['settings']->items, 'id');
        expect($shown[1])
            ->toBe('b')
            ->and($shown)
            ->not->toBe(['a', 'b', 'c', 'd']);
    }
});

it('finds the faults between two texts', function (string $faulty, string $right, array $pairs): void {
    [$text, $rules] = FaultyText::make($faulty, $right);
    $words = array_column(Pieces::of($text), 'words', 'id');
    expect(array_map(fn (stdClass $rule): array => [$words[$rule->on->piece], $rule->on->text[0]], $rules))
        ->toBe($pairs)
        ->and(count($words))
        ->toBe(count(array_unique(array_keys($words))));
})->with([
    'one word' => ['Granite cools quickly.', 'Granite cools slowly.', [['quickly', 'slowly']]],
    'several words for one' => ['It gives off oxygen at once.', 'It gives off carbon dioxide at once.', [['oxygen', 'carbon dioxide']]],
    'a word too many' => ['Granite is is hard.', 'Granite is hard.', [['is is', 'is']]],
    'a word missing' => ['Slate is rock.', 'Slate is a rock.', [['is', 'is a']]],
    'the first and the last' => [
        'Igneous rocks come from sand',
        'Sedimentary rocks come from mud',
        [['Igneous', 'Sedimentary'], ['sand', 'mud']],
    ],
    'over two paragraphs' => ["One.\nTwo beds.", "One.\nThree beds.", [['Two', 'Three']]],
    'nothing' => ['The same.', 'The same.', []],
]);

it('makes every word a piece and leaves those that are there', function (): void {
    expect(Pieces::everyWord('<p>The <span data-piece="w1">old bed</span> is <em>3.5 m</em> thick.</p>'))->toBe(
        '<p><span data-piece="w2">The</span> <span data-piece="w1">old bed</span> <span data-piece="w3">is</span> <em>'.
            '<span data-piece="w4">3.5</span> <span data-piece="w5">m</span></em> <span data-piece="w6">thick</span>.</p>',
    );
});
