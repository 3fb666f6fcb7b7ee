<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureKind;
use WideQuarry\Graph\FigureProblem;
use WideQuarry\Graph\Frame;
use WideQuarry\Interchange\Qti30\ScoredResponse;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Messages\Message;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Variables\RollProblem;

/** Points on a plane as a select-point interaction with an area mapping (QTI 3.0 ASI): each answer is a circle around its point. */
final readonly class SelectedPoints
{
    /** Nobody clicks more exactly, in pixels. */
    private const LEAST = 8.0;

    public function __construct(private Part $part)
    {
    }

    /** @return WrittenPart|null null where something else than points is drawn, or credits are not just added up */
    public function write(string $response, WriteContext $in): ?WrittenPart
    {
        $settings = GraphKind::settings($this->part);
        if ($settings->tools !== [FigureKind::Point] || ! $settings->isPlane() || $this->part->scheme !== Scheme::Weights) {
            return null;
        }
        try {
            $frame = new Frame($settings->grid($in->roll));
            $circles = [];
            foreach ($this->part->key->rules as $rule) {
                $circles[] = $this->circle($rule, $frame, $in);
            }
        } catch (FigureProblem|RollProblem|NotScorable) {
            return null;
        }
        $circles = array_values(array_filter($circles, is_array(...)));

        return $circles === [] || count($circles) < count($this->part->key->rules)
            ? null
            : $this->interaction($response, $frame, $circles, GraphMapping::picture($this->part, $in));
    }

    /**
     * @return array{string, string, Rule}|null coordinates of the circle and of its middle
     *
     * @throws FigureProblem|RollProblem
     */
    private function circle(Rule $rule, Frame $frame, WriteContext $in): ?array
    {
        $wanted = GraphKind::wanted($rule);
        if (count($wanted->figures) !== 1 || $wanted->isRegion || $wanted->figures[0]->kind !== FigureKind::Point) {
            return null;
        }
        $point = self::point($wanted->figures[0]->in($in->roll));
        $x = (int) round($frame->x($point->x));
        $y = (int) round($frame->y($point->y));
        $radius = (int) round(max(self::LEAST, $wanted->tolerance()->toFloat() * $frame->perX * $frame->grid->x->step->toFloat()));

        return ["$x,$y,$radius", "$x $y", $rule];
    }

    private static function point(Figure $figure): \WideQuarry\Geometry\Point
    {
        return $figure->points[0];
    }

    /** @param  list<array{string, string, Rule}>  $circles */
    private function interaction(string $response, Frame $frame, array $circles, string $picture): WrittenPart
    {
        $max = GraphKind::settings($this->part)->max ?? 0;
        $worth = fn (Rule $rule): string => ScoreFloats::float($rule->credit()->multipliedBy($this->part->points()));
        $bound = fn (string $which): string => ScoreFloats::float($this->part->bound($which)->multipliedBy($this->part->points()));
        $entries = implode('', array_map(
            fn (array $circle): string => "<qti-area-map-entry shape=\"circle\" coords=\"$circle[0]\" ".
                "mapped-value=\"{$worth($circle[2])}\"/>",
            $circles,
        ));
        $right = array_filter($circles, fn (array $circle): bool => $circle[2]->credit()->isPositive());
        $correct = implode('', array_map(
            fn (array $circle): string => "<qti-value>$circle[1]</qti-value>",
            array_slice($right, 0, $max ?: null),
        ));
        $default = ScoreFloats::float($this->part->key->default()->multipliedBy($this->part->points()));
        $words = htmlspecialchars(Message::of('parts.graph.grid'), ENT_QUOTES);
        [$width, $height] = [(int) round($frame->width), (int) round($frame->height)];

        return new WrittenPart(
            "<qti-response-declaration identifier=\"$response\" cardinality=\"".($max === 1 ? 'single' : 'multiple').
                "\" base-type=\"point\"><qti-correct-response>$correct</qti-correct-response>".
                "<qti-area-mapping default-value=\"$default\" lower-bound=\"{$bound('low')}\" upper-bound=\"{$bound('high')}\">".
                "$entries</qti-area-mapping></qti-response-declaration>",
            "<qti-select-point-interaction response-identifier=\"$response\" max-choices=\"$max\" min-choices=\"0\">".
                '<img src="data:image/svg+xml;base64,'.base64_encode($picture)."\" alt=\"$words\" width=\"$width\" height=\"$height\"/>".
                '</qti-select-point-interaction>',
            str_replace(
                '<qti-map-response ',
                '<qti-map-response-point ',
                ScoredResponse::processing($this->part, "SCORE_$response", [$response]),
            ),
            [['graph.points', Message::of('parts.graph.points-there')]],
        );
    }
}
