<?php

declare(strict_types=1);

namespace WideQuarry\Duplicates;

use WideQuarry\Content\RichText;
use WideQuarry\Question\Question;
use WideQuarry\Search\Splitter;

/**
 * Says of two questions whether they are nearly the same in their words, without looking at both: the least hashes of their words, in
 * bands; one band in common is enough. Of two sets of words that share the part j, that has the chance 1 − (1 − j⁵)⁸: 0.96 at 0.8, 0.48
 * at 0.6, 0.08 at 0.4.
 *
 * @see Broder (1997), On the resemblance and containment of documents, Compression and Complexity of Sequences, 21-29,
 *     doi:10.1109/SEQUEN.1997.666900
 */
final class MinHashSignature
{
    public const BANDS = 8;

    private const ROWS = 5;

    /** Fewer words say too little. */
    private const FEWEST = 5;

    /** @return list<int> a number of 32 bits for each band, with the band in it; none for a question of few words */
    public static function of(Question $question): array
    {
        $texts = [RichText::read($question->body)->plain()];
        foreach ($question->parts as $part) {
            foreach ($part->kind?->texts($part) ?? [] as $html) {
                $texts[] = RichText::read($html)->plain();
            }
        }
        preg_match_all('/[\p{L}\p{N}]+/u', Splitter::fold(mb_scrub(implode(' ', $texts), 'UTF-8')), $m);

        return self::ofWords(array_values(array_unique($m[0])));
    }

    /**
     * @param  list<string>  $words  each once
     * @return list<int>
     */
    public static function ofWords(array $words): array
    {
        if (count($words) < self::FEWEST) {
            return [];
        }
        $least = array_fill(0, self::BANDS * self::ROWS, PHP_INT_MAX);
        foreach ($words as $word) {
            $bytes = hash('sha256', $word, true);
            /** @var array{a: int, b: int} $seeds */
            $seeds = unpack('Va/Vb', $bytes);
            foreach ($least as $i => $now) {
                // one hash and multiples of another stand for many (Kirsch and Mitzenmacher 2006)
                $hash = ($seeds['a'] + $i * ($seeds['b'] | 1)) & 0xFFFFFFFF;
                if ($hash < $now) {
                    $least[$i] = $hash;
                }
            }
        }
        $bands = [];
        for ($band = 0; $band < self::BANDS; $band++) {
            /** @var array{n: int} $number */
            $number = unpack('ln', hash('sha256', $band.':'.implode(',', array_slice($least, $band * self::ROWS, self::ROWS)), true));
            $bands[] = $number['n'];
        }

        return $bands;
    }
}
