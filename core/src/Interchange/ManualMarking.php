<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Numbers\Exact;

/** Keeps parts that no kind can mark, for manual marking at the source's maximum. */
final class ManualMarking
{
    private const LINES = 5;

    /** A written answer in place of an unsupported interaction. */
    public static function part(string $id): \stdClass
    {
        return (object) [
            'id' => $id,
            'kind' => 'text',
            'points' => 1,
            'settings' => (object) ['lines' => self::LINES],
            'key' => (object) ['rules' => [], 'default' => '0'],
            'scoring' => (object) ['scheme' => 'person'],
        ];
    }

    /**
     * Distributes what is left of the maximum among the manually marked parts.
     *
     * @param  array<mixed>  $parts  of a question, with their points
     * @param  BigRational|null  $most  the maximum of the question; null when the source does not state it
     */
    public static function share(array $parts, ?BigRational $most): void
    {
        $byHand = [];
        $rest = $most ?? Exact::zero();
        foreach ($parts as $part) {
            if (! ($part instanceof \stdClass) || ! (is_int($part->points) || is_float($part->points))) {
                continue;
            }
            $scoring = $part->scoring ?? null;
            if ($scoring instanceof \stdClass && ($scoring->scheme ?? null) === 'person') {
                $byHand[] = $part;
            } else {
                $rest = $rest->minus(Exact::read((string) $part->points) ?? Exact::zero());
            }
        }
        $left = count($byHand);
        foreach ($rest->isPositive() ? $byHand : [] as $part) {
            $share = $left === 1 ? $rest : Exact::toPlaces($rest->dividedBy($left), 4)->toBigRational();
            $part->points = ScoreFloats::points($share);
            $rest = $rest->minus($share);
            $left--;
        }
    }
}
