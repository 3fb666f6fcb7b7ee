<?php

declare(strict_types=1);

use WideQuarry\Duplicates\MinHashSignature;
use WideQuarry\Random\Seed;

/** @return list<string> */
function randomWords(string $purpose, int $count): array
{
    $stream = Seed::of(16)->stream('words', $purpose);
    $words = [];
    for ($i = 0; $i < $count; $i++) {
        $words[] = base_convert((string) $stream->below(1_000_000), 10, 36);
    }

    return $words;
}

it('shares a band between texts that differ in a word, and none between different texts', function (): void {
    $shared = $strangers = 0;
    for ($i = 0; $i < 40; $i++) {
        $words = randomWords("a$i", 40);
        $changed = $words;
        $changed[20] = 'otherwise';
        $shared += array_intersect(MinHashSignature::ofWords($words), MinHashSignature::ofWords($changed)) === [] ? 0 : 1;
        $strangers += array_intersect(MinHashSignature::ofWords($words), MinHashSignature::ofWords(randomWords("b$i", 40))) === [] ? 0 : 1;
    }

    expect($shared)->toBeGreaterThanOrEqual(38)->and($strangers)->toBeLessThanOrEqual(1);
});

it('is the same for the same words, and fits a 32-bit column', function (): void {
    $bands = MinHashSignature::ofWords(randomWords('same', 30));

    expect(MinHashSignature::ofWords(randomWords('same', 30)))->toBe($bands);
    foreach ($bands as $band) {
        expect($band)->toBeGreaterThanOrEqual(-(2 ** 31))->toBeLessThan(2 ** 31);
    }
});
