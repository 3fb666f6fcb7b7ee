<?php

declare(strict_types=1);

use WideQuarry\Interchange\Keys\CorrectnessWording;
use WideQuarry\Interchange\Lom;
use WideQuarry\Interchange\Notice;
use WideQuarry\Tests\Support\Questions;

// Items that do not say how they are marked: by their right answers, feedback or metadata, and never without saying so.

$choice = fn (
    string $inA = '',
    string $inB = '',
): string => '<qti-choice-interaction response-identifier="RESPONSE" shuffle="false" max-choices="1">'.
    "<qti-simple-choice identifier=\"A\">slate$inA</qti-simple-choice>".
    "<qti-simple-choice identifier=\"B\">chalk$inB</qti-simple-choice></qti-choice-interaction>";
$item = fn (
    string $declared,
    string $body,
    string $more = '',
): string => '<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="i1" title="T" xml:lang="en">'.
    "<qti-response-declaration identifier=\"RESPONSE\" $declared</qti-response-declaration>".
    '<qti-outcome-declaration identifier="FEEDBACK" cardinality="single" base-type="identifier"/>'.
    "<qti-item-body>$body</qti-item-body>$more</qti-assessment-item>";
$single = 'cardinality="single" base-type="identifier">';
$inline = fn (
    string $id,
    string $text,
): string => "<qti-feedback-inline outcome-identifier=\"FEEDBACK\" identifier=\"$id\" show-hide=\"show\">$text</qti-feedback-inline>";
$asked =
    '<qti-response-processing><qti-set-outcome-value identifier="FEEDBACK"><qti-variable identifier="RESPONSE"/>'.
        '</qti-set-outcome-value></qti-response-processing>';
$shown =
    '<qti-response-processing><qti-response-condition><qti-response-if><qti-match><qti-variable identifier="RESPONSE"/>'.
        '<qti-base-value base-type="identifier">B</qti-base-value></qti-match><qti-set-outcome-value identifier="FEEDBACK">'.
        '<qti-base-value base-type="identifier">%s</qti-base-value></qti-set-outcome-value></qti-response-if><qti-response-else>'.
        '<qti-set-outcome-value identifier="FEEDBACK"><qti-base-value base-type="identifier">%s</qti-base-value>'.
        '</qti-set-outcome-value></qti-response-else></qti-response-condition></qti-response-processing>';
$modal = fn (
    string $id,
    string $text,
): string => "<qti-modal-feedback outcome-identifier=\"FEEDBACK\" identifier=\"$id\" show-hide=\"show\">".
    "<qti-content-body>$text</qti-content-body></qti-modal-feedback>";

it('takes what right answers and feedback say, in QTI 2 and 3', function (string $xml, ?array $right): void {
    $found = readItem($xml);
    $question = Questions::read($found->questions[0]);
    $codes = array_map(fn (Notice $notice): string => $notice->code, $found->notices);
    if ($right === null) {
        expect($question->parts[0]->scheme->value)
            ->toBe('person')
            ->and($codes)
            ->not->toContain('qti.assumed');

        return;
    }
    expect($codes)->toBe(['qti.assumed']);
    foreach ($right as $given => $points) {
        expect(earned($question, ['RESPONSE' => [(string) $given]]))->toBe((float) $points);
    }
})->with([
    'a right answer, no processing' => [
        $item($single.'<qti-correct-response><qti-value>B</qti-value></qti-correct-response>', $choice()),
        ['A' => 0, 'B' => 1],
    ],
    'a mapping, empty processing' => [
        $item(
            $single.
                '<qti-mapping default-value="0"><qti-map-entry map-key="B" mapped-value="3"/>'.
                    '<qti-map-entry map-key="A" mapped-value="1"/></qti-mapping>',
            $choice(),
            '<qti-response-processing/>',
        ),
        ['A' => 1, 'B' => 3],
    ],
    'a number, no processing' => [
        $item(
            'cardinality="single" base-type="float"><qti-correct-response><qti-value>2.7</qti-value></qti-correct-response>',
            '<p><qti-text-entry-interaction response-identifier="RESPONSE"/></p>',
        ),
        ['2.7' => 1, '3' => 0],
    ],
    'feedback in options' => [
        $item($single, $choice($inline('A', 'No, think again.'), $inline('B', 'Correct, it is soft.')), $asked),
        ['A' => 0, 'B' => 1],
    ],
    'feedback by its name' => [
        $item(
            $single,
            $choice(),
            sprintf($shown, 'correct', 'incorrect').$modal('correct', 'Chalk is soft.').$modal('incorrect', 'Slate splits.'),
        ),
        ['A' => 0, 'B' => 1],
    ],
    'feedback by its words' => [
        $item($single, $choice(), sprintf($shown, 'f1', 'f2').$modal('f1', 'Well done!').$modal('f2', 'Not correct.')),
        ['A' => 0, 'B' => 1],
    ],
    'feedback that says neither' => [
        $item($single, $choice(), sprintf($shown, 'f1', 'f2').$modal('f1', 'Chalk it is.').$modal('f2', 'Think of the cliffs.')),
        null,
    ],
    'nothing at all' => [$item($single, $choice()), null],
]);

$old = fn (
    string $more,
    string $fields = '',
    string $response = '<response_lid ident="R" rcardinality="Single"><render_choice><response_label ident="x1"><material>'.
        '<mattext>slate</mattext></material></response_label><response_label ident="x2"><material>'.
        '<mattext>chalk</mattext></material></response_label></render_choice></response_lid>',
): string => '<questestinterop><item ident="i1" title="T"><itemmetadata><qtimetadata>'.
    $fields.
    "</qtimetadata></itemmetadata><presentation><material><mattext>Which?</mattext></material>$response</presentation>$more</item>".
        '</questestinterop>';
$field = fn (
    string $label,
    string $entry,
): string => "<qtimetadatafield><fieldlabel>$label</fieldlabel><fieldentry>$entry</fieldentry></qtimetadatafield>";
$shows = fn (
    string $title,
    string $first,
    string $second,
): string => "<resprocessing><outcomes><decvar/></outcomes><respcondition title=\"$title\"><conditionvar>".
    "<varequal respident=\"R\">x2</varequal></conditionvar><displayfeedback feedbacktype=\"Response\" linkrefid=\"$first\"/>".
    '</respcondition><respcondition><conditionvar><other/></conditionvar>'.
    "<displayfeedback feedbacktype=\"Response\" linkrefid=\"$second\"/></respcondition></resprocessing>".
    "<itemfeedback ident=\"$first\"><material><mattext>Chalk.</mattext></material></itemfeedback>".
    "<itemfeedback ident=\"$second\"><material><mattext>Slate.</mattext></material></itemfeedback>";

it('takes what feedback and metadata say, in QTI 1.2.1', function (string $xml, ?array $right): void {
    $found = read12($xml);
    $question = Questions::read($found->questions[0]);
    $codes = array_map(fn (Notice $notice): string => $notice->code, $found->notices);
    expect(in_array('qti12.assumed', $codes, true))->toBe($right !== null);
    foreach ($right ?? [] as $given => $points) {
        expect(earned($question, [$question->parts[0]->id => explode(' ', (string) $given)]))->toBe((float) $points);
    }
    $right === null && expect($question->parts[0]->scheme->value)->toBe('person');
})->with([
    'feedback by its name' => [$old($shows('', 'Correct_fb', 'InCorrect_fb')), ['x1' => 0, 'x2' => 1]],
    'a condition by its title' => [$old($shows('correct', 'a', 'b')), ['x1' => 0, 'x2' => 1]],
    'neither' => [$old($shows('', 'a', 'b')), null],
    'a field: identifier' => [$old('', $field('answer_key', 'x2')), ['x1' => 0, 'x2' => 1]],
    'a field: letter' => [$old('', $field('Correct answer', 'B')), ['x1' => 0, 'x2' => 1]],
    'a field: words' => [$old('', $field('key', 'Chalk')), ['x1' => 0, 'x2' => 1]],
    'a field that names no option' => [$old('', $field('answer', 'granite')), null],
    'a field of another meaning' => [$old('', $field('answer_time', 'x2')), null],
    'several' => [
        $old(
            '',
            $field('answers', 'A, C'),
            '<response_lid ident="R" rcardinality="Multiple"><render_choice><response_label ident="a"><material>'.
                '<mattext>s</mattext></material></response_label><response_label ident="b"><material><mattext>t</mattext></material>'.
                '</response_label><response_label ident="c"><material><mattext>u</mattext></material></response_label></render_choice>'.
                '</response_lid>',
        ),
        ['a c' => 1, 'a' => 0, 'a b c' => 0],
    ],
    'typed words' => [
        $old(
            '',
            $field('answer', 'chalk | soft limestone'),
            '<response_str ident="R" rcardinality="Single"><render_fib/></response_str>',
        ),
        ['chalk' => 1, 'slate' => 0],
    ],
]);

it('tells right from wrong in names and texts', function (string $said, bool $name, bool $text): void {
    expect(CorrectnessWording::name($said))->toBe($name)->and(CorrectnessWording::text($said))->toBe($text);
})->with([
    ['correct', true, true],
    ['CORRECT_2', true, false],
    ['general_correct_fb', true, false],
    ['incorrect', false, false],
    ['not_correct', false, false],
    ['notCorrect', false, false],
    ['Right!', true, true],
    ['Righteous', false, false],
    ['Yes, it is soft', false, true],
    ['Good try', false, false],
    ['richtig', true, true],
    ['A', false, false],
]);

it('finds the key among the fields of LOM', function (): void {
    $lom = Lom::read(
        WideQuarry\Interchange\Package\SafeXml::parse('<metadata><own><correctAnswer>B</correctAnswer></own></metadata>', 'x'),
    );
    expect(CorrectnessWording::field($lom->fields))
        ->toBe('B')
        ->and(CorrectnessWording::field(['x.answers' => '', 'x.answerTime' => '3']))
        ->toBeNull();
});
