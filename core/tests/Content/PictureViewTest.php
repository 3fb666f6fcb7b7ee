<?php

declare(strict_types=1);

use WideQuarry\Content\PictureView;

it('cuts a picture in a box of the right shape', function (string $written, string $ratio, array $picture): void {
    $css = PictureView::read($written)?->css();

    expect($css)->toBe([
        'box' => "aspect-ratio:$ratio",
        'picture' => "width:$picture[0];margin-left:-$picture[1];margin-top:-$picture[2]",
    ]);
})->with([
    'the middle' => ['25 25 50 50 100 100', '50/50', ['200%', '50%', '50%']],
    'a corner of a broad one' => ['0 0 300 100 600 200', '300/100', ['200%', '0%', '0%']],
    'a third' => ['1 0 3 1 10 1', '3/1', ['333.3333%', '33.3333%', '0%']],
]);

it('is none of what is not a part', function (string $written): void {
    expect(PictureView::read($written))->toBeNull();
})->with([
    '',
    '1 2 3',
    '0 0 10 10 10 10',
    '5 0 6 5 10 10',
    '0 0 0 5 10 10',
    '-1 0 5 5 10 10',
    '0 0 5 5 10 10 ',
    '0 0 5 5 200000 10',
    "0 0 5 5 10 10\n",
]);
