<?php

declare(strict_types=1);

use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Variables\Renaming;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;
use WideQuarry\Variables\Varying;

function triangle(): stdClass
{
    return Json::decode(Json::encode([
        'format' => 'wide-quarry/question', 'version' => 1, 'id' => '0192f0c4-0000-7000-8000-0000000000ab', 'language' => 'en-GB',
        'body' => '<p>A triangle with the base <var data-value="b"></var> cm and the height 4 cm, not 14 or 4.5. '.
            '<math><mi data-value="b"></mi><mo>⋅</mo><mn>4</mn><annotation encoding="application/x-tex">\val{b}\cdot 4</annotation></math>'.
            '<span data-part="p1"></span></p>',
        'parts' => [[
            'id' => 'p1', 'kind' => 'number', 'points' => 1, 'settings' => (object) [],
            'key' => ['rules' => [
                ['id' => 'r1', 'on' => ['answer' => 'value', 'value' => ['expr' => 'b*h/2']], 'credit' => '1'],
                ['id' => 'r2', 'on' => ['answer' => 'value', 'value' => '4'], 'credit' => '0',
                    'feedback' => ['html' => '<p>4 is the height.</p>']],
            ]],
        ]],
        'variables' => ['list' => [
            ['name' => 'b', 'kind' => 'integer', 'from' => '2', 'to' => '9'],
            ['name' => 't', 'kind' => 'row', 'columns' => ['h', 'word'], 'rows' => [['4', 'b'], ['6', 'b']]],
            ['name' => 'area', 'kind' => 'expr', 'expr' => 'b*h/2 + if(word = "b", 0, b)'],
        ], 'conditions' => ['b != h', 'abs(b) < 9']],
    ]));
}

it('renames a value everywhere it stands', function (): void {
    $renamed = Renaming::of(triangle(), 'b', 'base');
    $written = Json::encode($renamed);

    expect($written)->toContain('data-value=\"base\"')->toContain('{base}')->toContain('base*h/2')->toContain('base != h')
        ->toContain('abs(base) < 9')->toContain('word = \"b\", 0, base')->toContain('["4","b"]')
        ->and(preg_match('/\bb\*|data-value=\\\\"b\\\\"|\{b\}/', $written))->toBe(0);
});

it('changes no learner’s values by renaming, also when another value takes the first name', function (): void {
    $rolled = fn (stdClass $json, int $seed): array => array_map(
        Roll::text(...),
        Question::read($json, StandardKinds::all())->variables->roll(Seed::of($seed), 'en')->values,
    );
    $renamed = Renaming::of(Renaming::of(triangle(), 'b', 'base'), 'base', 'side');
    $another = Renaming::of(triangle(), 'b', 'base');
    $another->variables->list[] = (object) ['name' => 'b', 'kind' => 'integer', 'from' => '2', 'to' => '9'];
    $equal = 0;
    foreach (range(1, 40) as $seed) {
        $before = $rolled(triangle(), $seed);
        expect($rolled($renamed, $seed))->toEqualCanonicalizing(array_combine(
            array_map(fn (string $name): string => $name === 'b' ? 'side' : $name, array_keys($before)),
            $before,
        ))->and($rolled($another, $seed)['base'])->toBe($before['b']);
        $equal += $rolled($another, $seed)['b'] === $before['b'] ? 1 : 0;
    }
    expect($equal)->toBeLessThan(20); // 5 on average: the other is drawn on its own
});

it('renames the column of a row', function (): void {
    $renamed = Renaming::of(triangle(), 'h', 'height');
    [, $row, $area] = $renamed->variables->list;
    expect($row->columns)->toBe(['height', 'word'])->and($area->expr)->toStartWith('b*height/2');
});

it('refuses a name that is none, or that is taken', function (string $to, string $problem): void {
    expect(fn () => Renaming::of(triangle(), 'b', $to))->toThrow($problem);
})->with([
    ['2b', Malformed::class], ['', Malformed::class], ['h', RollProblem::class], ['sqrt', RollProblem::class], ['pi', RollProblem::class],
]);

it('refuses to rename what is no name', function (string $from): void {
    expect(fn () => Renaming::of(triangle(), $from, 'x'))->toThrow(Malformed::class);
})->with(['', '(', 'a|b', '/', 'ä']);

it('lets a number vary everywhere it stands by itself', function (): void {
    [$question, $name, $places] = Varying::of(triangle(), '4', '');
    $part = $question->parts[0];

    expect($name)->toBe('a')->and($places)->toBe(4)
        ->and($question->body)->toContain('height <var data-value="a"></var> cm, not 14 or 4.5.')
        ->toContain('<mi data-value="a"></mi>')->toContain('\val{b}\cdot \val{a}')
        ->and($part->key->rules[1]->on->value)->toEqual((object) ['expr' => 'a'])
        ->and($part->key->rules[1]->feedback->html)->toBe('<p><var data-value="a"></var> is the height.</p>')
        ->and($question->variables->list[3])->toEqual(
            (object) ['name' => 'a', 'kind' => 'integer', 'from' => '1', 'to' => '9', 'step' => '1'],
        );
});

it('makes a range around the number, in steps of its last place', function (string $number, array $range): void {
    [$question] = Varying::of(triangle(), $number, 'x');
    $made = $question->variables->list[3];
    expect([$made->kind, $made->from, $made->to, $made->step])->toBe($range);
})->with([
    ['54', ['integer', '49', '59', '1']],
    ['−3', ['integer', '-8', '2', '1']],
    ['2.70', ['decimal', '2.65', '2.75', '0.01']],
    ['0,3', ['decimal', '0.1', '0.8', '0.1']],
    ['0', ['integer', '-5', '5', '1']],
]);

it('refuses to let vary what is no number', function (string $number): void {
    expect(fn () => Varying::of(triangle(), $number, ''))->toThrow(Malformed::class);
})->with(['cm', '', '4 cm', '1e9999']);
