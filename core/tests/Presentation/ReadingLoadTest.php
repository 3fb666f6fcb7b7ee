<?php

declare(strict_types=1);

use WideQuarry\Presentation\ReadingLoad;

it('counts words as they are read', function (array $presentation, int $words): void {
    expect(ReadingLoad::words($presentation))->toBe($words);
})->with([
    'nothing' => [['body' => []], 0],
    'words, signs and an apostrophe' => [['body' => [['p', new stdClass, 'It’s a well-known rock: slate, or 3.5 % of it?']]], 9],
    'no names of elements or attributes' => [
        ['body' => [['p', (object) ['class' => 'a b'], 'one ', ['strong', new stdClass, 'two']], ['div', (object) ['data-part' => 'p1']]]],
        2,
    ],
    'what is offered, and not how it is called inside' => [
        [
            'body' => [['p', new stdClass, 'Which?']],
            'parts' => [
                [
                    'id' => 'p1',
                    'kind' => 'choice',
                    'label' => '',
                    'settings' => (object) ['options' => [['id' => 'o1', 'body' => ['hard ', ['em', new stdClass, 'rock']]]], 'order' => ['o1']],
                ],
            ],
        ],
        3,
    ],
]);
