<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PartKinds;

/** Keeps parts that no kind can mark, for manual marking at the source's maximum. */
final class ManualMarking
{
    private const LINES = 5;

    /** A written answer in place of an unsupported interaction. */
    public static function part(string $id): \stdClass
    {
        return (object) [
            'id' => $id,
            'kind' => 'essay',
            'points' => 1,
            'settings' => (object) ['lines' => self::LINES],
            'key' => new \stdClass(),
            'scoring' => (object) ['scheme' => 'person'],
        ];
    }

    /** The key of a part that nothing is known about. */
    public static function emptyKey(PartKinds $kinds, mixed $kind): \stdClass
    {
        return is_string($kind) && $kinds->find($kind)?->hasRules() === false
            ? new \stdClass()
            : (object) ['rules' => [], 'default' => '0'];
    }

    /**
     * Typed answers of several lines that no rule marks are essays, where each stands in a paragraph of its own.
     *
     * @param  \stdClass  $question  its parts are changed in place
     */
    public static function essays(\stdClass $question, PartKinds $kinds): void
    {
        foreach (is_array($question->parts) ? $question->parts : [] as $part) {
            if (! ($part instanceof \stdClass) || ! is_string($part->id) || ! is_string($part->kind) || ! is_string($question->body)) {
                continue;
            }
            if (self::isLong($part)) {
                $id = htmlspecialchars($part->id, ENT_QUOTES | ENT_HTML5);
                $alone = '~<p>\s*<span data-part="'.preg_quote($id, '~').'"></span>\s*</p>~u';
                $question->body = (string) preg_replace($alone, "<div data-part=\"$id\"></div>", $question->body, 1);
                $part->kind = str_contains($question->body, "<div data-part=\"$id\">") ? 'essay' : $part->kind;
            }
            if ($kinds->find($part->kind)?->hasRules() === false) {
                $part->settings = (object) array_diff_key((array) $part->settings, ['width' => true]);
                $part->key = (object) array_diff_key((array) $part->key, ['rules' => true, 'default' => true]);
                $part->scoring = (object) ['scheme' => 'person'];
            }
        }
    }

    /** Whether it is typed on several lines, and rules could mark it but do not. */
    private static function isLong(\stdClass $part): bool
    {
        $lines = $part->settings instanceof \stdClass ? $part->settings->lines ?? 1 : 1;
        $rules = $part->key instanceof \stdClass ? $part->key->rules ?? null : null;

        return $lines > 1 && $rules === [] && $part->scoring instanceof \stdClass && ($part->scoring->scheme ?? null) === 'person';
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
