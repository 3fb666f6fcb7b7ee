<?php

declare(strict_types=1);

use WideQuarry\Content\Limits;
use WideQuarry\Content\RichText;

it('counts markup before it is parsed', function (string $html, bool $isExceeded): void {
    expect(Limits::exceeded($html) !== null)->toBe($isExceeded);
})->with([
    '100 levels' => [str_repeat('<div>', 100).str_repeat('</div>', 100), false],
    '101 levels' => [str_repeat('<div>', 101).str_repeat('</div>', 101), true],
    'elements that are never closed' => [str_repeat('<b>', 101), true],
    'paragraphs whose end is left out do not nest' => [str_repeat('<p>x', 5000), false],
    'nor do rows, cells and breaks' => ['<table>'.str_repeat('<tr><td>a<td>b<br>', 2000).'</table>', false],
    '20,000 elements' => [str_repeat('<p>x</p>', 20_000), false],
    '20,001 elements' => [str_repeat('<p>x</p>', 20_001), true],
    '500 attributes' => ['<p '.implode(' ', array_map(fn (int $i): string => "a$i=''", range(1, 500))).'>', false],
    '501 attributes' => ['<p '.implode(' ', array_map(fn (int $i): string => "a$i=''", range(1, 501))).'>', true],
    'signs that are no tags' => [str_repeat('1 < 2 = 3 ', 5000), false],
]);

it('keeps the words of a text with too much markup, and says why', function (): void {
    $text = RichText::read(str_repeat('<div>', 40_000).'Slate &amp; schist');
    expect($text->html())
        ->toBe('Slate &amp; schist')
        ->and($text->dropped[0]->sentence())
        ->toBe('All formatting was left out, the words kept, because the text has more than 100 levels.');
});
