<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureKind;
use WideQuarry\Graph\FigureProblem;
use WideQuarry\Graph\FigureWords;
use WideQuarry\Graph\WrittenFigure;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\UnreadableResponse;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;

/** Figures of a response. */
final class DrawnFigures
{
    /** Each is compared with every rule, and assigned to the best. */
    private const MOST = 50;

    /** Comparisons with figures of the key: about a second. */
    private const MOST_COMPARED = 2500;

    /** Points that are looked at side by side: about a second, too. */
    private const MOST_POINTS = 250_000;

    /** Nobody draws more exactly. */
    private const MOST_DIGITS = 24;

    /**
     * @return list<Figure>
     *
     * @throws UnreadableResponse|FigureProblem
     */
    public static function read(mixed $json, GraphSettings $settings): array
    {
        if (! is_array($json) || ! array_is_list($json)) {
            throw UnreadableResponse::because(Message::of('parts.graph.response-figures'));
        }
        if (count($json) > self::MOST) {
            throw UnreadableResponse::because(Message::of('parts.graph.most-figures', ['most' => self::MOST]));
        }
        $written = [];
        foreach ($json as $i => $one) {
            $written[] = self::figure($one, $i, $settings);
        }
        DrawingLimit::check($written);
        try {
            return array_map(fn (WrittenFigure $one): Figure => $one->in(new Roll), $written);
        } catch (RollProblem $problem) {
            throw UnreadableResponse::because($problem->getMessage());
        }
    }

    /**
     * How many may be drawn before comparing them with the key takes too long.
     */
    public static function most(Part $part): int
    {
        $wanted = array_sum(array_map(fn (Rule $rule): int => max(1, count(GraphKind::wanted($rule)->figures)), $part->key->rules));

        return max(1, min(self::MOST, intdiv(self::MOST_COMPARED, max(1, $wanted))));
    }

    /**
     * Whether they have so many corners that comparing them with those of the key takes too long.
     *
     * @param  list<Figure>  $figures
     */
    public static function areTooMuch(array $figures, Part $part): bool
    {
        $drawn = array_sum(array_map(fn (Figure $figure): int => count($figure->points), $figures));
        $corners = array_map(fn (WrittenFigure $figure): int => count($figure->points), GraphKind::figures($part));

        return $drawn * array_sum($corners) > self::MOST_POINTS;
    }

    /** @throws UnreadableResponse */
    private static function figure(mixed $json, int $at, GraphSettings $settings): WrittenFigure
    {
        try {
            $written = WrittenFigure::read($json, "/figures/$at");
            if (! ($settings->isPlane() ? $written->kind->isOnPlane() : $written->kind->isOnLine())) {
                throw UnreadableResponse::because(Message::of('parts.graph.not-on-this', [
                    'figure' => FigureWords::name($written->kind),
                    'surface' => $settings->isPlane() ? 'plane' : 'line',
                ]));
            }
            foreach ($written->values() as $value) {
                if ($value->isExpression() || strlen($value->source()) > self::MOST_DIGITS) {
                    throw UnreadableResponse::because(Message::of('parts.graph.long-number', ['digits' => self::MOST_DIGITS]));
                }
            }

            return $written;
        } catch (Malformed $problem) {
            throw UnreadableResponse::because($problem->getMessage());
        }
    }

    /**
     * Figures as people write them into a cell: "line (0, 1) (2, 5); point (3, 4)".
     *
     * @return list<\stdClass>
     *
     * @throws UnreadableResponse
     */
    public static function written(string $written): array
    {
        $figures = [];
        foreach (array_filter(array_map(trim(...), explode(';', $written)), fn (string $one): bool => $one !== '') as $one) {
            $one = strtr($one, ['−' => '-']);
            if (preg_match('/^([a-z_ ]+?)\s*((?:\([^()]*\)\s*)+)(dashed)?$/', mb_strtolower($one), $m) !== 1) {
                throw UnreadableResponse::because(Message::of('parts.graph.not-a-figure', ['written' => $one]));
            }
            $kind = FigureKind::tryFrom(str_replace(' ', '_', $m[1]));
            if ($kind === null) {
                throw UnreadableResponse::because(Message::of('parts.graph.not-a-figure', ['written' => $one]));
            }
            preg_match_all('/\(([^()]*)\)/', $m[2], $points);
            $figures[] = (object) [
                'figure' => $kind->value,
                'points' => array_map(fn (string $pair): array => array_map(trim(...), explode(',', $pair)), $points[1]),
                ...($m[3] ?? '') === 'dashed' ? ['dashed' => true] : [],
            ];
        }

        return $figures;
    }
}
