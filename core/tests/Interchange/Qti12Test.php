<?php

declare(strict_types=1);

use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Found;
use WideQuarry\Interchange\Source;
use WideQuarry\Parts\Parts;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;

/** Reads a document whose body is given; the format is found by its content. */
function read12(string $xml): Found
{
    $file = (string) tempnam(sys_get_temp_dir(), 'qti12');
    file_put_contents($file, $xml);
    $source = new Source($file, 'test.xml');
    $format = Formats::standard(Parts::standard())->for($source);
    expect($format->name())->toBe('qti12');
    $found = Found::collect($format->read($source));
    unlink($file);

    return $found;
}

function item12(string $presentation, string $processing, string $more = ''): Found
{
    return read12("<?xml version=\"1.0\"?><questestinterop><item ident=\"i1\" title=\"T\"><presentation>$presentation</presentation>$processing$more</item></questestinterop>");
}

/** @param  array<string, list<string>|string>  $given */
function score12(stdClass $json, array $given): string
{
    $response = new stdClass;
    foreach ($given as $id => $value) {
        $response->{$id} = is_array($value) ? (object) ['chosen' => $value] : (object) ['text' => $value];
    }

    return (string) (new Scorer)->score(Question::read($json, Parts::standard()), new Attempt($response, Seed::of(1)))->exact;
}

function choice12(string $cardinality = 'Single', string $ident = 'r1', string $options = 'abcd'): string
{
    $labels = implode('', array_map(fn (string $o): string => "<response_label ident=\"$o\"><material><mattext>option $o</mattext></material></response_label>", str_split($options)));

    return "<material><mattext>Which?</mattext></material><response_lid ident=\"$ident\" rcardinality=\"$cardinality\"><render_choice shuffle=\"Yes\">$labels</render_choice></response_lid>";
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
    'one right' => [choice12(), processing12('<respcondition><conditionvar><varequal respident="r1">b</varequal></conditionvar><setvar action="Set">2</setvar></respcondition>'), [[['r1' => ['b']], '2'], [['r1' => ['a']], '0'], [[], '0']]],
    'shares, and one that costs' => [choice12(), processing12('<respcondition><conditionvar><varequal respident="r1">a</varequal></conditionvar><setvar action="Set">4</setvar></respcondition><respcondition><conditionvar><varequal respident="r1">b</varequal></conditionvar><setvar action="Set">1</setvar></respcondition><respcondition><conditionvar><varequal respident="r1">c</varequal></conditionvar><setvar action="Subtract">1</setvar></respcondition>'), [[['r1' => ['a']], '4'], [['r1' => ['b']], '1'], [['r1' => ['c']], '-1'], [['r1' => ['d']], '0']]],
    'the last word wins where it goes on' => [choice12(), processing12('<respcondition continue="Yes"><conditionvar><other/></conditionvar><setvar action="Set">0</setvar></respcondition><respcondition><conditionvar><varequal respident="r1">d</varequal></conditionvar><setvar action="Set">1</setvar></respcondition>'), [[['r1' => ['d']], '1'], [['r1' => ['a']], '0']]],
    'all of several, nothing else' => [choice12('Multiple'), processing12('<respcondition><conditionvar><and><varequal respident="r1">a</varequal><varequal respident="r1">c</varequal><not><varequal respident="r1">b</varequal></not><not><varequal respident="r1">d</varequal></not></and></conditionvar><setvar action="Set">3</setvar></respcondition>'), [[['r1' => ['a', 'c']], '3'], [['r1' => ['c', 'a']], '3'], [['r1' => ['a']], '0'], [['r1' => ['a', 'b', 'c']], '0']]],
    'several added up, wrong ones taken off, never below nothing' => [choice12('Multiple'), processing12('<respcondition continue="Yes"><conditionvar><varequal respident="r1">a</varequal></conditionvar><setvar action="Add">1</setvar></respcondition><respcondition continue="Yes"><conditionvar><varequal respident="r1">b</varequal></conditionvar><setvar action="Add">1</setvar></respcondition><respcondition continue="Yes"><conditionvar><varequal respident="r1">c</varequal></conditionvar><setvar action="Subtract">1</setvar></respcondition>', 'minvalue="0" maxvalue="2"'), [[['r1' => ['a', 'b']], '2'], [['r1' => ['a']], '1'], [['r1' => ['a', 'b', 'c']], '1'], [['r1' => ['c']], '0']]],
    'a word in two spellings, one by capitals' => ['<material><mattext>It is</mattext></material><response_str ident="r1"><render_fib columns="12"/></response_str>', processing12('<respcondition><conditionvar><or><varequal respident="r1">colour</varequal><varequal respident="r1">color</varequal></or></conditionvar><setvar>2</setvar></respcondition><respcondition><conditionvar><varequal respident="r1" case="Yes">pH</varequal></conditionvar><setvar>1</setvar></respcondition>'), [[['r1' => 'Colour'], '2'], [['r1' => 'COLOR'], '2'], [['r1' => 'pH'], '1'], [['r1' => 'PH'], '0'], [['r1' => 'hue'], '0']]],
    'a number between limits' => ['<response_num ident="r1" numtype="Decimal"><render_fib fibtype="Decimal"/></response_num>', processing12('<respcondition><conditionvar><and><vargte respident="r1">2.6</vargte><varlte respident="r1">2.8</varlte></and></conditionvar><setvar>1</setvar></respcondition>'), [[['r1' => '2.7'], '1'], [['r1' => '2.6'], '1'], [['r1' => '2.8'], '1'], [['r1' => '2.59'], '0'], [['r1' => '2.81'], '0']]],
    'more than, and exactly' => ['<response_num ident="r1"><render_fib fibtype="Integer"/></response_num>', processing12('<respcondition><conditionvar><varequal respident="r1">7</varequal></conditionvar><setvar>2</setvar></respcondition><respcondition><conditionvar><vargt respident="r1">10</vargt></conditionvar><setvar>1</setvar></respcondition>'), [[['r1' => '7'], '2'], [['r1' => '10'], '0'], [['r1' => '11'], '1'], [['r1' => '8'], '0']]],
    'two answers, each for itself' => [choice12().str_replace('Which?', 'And?', choice12('Single', 'r2', 'xy')), processing12('<respcondition continue="Yes"><conditionvar><varequal respident="r1">b</varequal></conditionvar><setvar action="Add">1</setvar></respcondition><respcondition continue="Yes"><conditionvar><varequal respident="r2">x</varequal></conditionvar><setvar action="Add">3</setvar></respcondition>'), [[['r1' => ['b'], 'r2' => ['x']], '4'], [['r1' => ['b']], '1'], [['r2' => ['x']], '3'], [['r1' => ['a'], 'r2' => ['y']], '0']]],
    'two answers, only together' => [choice12().choice12('Single', 'r2', 'xy'), processing12('<respcondition><conditionvar><and><varequal respident="r1">b</varequal><varequal respident="r2">x</varequal></and></conditionvar><setvar>4</setvar></respcondition>'), [[['r1' => ['b'], 'r2' => ['x']], '4'], [['r1' => ['b']], '0'], [['r2' => ['x']], '0']]],
]);

it('never guesses a key: what is not understood is marked by hand and kept as it came', function (string $presentation, string $processing, string $code): void {
    $found = item12($presentation, $processing);
    $question = $found->questions[0];
    expect(array_map(fn ($notice): string => $notice->code, $found->notices))->toContain($code);
    foreach ($question->parts as $part) {
        expect($part->scoring->scheme)->toBe('person')->and($part->key->rules)->toBe([]);
    }
    expect(isset($question->record->origin->processing))->toBe($code !== 'qti12.no_key');
})->with([
    'no processing' => [choice12(), '', 'qti12.no_key'],
    'a test of duration' => [choice12(), processing12('<respcondition><conditionvar><durequal respident="r1">P1H</durequal></conditionvar><setvar>1</setvar></respcondition>'), 'qti12.processing'],
    'a product of two answers' => [choice12().choice12('Single', 'r2', 'xy'), processing12('<respcondition continue="Yes"><conditionvar><varequal respident="r1">b</varequal></conditionvar><setvar action="Set">2</setvar></respcondition><respcondition continue="Yes"><conditionvar><varequal respident="r2">x</varequal></conditionvar><setvar action="Multiply">3</setvar></respcondition><respcondition continue="Yes"><conditionvar><varequal respident="r2">y</varequal></conditionvar><setvar action="Add">1</setvar></respcondition>'), 'qti12.processing'],
    'an order' => [choice12('Ordered'), processing12('<respcondition><conditionvar><varequal respident="r1" index="1">a</varequal></conditionvar><setvar>1</setvar></respcondition>'), 'qti12.kind'],
]);

it('brings feedback to where it is shown, hints and solutions as such', function (): void {
    $show = fn (string $o, string $score, string $ident): string => "<respcondition><conditionvar><varequal respident=\"r1\">$o</varequal></conditionvar><setvar>$score</setvar><displayfeedback feedbacktype=\"Response\" linkrefid=\"$ident\"/></respcondition>";
    $said = fn (string $ident, string $words): string => "<itemfeedback ident=\"$ident\"><flow_mat><material><mattext>$words</mattext></material></flow_mat></itemfeedback>";
    $question = item12(choice12(), processing12($show('a', '1', 'right').$show('b', '0', 'fb')), $said('right', 'Well seen.').$said('fb', 'That is the other way round.').'<itemfeedback ident="s"><solution><solutionmaterial><material><mattext>It is a.</mattext></material></solutionmaterial></solution></itemfeedback><itemfeedback ident="h"><hint><hintmaterial><material><mattext>Look at the grain.</mattext></material></hintmaterial></hint></itemfeedback>')->questions[0];

    expect($question->feedback->right->html)->toBe('<p>Well seen.</p>')
        ->and(array_values(array_filter($question->parts[0]->key->rules, fn (stdClass $rule): bool => $rule->on === 'b'))[0]->feedback->html)->toBe('<p>That is the other way round.</p>')
        ->and([$question->feedback->general->html, $question->feedback->general->show])->toBe(['<p>It is a.</p>', 'after'])
        ->and($question->hints[0]->html)->toBe('<p>Look at the grain.</p>');
});

it('keeps words that stand inside a field, before and behind its gap', function (): void {
    $gap = '<response_str ident="r1"><render_fib><material><mattext>Basalt is</mattext></material><response_label ident="g"/><material><mattext>than granite.</mattext></material></render_fib></response_str>';
    $found = item12($gap, processing12('<respcondition><conditionvar><varequal respident="r1">denser</varequal></conditionvar><setvar>1</setvar></respcondition>'));
    expect($found->questions[0]->body)->toBe('<p>Basalt is <span data-part="r1"></span> than granite.</p>')->and(score12($found->questions[0], ['r1' => 'denser']))->toBe('1');
});

it('reads what breaks the rules, and says what it assumed', function (): void {
    $item = fn (string $ident, string $text, string $type): string => "<item ident=\"$ident\"><presentation><flow><material><mattext texttype=\"$type\">$text</mattext></material>".str_replace('<material><mattext>Which?</mattext></material>', '', choice12()).'</flow></presentation></item>';
    $found = read12('<?xml version="1.0" encoding="ISO-8859-1"?><!DOCTYPE questestinterop SYSTEM "ims_qtiasiv1p2p1.dtd"><qti:questestinterop xmlns:qti="http://www.imsglobal.org/xsd/ims_qtiasiv1p2"><assessment title="Test 1"><section title="Rocks">'.$item('x', '&lt;p&gt;What is &lt;b&gt;basalt&lt;/b&gt;?&lt;/p&gt;&lt;script&gt;alert(1)&lt;/script&gt;', 'text/plain').$item('x', '<![CDATA[<p>And <em>slate</em>?</p><img src="pictures/a%20b.png" alt="A section">]]>', 'text/html').'</section></assessment></qti:questestinterop>');

    expect(array_map(fn (stdClass $question): string => $question->body, $found->questions))->toBe(['<p>What is <strong>basalt</strong>?</p><div data-part="r1"></div>', '<p>And <em>slate</em>?</p><div data-part="r1"></div>'])
        ->and(count(array_unique(array_column($found->questions, 'id'))))->toBe(2)
        ->and(array_map(fn ($notice): string => $notice->code, $found->notices))->toContain('qti12.twice', 'media.missing', 'content.dropped')
        ->and(array_map(fn (stdClass $group): array => [$group->kind, $group->title, count($group->questions)], $found->groups))->toBe([['quiz', 'Test 1', 0], ['section', 'Rocks', 2]]);
});

it('survives whatever becomes of a file: it is read, or refused with a reason', function (): void {
    $whole = '<?xml version="1.0"?><questestinterop><section title="S">'.str_repeat('<item ident="i" title="T"><presentation>'.choice12('Multiple').'</presentation>'.processing12('<respcondition><conditionvar><and><varequal respident="r1">a</varequal><not><varequal respident="r1">b</varequal></not></and></conditionvar><setvar action="Add">1.5</setvar><displayfeedback linkrefid="f"/></respcondition>', 'minvalue="0"').'<itemfeedback ident="f"><material><mattext>&lt;p&gt;x&lt;/p&gt;</mattext></material></itemfeedback></item>', 3).'</section></questestinterop>';
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
                default => ctype_alnum($broken[$at]) ? substr_replace($broken, 'aZ05'[mt_rand(0, 3)], $at, 1) : $broken, // often still well-formed
            };
        }
        $file = (string) tempnam(sys_get_temp_dir(), 'qti12');
        file_put_contents($file, $broken);
        try {
            $source = new Source($file, 'broken.xml');
            $found = Found::collect(Formats::standard(Parts::standard())->for($source)->read($source));
            foreach ($found->questions as $question) {
                Question::read($question, Parts::standard());
                expect(json_encode($question))->not->toContain('<script');
            }
            $read++;
        } catch (WideQuarry\Interchange\Unreadable $problem) {
            expect($problem->getMessage())->not->toBe('');
            $refused++;
        } finally {
            unlink($file);
        }
    }
    expect(min($read, $refused))->toBeGreaterThan(0);
});

it('reads the files of the demo: every question with a key that marks the right answer, but for the one that has none', function (string $name, int $questions, array $groups, array $codes): void {
    $source = new Source(__DIR__."/../../../demo/files/$name", $name);
    $found = Found::collect(Formats::standard(Parts::standard())->for($source)->read($source));
    expect(count($found->questions))->toBe($questions)
        ->and(array_map(fn (stdClass $group): string => $group->title, $found->groups))->toBe($groups)
        ->and(array_map(fn ($notice): string => $notice->code, $found->notices))->toEqualCanonicalizing($codes);
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
    'untidy' => ['old-exams-untidy-1.2.zip', 24, ['Rocks & landscapes, autumn', 'Misc', 'misc (2)', 'Rocks OLD', 'New folder', 'maths'], ['qti12.twice', 'qti12.no_key', 'qti12.draw']],
    'tidy' => ['maps-and-measuring-1.2.xml', 11, ['Rocks OLD', 'maths', 'New folder'], []],
]);
