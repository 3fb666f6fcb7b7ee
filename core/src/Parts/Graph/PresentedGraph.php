<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureDrawing;
use WideQuarry\Graph\FigureKind;
use WideQuarry\Graph\FigureProblem;
use WideQuarry\Graph\FigureWords;
use WideQuarry\Graph\Frame;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\GridDrawing;
use WideQuarry\Graph\WrittenFigure;
use WideQuarry\Numbers\Exact;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Variables\RollProblem;
use WideQuarry\Variables\Value;

/** The grid as a learner gets it: drawn, with the numbers that the page needs to draw on it. */
final readonly class PresentedGraph
{
    private const GIVEN = '#3b3833';

    private const ANSWER = '#0e6a5b';

    /** Pixels of the longer side of a thumbnail, and around it. */
    private const THUMBNAIL = 100.0;

    private const EDGE = 12.0;

    public function __construct(private GraphSettings $settings)
    {
    }

    /** @return array<string, mixed> */
    public function of(ScoringContext $in): array
    {
        $settings = $this->settings;
        $shown = [
            'surface' => $settings->isPlane() ? 'plane' : 'line',
            'tools' => array_map(fn (FigureKind $kind): string => $kind->value, $settings->tools),
            'dashes' => $settings->dashes,
            'max' => $settings->max,
        ];
        try {
            $grid = $settings->grid($in->roll);
            $given = $settings->givenIn($in->roll);
            $snap = $settings->snap?->number($in->roll);

            return [
                ...$shown,
                'snap' => $snap === null || ! $snap->isPositive() ? null : Exact::text($snap),
                'x' => self::axis($grid, true),
                'y' => $grid->y === null ? null : self::axis($grid, false),
                'given' => array_map(fn (Figure $figure): string => FigureWords::of($figure, $grid), $given),
                ...$this->drawn($grid, $given, $in),
            ];
        } catch (FigureProblem|RollProblem $problem) {
            // shown as it is while it is being written; the check says what is wrong
            return [...$shown, 'problem' => $problem->getMessage()];
        }
    }

    /**
     * Grid, given figures and the whole answer, small: for lists of those who may see the key.
     *
     * @param  list<WrittenFigure>  $answer
     *
     * @throws RollProblem
     */
    public function thumbnail(ScoringContext $in, array $answer): ?string
    {
        try {
            $grid = $this->settings->grid($in->roll);
            $most = max($grid->x->steps()->toFloat(), $grid->y?->steps()->toFloat() ?? 0.0);
            $frame = new Frame($grid, self::THUMBNAIL / $most);
            $drawing = new FigureDrawing($frame);
            $svg = (new GridDrawing($frame, false))->grid();
            foreach ($this->settings->givenIn($in->roll) as $figure) {
                $svg .= $drawing->svg($figure, self::GIVEN);
            }
            DrawingLimit::check($answer);
            foreach ($answer as $figure) {
                $svg .= $drawing->svg($figure->in($in->roll), self::ANSWER);
            }
        } catch (FigureProblem) {
            return null;
        }
        [$width, $height] = [$frame->right - $frame->left + self::EDGE, $frame->bottom - $frame->top + self::EDGE];

        return '<svg xmlns="http://www.w3.org/2000/svg" width="'.Frame::number($width).'" height="'.Frame::number($height).'" viewBox="'.
            implode(' ', array_map(Frame::number(...), [$frame->left - self::EDGE / 2, $frame->top - self::EDGE / 2, $width, $height])).
            "\">$svg</svg>";
    }

    /** @return array<string, string> */
    private static function axis(Grid $grid, bool $across): array
    {
        $axis = $across ? $grid->x : $grid->y;
        assert($axis !== null);

        return [
            'from' => Exact::text($axis->from),
            'to' => Exact::text($axis->to),
            'step' => Exact::text($axis->step),
            'name' => $axis->name,
            'unit' => $axis->unit,
        ];
    }

    /**
     * @param  list<Figure>  $given
     * @return array<string, mixed>
     *
     * @throws RollProblem
     */
    private function drawn(Grid $grid, array $given, ScoringContext $in): array
    {
        $frame = new Frame($grid);
        $drawing = new FigureDrawing($frame);
        $background = $this->settings->background;

        return [
            'frame' => $frame->shown(),
            'grid' => (new GridDrawing($frame))->grid(),
            'figures' => implode('', array_map(fn (Figure $figure): string => $drawing->svg($figure, self::GIVEN), $given)),
            'background' => $background === null ? null : [
                'media' => $background->media,
                'alt' => $in->roll->filling()->text($background->alt),
                'opacity' => $background->opacity,
                ...self::place($background, $frame, $in),
            ],
        ];
    }

    /**
     * Where the picture lies, in pixels of the drawing.
     *
     * @return array{x: float, y: float, width: float, height: float}
     *
     * @throws RollProblem
     */
    public static function place(Background $background, Frame $frame, ScoringContext $in): array
    {
        if ($background->at === []) {
            [$left, $bottom, $right, $top] = [$frame->left, $frame->bottom, $frame->right, $frame->top];
        } else {
            $at = array_map(fn (Value $value): float => $value->number($in->roll)->toFloat(), $background->at);
            [$left, $bottom, $right, $top] = [$frame->x($at[0]), $frame->y($at[1]), $frame->x($at[2]), $frame->y($at[3])];
        }

        return [
            'x' => round(min($left, $right), 2),
            'y' => round(min($top, $bottom), 2),
            'width' => round(abs($right - $left), 2),
            'height' => round(abs($bottom - $top), 2),
        ];
    }
}
