<?php

declare(strict_types=1);

use WideQuarry\Documents\OptionLines;

it('takes numbering off pasted lines, and nothing else', function (string $pasted, array $lines): void {
    expect(OptionLines::clean($pasted))->toBe($lines);
})->with([
    'letters' => ["A) slate\nB) schist\nC)gneiss", ['slate', 'schist', 'gneiss']],
    'letters in brackets' => ["(a) slate\r\n(b) schist", ['slate', 'schist']],
    'numbers' => ["1. 2.5 g/cm³\n2. 3 g/cm³", ['2.5 g/cm³', '3 g/cm³']],
    'numbers that go on from elsewhere' => ["9. a\n10. b\n11. c", ['a', 'b', 'c']],
    'Roman numbers' => ["i. one\nii. two\niii. three", ['one', 'two', 'three']],
    'bullets' => ["• slate\n• schist", ['slate', 'schist']],
    'dashes' => ["– slate\n- schist", ['slate', 'schist']],
    'boxes' => ["☐ slate\n☑ schist", ['slate', 'schist']],
    'blank lines and odd spaces' => ["\n slate\u{A0}\u{A0}rock \n\n\tschist\u{200B}\n", ['slate rock', 'schist']],
    'not numbered through' => ["A. slate\nC. schist", ['A. slate', 'C. schist']],
    'only some' => ["A. slate\nschist", ['A. slate', 'schist']],
    'a name' => ["I. Newton\nA. Wegener", ['I. Newton', 'A. Wegener']],
    'negative numbers are no bullets' => ["-5 °C\n-2 °C", ['-5 °C', '-2 °C']],
    'one line alone keeps its letter' => ['A) slate', ['A) slate']],
    'right to left' => ["א) אבן\nב) חול", ['א) אבן', 'ב) חול']],
    'nothing' => [" \n ", []],
]);

it('finds pairs in lines of two things', function (string $pasted, ?array $pairs): void {
    expect(OptionLines::pairs($pasted))->toBe($pairs);
})->with([
    'term – definition' => ["slate – splits into sheets\ngneiss – banded", [['slate', 'splits into sheets'], ['gneiss', 'banded']]],
    'two columns' => ["1. slate\tfine – grained\n2. gneiss\tbanded", [['slate', 'fine – grained'], ['gneiss', 'banded']]],
    'a colon' => ["slate: splits\ngneiss: has bands: light and dark", [['slate', 'splits'], ['gneiss', 'has bands: light and dark']]],
    'an equals sign before a dash' => [
        "pre - Cambrian = before\npost - glacial = after",
        [['pre - Cambrian', 'before'], ['post - glacial', 'after']],
    ],
    'a hyphen inside a word is none' => ["cross-bedding\nmud-cracks", null],
    'not in every line' => ["slate – splits\ngneiss", null],
    'nothing on one side' => ["slate – \ngneiss – banded", null],
    'one line' => ['slate – splits', null],
]);
