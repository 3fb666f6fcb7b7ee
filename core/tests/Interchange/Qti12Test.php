<?php

declare(strict_types=1);

use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;

function item12(string $presentation, string $processing, string $more = ''): PackageContents
{
    return read12(
        '<?xml version="1.0"?><questestinterop><item ident="i1" title="T">'.
            "<presentation>$presentation</presentation>$processing$more</item></questestinterop>",
    );
}

/** @param  array<string, list<string>|string>  $given */
function score12(stdClass $json, array $given): string
{
    $response = new stdClass();
    foreach ($given as $id => $value) {
        $response->{$id} =
            $value instanceof stdClass ? $value : (is_array($value) ? (object) ['chosen' => $value] : (object) ['text' => $value]);
    }

    return (string) (new Scorer)->score(Question::read($json, StandardKinds::all()), new Attempt($response, Seed::of(1)))->exact;
}

function choice12(string $cardinality = 'Single', string $ident = 'r1', string $options = 'abcd'): string
{
    $labels = implode(
        '',
        array_map(
            fn (string $o): string => "<response_label ident=\"$o\"><material><mattext>option $o</mattext></material></response_label>",
            str_split($options),
        ),
    );

    return "<material><mattext>Which?</mattext></material><response_lid ident=\"$ident\" rcardinality=\"$cardinality\">".
        "<render_choice shuffle=\"Yes\">$labels</render_choice></response_lid>";
}

function processing12(string $conditions, string $outcome = ''): string
{
    return "<resprocessing><outcomes><decvar varname=\"SCORE\" vartype=\"Decimal\" $outcome/></outcomes>$conditions</resprocessing>";
}

// Scores are worked out by hand from the standard: conditions in order, the first that holds ends it unless it says to go on.
it('marks as the item does', function (string $presentation, string $processing, array $scores): void {
    $found = item12($presentation, $processing);
    expect(array_map(fn ($notice): string => $notice->code, $found->notices))->toBe([]);
    foreach ($scores as [$given, $score]) {
        expect(score12($found->questions[0], $given))->toBe($score, (string) json_encode([$given, $found->questions[0]->parts]));
    }
})->with([
    'one right' => [
        choice12(),
        processing12(
            '<respcondition><conditionvar><varequal respident="r1">b</varequal></conditionvar><setvar action="Set">2</setvar>'.
                '</respcondition>',
        ),
        [[['r1' => ['b']], '2'], [['r1' => ['a']], '0'], [[], '0']],
    ],
    'shares, and one that costs' => [
        choice12(),
        processing12(
            '<respcondition><conditionvar><varequal respident="r1">a</varequal></conditionvar><setvar action="Set">4</setvar>'.
                '</respcondition><respcondition><conditionvar><varequal respident="r1">b</varequal></conditionvar>'.
                '<setvar action="Set">1</setvar></respcondition><respcondition><conditionvar><varequal respident="r1">c</varequal>'.
                '</conditionvar><setvar action="Subtract">1</setvar></respcondition>',
        ),
        [[['r1' => ['a']], '4'], [['r1' => ['b']], '1'], [['r1' => ['c']], '-1'], [['r1' => ['d']], '0']],
    ],
    'the last word wins where it goes on' => [
        choice12(),
        processing12(
            '<respcondition continue="Yes"><conditionvar><other/></conditionvar><setvar action="Set">0</setvar></respcondition>'.
                '<respcondition><conditionvar><varequal respident="r1">d</varequal></conditionvar><setvar action="Set">1</setvar>'.
                '</respcondition>',
        ),
        [[['r1' => ['d']], '1'], [['r1' => ['a']], '0']],
    ],
    'all of several, nothing else' => [
        choice12('Multiple'),
        processing12(
            '<respcondition><conditionvar><and><varequal respident="r1">a</varequal><varequal respident="r1">c</varequal><not>'.
                '<varequal respident="r1">b</varequal></not><not><varequal respident="r1">d</varequal></not></and></conditionvar>'.
                '<setvar action="Set">3</setvar></respcondition>',
        ),
        [[['r1' => ['a', 'c']], '3'], [['r1' => ['c', 'a']], '3'], [['r1' => ['a']], '0'], [['r1' => ['a', 'b', 'c']], '0']],
    ],
    'several added up, wrong ones taken off, never below nothing' => [
        choice12('Multiple'),
        processing12(
            '<respcondition continue="Yes"><conditionvar><varequal respident="r1">a</varequal></conditionvar>'.
                '<setvar action="Add">1</setvar></respcondition><respcondition continue="Yes"><conditionvar>'.
                '<varequal respident="r1">b</varequal></conditionvar><setvar action="Add">1</setvar></respcondition>'.
                '<respcondition continue="Yes"><conditionvar><varequal respident="r1">c</varequal></conditionvar>'.
                '<setvar action="Subtract">1</setvar></respcondition>',
            'minvalue="0" maxvalue="2"',
        ),
        [[['r1' => ['a', 'b']], '2'], [['r1' => ['a']], '1'], [['r1' => ['a', 'b', 'c']], '1'], [['r1' => ['c']], '0']],
    ],
    'a word in two spellings, one by capitals' => [
        '<material><mattext>It is</mattext></material><response_str ident="r1"><render_fib columns="12"/></response_str>',
        processing12(
            '<respcondition><conditionvar><or><varequal respident="r1">colour</varequal><varequal respident="r1">color</varequal>'.
                '</or></conditionvar><setvar>2</setvar></respcondition><respcondition><conditionvar>'.
                '<varequal respident="r1" case="Yes">pH</varequal></conditionvar><setvar>1</setvar></respcondition>',
        ),
        [[['r1' => 'Colour'], '2'], [['r1' => 'COLOR'], '2'], [['r1' => 'pH'], '1'], [['r1' => 'PH'], '0'], [['r1' => 'hue'], '0']],
    ],
    'a number between limits' => [
        '<response_num ident="r1" numtype="Decimal"><render_fib fibtype="Decimal"/></response_num>',
        processing12(
            '<respcondition><conditionvar><and><vargte respident="r1">2.6</vargte><varlte respident="r1">2.8</varlte></and>'.
                '</conditionvar><setvar>1</setvar></respcondition>',
        ),
        [[['r1' => '2.7'], '1'], [['r1' => '2.6'], '1'], [['r1' => '2.8'], '1'], [['r1' => '2.59'], '0'], [['r1' => '2.81'], '0']],
    ],
    'more than, and exactly' => [
        '<response_num ident="r1"><render_fib fibtype="Integer"/></response_num>',
        processing12(
            '<respcondition><conditionvar><varequal respident="r1">7</varequal></conditionvar><setvar>2</setvar></respcondition>'.
                '<respcondition><conditionvar><vargt respident="r1">10</vargt></conditionvar><setvar>1</setvar></respcondition>',
        ),
        [[['r1' => '7'], '2'], [['r1' => '10'], '0'], [['r1' => '11'], '1'], [['r1' => '8'], '0']],
    ],
    'two answers, each for itself' => [
        choice12().str_replace('Which?', 'And?', choice12('Single', 'r2', 'xy')),
        processing12(
            '<respcondition continue="Yes"><conditionvar><varequal respident="r1">b</varequal></conditionvar>'.
                '<setvar action="Add">1</setvar></respcondition><respcondition continue="Yes"><conditionvar>'.
                '<varequal respident="r2">x</varequal></conditionvar><setvar action="Add">3</setvar></respcondition>',
        ),
        [[['r1' => ['b'], 'r2' => ['x']], '4'], [['r1' => ['b']], '1'], [['r2' => ['x']], '3'], [['r1' => ['a'], 'r2' => ['y']], '0']],
    ],
    'two answers, only together' => [
        choice12().choice12('Single', 'r2', 'xy'),
        processing12(
            '<respcondition><conditionvar><and><varequal respident="r1">b</varequal><varequal respident="r2">x</varequal></and>'.
                '</conditionvar><setvar>4</setvar></respcondition>',
        ),
        [[['r1' => ['b'], 'r2' => ['x']], '4'], [['r1' => ['b']], '0'], [['r2' => ['x']], '0']],
    ],
]);

/** Labels of what can be chosen. */
function labels12(string $ids, string $more = ''): string
{
    return implode(
        '',
        array_map(
            fn (
                string $o,
            ): string => "<response_label ident=\"$o\" $more><material><mattext>option $o</mattext></material></response_label>",
            str_split($ids),
        ),
    );
}

/** Rows that offer the same answers, each with identifiers of its own. */
function rows12(string ...$rows): string
{
    return '<material><mattext>Join them.</mattext></material>'.
        implode(
            '',
            array_map(
                fn (
                    string $row,
                ): string => "<response_lid ident=\"$row\"><material><mattext>row $row</mattext></material><render_choice>".
                    str_replace('ident="', "ident=\"$row", labels12('abc')).
                    '</render_choice></response_lid>',
                $rows,
            ),
        );
}

$if = fn (
    string $test,
    string $set,
    string $on = 'Yes',
): string => "<respcondition continue=\"$on\"><conditionvar>$test</conditionvar>$set</respcondition>";
$is = fn (string $response, string $value, string $more = ''): string => "<varequal respident=\"$response\" $more>$value</varequal>";
$seq = fn (string $order): array => ['r1' => (object) ['sequence' => str_split($order)]];
$joined = fn (string ...$pairs): stdClass => (object) ['pairs' => array_map(fn (string $pair): array => explode(' ', $pair), $pairs)];
$add = fn (string $n): string => "<setvar action=\"Add\">$n</setvar>";

it('marks orders, joins, menus and sliders as the item does', function (
    string $presentation,
    string $processing,
    string $kind,
    array $scores,
): void {
    $found = item12($presentation, $processing);
    expect(array_map(fn ($notice): string => $notice->code, $found->notices))
        ->toBe([])
        ->and(array_map(fn (stdClass $part): string => $part->kind, $found->questions[0]->parts))
        ->toContain($kind);
    foreach ($scores as [$given, $score]) {
        expect(score12($found->questions[0], $given))->toBe($score, (string) json_encode([$given, $found->questions[0]->parts]));
    }
})->with([
    'the whole order' => [
        choice12('Ordered'),
        processing12(
            $if(
                '<and>'.
                    $is('r1', 'c', 'index="1"').
                    $is('r1', 'a', 'index="2"').
                    $is('r1', 'b', 'index="3"').
                    $is('r1', 'd', 'index="4"').
                    '</and>',
                $add('2'),
            ),
        ),
        'order',
        [[$seq('cabd'), '2'], [$seq('abcd'), '0'], [[], '0']],
    ],
    'each place for itself' => [
        choice12('Ordered'),
        processing12(
            $if($is('r1', 'c', 'index="1"'), $add('1')).
                $if($is('r1', 'a', 'index="2"'), $add('1')).
                $if($is('r1', 'b', 'index="3"'), $add('1')).
                $if($is('r1', 'd', 'index="4"'), $add('1')),
        ),
        'order',
        [[$seq('cabd'), '4'], [$seq('cadb'), '2'], [$seq('bdac'), '0']],
    ],
    'rows with the same answers' => [
        rows12('r1', 'r2'),
        processing12($if($is('r1', 'r1b'), $add('1')).$if($is('r2', 'r2a'), $add('1'))),
        'match',
        [
            [['rows-1' => $joined('r1 r1b', 'r2 r1a')], '2'],
            [['rows-1' => $joined('r1 r1a', 'r2 r1a')], '1'],
            [['rows-1' => $joined('r1 r1c')], '0'],
        ],
    ],
    'rows that count differently' => [
        rows12('r1', 'r2'),
        processing12($if($is('r1', 'r1b'), $add('3')).$if($is('r2', 'r2a'), $add('1'))),
        'match',
        [
            [['rows-1' => $joined('r1 r1b', 'r2 r1a')], '4'],
            [['rows-1' => $joined('r1 r1b')], '3'],
            [['rows-1' => $joined('r2 r1a')], '1'],
        ],
    ],
    'rows, all or nothing' => [
        rows12('r1', 'r2', 'r3'),
        processing12($if('<and>'.$is('r1', 'r1b').$is('r2', 'r2a').$is('r3', 'r3a').'</and>', '<setvar>5</setvar>')),
        'match',
        [[['rows-1' => $joined('r1 r1b', 'r2 r1a', 'r3 r1a')], '5'], [['rows-1' => $joined('r1 r1b', 'r2 r1a')], '0']],
    ],
    'groups that name their mates' => [
        '<response_grp ident="r1" rcardinality="Multiple"><render_choice>'.
        labels12('xy', 'match_group="a,b"').
        labels12('ab').
        '</render_choice></response_grp>',
        processing12(
            $if('<varsubset respident="r1">x, b</varsubset>', $add('1')).$if('<varsubset respident="r1">y,a</varsubset>', $add('1')),
        ),
        'match',
        [[['r1' => $joined('x b', 'y a')], '2'], [['r1' => $joined('x a', 'y a')], '1']],
    ],
    'a choice inside a sentence' => [
        '<flow><material><mattext>Granite is</mattext></material><response_lid ident="r1"><render_choice>'.
        labels12('ab').
        '</render_choice></response_lid><material><mattext>grained.</mattext></material></flow>',
        processing12($if($is('r1', 'a'), $add('1'))),
        'menu',
        [[['r1' => ['a']], '1'], [['r1' => ['b']], '0']],
    ],
    'a scale' => [
        '<response_num ident="r1"><render_slider lowerbound="1" upperbound="10" step="1"/></response_num>',
        processing12($if('<and><vargte respident="r1">4</vargte><varlte respident="r1">6</varlte></and>', $add('1'))),
        'slider',
        [
            [['r1' => (object) ['value' => '5']], '1'],
            [['r1' => (object) ['value' => '4']], '1'],
            [['r1' => (object) ['value' => '7']], '0'],
        ],
    ],
]);

/** A test over the items a … f; sections are given. */
function test12(string $sections, string $more = '', string $beside = ''): PackageContents
{
    return read12("<questestinterop><assessment ident=\"t\" title=\"Unit test\">$more$sections</assessment>$beside</questestinterop>");
}

function items12(string $ids, string $weight = ''): string
{
    return implode(
        '',
        array_map(
            fn (string $id): string => "<item ident=\"$id\" title=\"$id\">".
                ($weight === '' ? '' : "<itemmetadata><qmd_weighting>$weight</qmd_weighting></itemmetadata>").
                '<presentation>'.
                choice12().
                '</presentation>'.
                processing12(
                    '<respcondition><conditionvar><varequal respident="r1">b</varequal></conditionvar><setvar>2</setvar></respcondition>',
                ).
                '</item>',
            str_split($ids),
        ),
    );
}

$draw = fn (
    int $n,
    string $more = '',
): string => "<selection_ordering><selection><selection_number>$n</selection_number>$more</selection><order order_type=\"Random\"/>".
    '</selection_ordering>';

it('makes assessments of tests, with what they draw', function (PackageContents $found, array $picks, array $draws, array $codes): void {
    $test = WideQuarry\Assembly\Assessment::read($found->assessments[0], StandardKinds::all());
    $titles = array_column($found->questions, 'title', 'id');
    $named = fn (array $ids): string => implode('', array_map(fn (string $id): string => $titles[$id], $ids));
    expect($named(array_map(fn ($pick): string => $pick->question, $test->picks())))
        ->toBe($picks[0])
        ->and(
            array_map(
                fn ($one): array => [$one->count, $named($one->pool), (string) $one->points(WideQuarry\Numbers\Exact::of('2'))],
                $test->draws(),
            ),
        )
        ->toBe($draws)
        ->and(array_map(fn ($notice): string => $notice->code, $found->notices))
        ->toBe($codes);
    isset($picks[1]) &&
        expect(array_map(fn ($pick): string => (string) $pick->points(WideQuarry\Numbers\Exact::of('2')), $test->picks()))->toBe(
            $picks[1],
        );
})->with([
    'questions one by one' => [fn () => test12('<section ident="s">'.items12('ab').'</section>'), ['ab', ['2', '2']], [], []],
    'two of four' => [fn () => test12('<section ident="s">'.$draw(2).items12('abcd').'</section>'), [''], [[2, 'abcd', '2']], []],
    'two pools in one section, one with points' => [
        fn () => test12(
            '<section ident="root"><section ident="p" title="Maps">'.
                $draw(1, '<selection_extension><points_per_item>5</points_per_item></selection_extension>').
                items12('ab').
                '</section>'.
                items12('c').
                '<section ident="q">'.
                $draw(2).
                items12('def').
                '</section></section>',
        ),
        ['c'],
        [[1, 'ab', '5'], [2, 'def', '2']],
        [],
    ],
    'a bank that stands elsewhere' => [
        fn () => test12(
            '<section ident="s">'.$draw(2, '<sourcebank_ref>bank</sourcebank_ref>').'</section>',
            '',
            '<objectbank ident="bank">'.items12('abc').'</objectbank>',
        ),
        [''],
        [[2, 'abc', '2']],
        [],
    ],
    'a bank that is not there' => [
        fn () => test12(
            '<section ident="s">'.
                $draw(2, '<sourcebank_ref>gone</sourcebank_ref>').
                items12('a').
                '</section><section>'.
                items12('b').
                '</section>',
        ),
        ['b'],
        [],
        ['qti12.pool'],
    ],
    'items by reference' => [
        fn () => test12('<section ident="s"><itemref linkrefid="b"/><itemref linkrefid="gone"/></section>', '', items12('ab')),
        ['b'],
        [],
        ['qti12.reference'],
    ],
    'weights, where the test counts them' => [
        fn () => test12(
            '<section ident="s">'.items12('ab', '3').'</section>',
            '<outcomes_processing scoremodel="WeightedSumofScores"/>',
        ),
        ['ab', ['6', '6']],
        [],
        [],
    ],
    'weights, where it does not' => [
        fn () => test12('<section ident="s">'.items12('ab', '3').'</section>'),
        ['ab', ['2', '2']],
        [],
        [],
    ],
    'all of them after all' => [fn () => test12('<section ident="s">'.$draw(4).items12('abc').'</section>'), ['abc'], [], []],
]);

it('keeps what a test tells learners, and how long it lasts', function (): void {
    $found = test12(
        '<section ident="s" title="Part A"><presentation_material><flow_mat><material><mattext>Read well.</mattext></material>'.
            '</flow_mat></presentation_material>'.
            items12('a').
            '</section>',
        '<duration>P0Y0M0DT1H5M0S</duration><rubric view="Scorer"><material><mattext>secret</mattext></material></rubric>'.
            '<rubric view="Candidate"><material><mattext>Use a pencil.</mattext></material></rubric>',
    );
    expect($found->assessments[0])
        ->toMatchObject(['title' => 'Unit test', 'instructions' => '<p>Use a pencil.</p>', 'time_limit' => 3900])
        ->and($found->assessments[0]->sections[0])
        ->toMatchObject(['title' => 'Part A', 'instructions' => '<p>Read well.</p>']);
});

it('never guesses a key: what is not understood is marked by hand and kept as it came', function (
    string $presentation,
    string $processing,
    string $code,
): void {
    $found = item12($presentation, $processing);
    $question = $found->questions[0];
    expect(array_map(fn ($notice): string => $notice->code, $found->notices))->toContain($code);
    foreach ($question->parts as $part) {
        expect($part->scoring->scheme)->toBe('person')->and($part->key->rules ?? [])->toBe([]);
    }
    expect(isset($question->record->origin->processing))->toBe($code !== 'qti12.no_key');
})->with([
    'no processing' => [choice12(), '', 'qti12.no_key'],
    'a test of duration' => [
        choice12(),
        processing12(
            '<respcondition><conditionvar><durequal respident="r1">P1H</durequal></conditionvar><setvar>1</setvar></respcondition>',
        ),
        'qti12.processing',
    ],
    'a product of two answers' => [
        choice12().choice12('Single', 'r2', 'xy'),
        processing12(
            '<respcondition continue="Yes"><conditionvar><varequal respident="r1">b</varequal></conditionvar>'.
                '<setvar action="Set">2</setvar></respcondition><respcondition continue="Yes"><conditionvar>'.
                '<varequal respident="r2">x</varequal></conditionvar><setvar action="Multiply">3</setvar></respcondition>'.
                '<respcondition continue="Yes"><conditionvar><varequal respident="r2">y</varequal></conditionvar>'.
                '<setvar action="Add">1</setvar></respcondition>',
        ),
        'qti12.processing',
    ],
    'only the middle of an order' => [
        choice12('Ordered'),
        processing12(
            '<respcondition><conditionvar><varequal respident="r1" index="2">b</varequal></conditionvar><setvar>1</setvar></respcondition>',
        ),
        'qti12.processing',
    ],
    'a picture to point at' => [
        '<response_xy ident="r1"><render_hotspot><material><matimage uri="a.png"/></material></render_hotspot></response_xy>',
        processing12(
            '<respcondition><conditionvar><varinside respident="r1" areatype="Rectangle">1,1,9,9</varinside></conditionvar>'.
                '<setvar>1</setvar></respcondition>',
        ),
        'qti12.kind',
    ],
]);

it('brings feedback to where it is shown, hints and solutions as such', function (): void {
    $show = fn (
        string $o,
        string $score,
        string $ident,
    ): string => "<respcondition><conditionvar><varequal respident=\"r1\">$o</varequal></conditionvar><setvar>$score</setvar>".
        "<displayfeedback feedbacktype=\"Response\" linkrefid=\"$ident\"/></respcondition>";
    $said = fn (
        string $ident,
        string $words,
    ): string => "<itemfeedback ident=\"$ident\"><flow_mat><material><mattext>$words</mattext></material></flow_mat></itemfeedback>";
    $question = item12(
        choice12(),
        processing12($show('a', '1', 'right').$show('b', '0', 'fb')),
        $said('right', 'Well seen.').
            $said('fb', 'That is the other way round.').
            '<itemfeedback ident="s"><solution><solutionmaterial><material><mattext>It is a.</mattext></material>'.
                '</solutionmaterial></solution></itemfeedback><itemfeedback ident="h"><hint><hintmaterial><material>'.
                '<mattext>Look at the grain.</mattext></material></hintmaterial></hint></itemfeedback>',
    )->questions[0];

    expect($question->feedback->right->html)
        ->toBe('<p>Well seen.</p>')
        ->and(
            array_values(array_filter($question->parts[0]->key->rules, fn (stdClass $rule): bool => $rule->on === 'b'))[0]->feedback->html,
        )
        ->toBe('<p>That is the other way round.</p>')
        ->and([$question->feedback->general->html, $question->feedback->general->show])
        ->toBe(['<p>It is a.</p>', 'after'])
        ->and($question->hints[0]->html)
        ->toBe('<p>Look at the grain.</p>');
});

it('keeps words that stand inside a field, before and behind its gap', function (): void {
    $gap =
        '<response_str ident="r1"><render_fib><material><mattext>Basalt is</mattext></material><response_label ident="g"/>'.
            '<material><mattext>than granite.</mattext></material></render_fib></response_str>';
    $found = item12(
        $gap,
        processing12(
            '<respcondition><conditionvar><varequal respident="r1">denser</varequal></conditionvar><setvar>1</setvar></respcondition>',
        ),
    );
    expect($found->questions[0]->body)
        ->toBe('<p>Basalt is <span data-part="r1"></span> than granite.</p>')
        ->and(score12($found->questions[0], ['r1' => 'denser']))
        ->toBe('1');
});

it('reads what breaks the rules, and says what it assumed', function (): void {
    $item = fn (
        string $ident,
        string $text,
        string $type,
    ): string => "<item ident=\"$ident\"><presentation><flow><material><mattext texttype=\"$type\">$text</mattext></material>".
        str_replace('<material><mattext>Which?</mattext></material>', '', choice12()).
        '</flow></presentation></item>';
    $found = read12(
        '<?xml version="1.0" encoding="ISO-8859-1"?><!DOCTYPE questestinterop SYSTEM "ims_qtiasiv1p2p1.dtd">'.
            '<qti:questestinterop xmlns:qti="http://www.imsglobal.org/xsd/ims_qtiasiv1p2"><assessment title="Test 1">'.
            '<section title="Rocks">'.
            $item('x', '&lt;p&gt;What is &lt;b&gt;basalt&lt;/b&gt;?&lt;/p&gt;&lt;script&gt;alert(1)&lt;/script&gt;', 'text/plain').
            $item('x', '<![CDATA[<p>And <em>slate</em>?</p><img src="pictures/a%20b.png" alt="A section">]]>', 'text/html').
            '</section></assessment></qti:questestinterop>',
    );

    expect(array_map(fn (stdClass $question): string => $question->body, $found->questions))
        ->toBe([
            '<p>What is <strong>basalt</strong>?</p><div data-part="r1"></div>',
            '<p>And <em>slate</em>?</p><div data-part="r1"></div>',
        ])
        ->and(count(array_unique(array_column($found->questions, 'id'))))
        ->toBe(2)
        ->and(array_map(fn ($notice): string => $notice->code, $found->notices))
        ->toContain('qti12.twice', 'media.missing', 'content.dropped')
        ->and(array_map(fn (stdClass $group): array => [$group->kind, $group->title, count($group->questions)], $found->groups))
        ->toBe([['quiz', 'Test 1', 0], ['section', 'Rocks', 2]]);
});

it('survives whatever becomes of a file: it is read, or refused with a reason', function (): void {
    $whole =
        '<?xml version="1.0"?><questestinterop><section title="S">'.
        str_repeat(
            '<item ident="i" title="T"><presentation>'.
                choice12('Multiple').
                '</presentation>'.
                processing12(
                    '<respcondition><conditionvar><and><varequal respident="r1">a</varequal><not>'.
                        '<varequal respident="r1">b</varequal></not></and></conditionvar><setvar action="Add">1.5</setvar>'.
                        '<displayfeedback linkrefid="f"/></respcondition>',
                    'minvalue="0"',
                ).
                '<itemfeedback ident="f"><material><mattext>&lt;p&gt;x&lt;/p&gt;</mattext></material></itemfeedback></item>',
            3,
        ).
        '</section></questestinterop>';
    mt_srand(12);
    $read = $refused = 0;
    for ($i = 0; $i < (getenv('QUARRY_LONG') ? 5000 : 200); $i++) {
        $broken = $whole;
        for ($n = mt_rand(1, 4); $n > 0; $n--) {
            $at = mt_rand(30, strlen($broken) - 2);
            $broken = match (mt_rand(0, 7)) {
                0 => substr_replace($broken, chr(mt_rand(0, 255)), $at, 1),
                1 => substr_replace($broken, '', $at, mt_rand(1, 40)),
                2 => substr_replace($broken, substr($broken, mt_rand(0, strlen($broken) - 1), 30), $at, 0),
                3 => substr($broken, 0, $at),
                default => ctype_alnum($broken[$at])
                    ? substr_replace($broken, 'aZ05'[mt_rand(0, 3)], $at, 1)
                    : $broken, // often still well-formed
            };
        }
        $file = (string) tempnam(sys_get_temp_dir(), 'qti12');
        file_put_contents($file, $broken);
        try {
            $source = new Source($file, 'broken.xml');
            $found = PackageContents::collect(Formats::standard(StandardKinds::all())->for($source)->read($source));
            foreach ($found->questions as $question) {
                Question::read($question, StandardKinds::all());
                expect(json_encode($question))->not->toContain('<script');
            }
            $read++;
        } catch (WideQuarry\Interchange\UnreadableFile $problem) {
            expect($problem->getMessage())->not->toBe('');
            $refused++;
        } finally {
            unlink($file);
        }
    }
    expect(min($read, $refused))->toBeGreaterThan(0);
});

it('reads the files of the demo: every question with a key that marks the right answer, but for the one that has none', function (
    string $name,
    int $questions,
    array $groups,
    array $codes,
): void {
    $source = new Source(__DIR__."/../../../demo/files/$name", $name);
    $found = PackageContents::collect(Formats::standard(StandardKinds::all())->for($source)->read($source));
    expect(count($found->questions))
        ->toBe($questions)
        ->and(array_map(fn (stdClass $group): string => $group->title, $found->groups))
        ->toBe($groups)
        ->and(array_map(fn ($notice): string => $notice->code, $found->notices))
        ->toEqualCanonicalizing($codes);
    foreach ($found->questions as $question) {
        $part = $question->parts[0];
        $on = $part->key->rules[0]->on ?? null;
        if ($on === null) {
            expect($question->title)->toBe('x');

            continue;
        }
        $right = match (true) {
            is_string($on) => [$on],
            ($on->answer ?? '') === 'range' => (string) (($on->from + $on->to) / 2),
            default => $on->text[0],
        };
        expect(score12($question, [$part->id => $right]))->toBe((string) $part->points);
    }
})->with([
    'untidy' => [
        'old-exams-untidy-1.2.zip',
        24,
        ['Rocks & landscapes, autumn', 'Misc', 'misc (2)', 'Rocks OLD', 'New folder', 'maths'],
        ['qti12.twice', 'qti12.no_key'],
    ],
    'tidy' => ['maps-and-measuring-1.2.xml', 11, ['Rocks OLD', 'maths', 'New folder'], []],
]);
