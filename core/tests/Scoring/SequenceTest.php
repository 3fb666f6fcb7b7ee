<?php

declare(strict_types=1);

use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Scheme;
use WideQuarry\Scoring\SequenceScoring;

$four = ['A' => 0, 'B' => 1, 'C' => 2, 'D' => 3];
$tied = ['A' => 0, 'B' => 1, 'C' => 1, 'D' => 2];

// Worked by hand: A B C D is right; pairs 6, joins 3, chain 3, positions 4. With B and C of one rank: pairs 5.
it('judges a sequence as the formulas say', function (Scheme $scheme, array $ranks, string $given, string $credit): void {
    expect(Exact::text((new SequenceScoring($ranks, str_split($given)))->credit($scheme)))->toBe($credit);
})->with([
    'all: right' => [Scheme::All, $four, 'ABCD', '1'],
    'all: not' => [Scheme::All, $four, 'ABDC', '0'],
    'all: one missing' => [Scheme::All, $four, 'ABC', '0'],
    'all: equal ranks' => [Scheme::All, $tied, 'ACBD', '1'],
    'pairs: right' => [Scheme::Pairs, $four, 'ABCD', '1'],
    'pairs: neighbours exchanged, 5 − 1 of 6' => [Scheme::Pairs, $four, 'BACD', '2/3'],
    'pairs: back to front' => [Scheme::Pairs, $four, 'DCBA', '0'],
    'pairs: D missing, 3 of 6' => [Scheme::Pairs, $four, 'ABC', '1/2'],
    'pairs: the last first, 3 − 3' => [Scheme::Pairs, $four, 'DABC', '0'],
    'pairs: equal ranks do not count' => [Scheme::Pairs, $tied, 'ACBD', '1'],
    'pairs: equal ranks, A after C: 4 − 1 of 5' => [Scheme::Pairs, $tied, 'CABD', '3/5'],
    'joins: C D alone' => [Scheme::Joins, $four, 'BACD', '1/3'],
    'joins: D A B C' => [Scheme::Joins, $four, 'DABC', '2/3'],
    'joins: equal ranks in any order' => [Scheme::Joins, $tied, 'ACBD', '1'],
    'chain: A B C after D' => [Scheme::Chain, $four, 'DABC', '2/3'],
    'chain: back to front' => [Scheme::Chain, $four, 'DCBA', '0'],
    'chain: nothing given' => [Scheme::Chain, $four, '', '0'],
    'pairs: nothing given' => [Scheme::Pairs, $four, '', '0'],
    'chain: equal ranks' => [Scheme::Chain, $tied, 'CBAD', '2/3'],
    'positions: C and D' => [Scheme::Positions, $four, 'BACD', '1/2'],
    'positions: none' => [Scheme::Positions, $four, 'DABC', '0'],
    'positions: equal ranks share theirs' => [Scheme::Positions, $tied, 'ACBD', '1'],
]);

it('gives the key everything, the reverse nothing, and stays within bounds', function (Scheme $scheme): void {
    mt_srand(7);
    for ($round = 0; $round < (getenv('QUARRY_LONG') ? 3000 : 200); $round++) {
        $m = mt_rand(2, 7);
        $ids = array_map(fn (int $i): string => "i$i", range(1, $m));
        $ranks = array_combine($ids, range(0, $m - 1));
        $given = $ids;
        shuffle($given);
        $given = array_slice($given, 0, mt_rand(1, $m));
        $credit = (new SequenceScoring($ranks, $given))->credit($scheme);
        expect($credit->isNegative() || $credit->isGreaterThan(1))
            ->toBeFalse()
            ->and((new SequenceScoring($ranks, $ids))->credit($scheme)->isEqualTo(1))
            ->toBeTrue();
        if ($scheme !== Scheme::Positions) {
            // in an odd number the one in the middle stays in its place
            expect((new SequenceScoring($ranks, array_reverse($ids)))->credit($scheme)->isZero())->toBeTrue();
        }
    }
})->with([Scheme::All, Scheme::Pairs, Scheme::Joins, Scheme::Chain, Scheme::Positions]);
