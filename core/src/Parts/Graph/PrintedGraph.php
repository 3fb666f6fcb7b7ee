<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use WideQuarry\Graph\FigureDrawing;
use WideQuarry\Graph\FigureProblem;
use WideQuarry\Graph\Frame;
use WideQuarry\Graph\GridDrawing;
use WideQuarry\Graph\WrittenFigure;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Variables\RollProblem;

/** The empty grid to draw on; in the key with the answer drawn in. */
final class PrintedGraph
{
    private const INK = '#000';

    private const GIVEN = '#444';

    /** CSS pixels of a centimetre (CSS Values and Units 4, 6.2). */
    private const CENTIMETRE = 96 / 2.54;

    /** What fits between the margins of a page. */
    private const WIDEST = 640.0;

    /** @param  array<mixed>  $presented */
    public function part(GraphSettings $settings, array $presented, Paper $paper): string
    {
        $in = $presented['frame'] ?? null;
        if (! is_array($in) || ! is_string($presented['grid'] ?? null) || ! is_string($presented['figures'] ?? null)) {
            return '';
        }
        $background = $presented['background'] ?? null;
        $content = (is_array($background) ? self::image($background, $paper) : '').$presented['grid'].$presented['figures'];
        $size = fn (string $side): float => is_numeric($in[$side] ?? null) ? (float) $in[$side] : 0.0;
        $scale = $settings->isTrue ? $this->scale($presented, $size) : 1.0;

        return '<figure class="graph">'.self::svg($content, $size('width'), $size('height'), $scale).'</figure>';
    }

    /** @return list<PrintedAnswer> */
    public function answers(Part $part, GraphSettings $settings, ScoringContext $in, Paper $paper): array
    {
        try {
            $grid = $settings->grid($in->roll);
            $frame = new Frame($grid);
            $drawing = new FigureDrawing($frame);
            $base = (new GridDrawing($frame))->grid();
            foreach ($settings->givenIn($in->roll) as $figure) {
                $base .= $drawing->svg($figure, self::GIVEN);
            }
            DrawingLimit::check(GraphKind::figures($part));
            $answers = [];
            $drawn = '';
            foreach ($part->key->rules as $rule) {
                if (! $rule->credit()->isPositive()) {
                    continue;
                }
                $isDrawn = Exact::isAll($rule->credit()) || $this->isOneOfSeveral($part);
                $drawn .= $isDrawn ? self::figures($rule, $drawing, $in) : '';
                $words = GraphKind::wanted($rule)->inWords($grid, $in->roll, $in->language);
                $answers[] = new PrintedAnswer(Paper::text($words), $rule->credit());
            }
        } catch (FigureProblem) {
            return [];
        }

        return $drawn === ''
            ? $answers
            : [new PrintedAnswer(self::svg($base.$drawn, $frame->width, $frame->height, 0.7), Exact::one()), ...$answers];
    }

    /** Whether several figures make up the answer, so that each is drawn in the key. */
    private function isOneOfSeveral(Part $part): bool
    {
        return array_filter($part->key->rules, fn (Rule $rule): bool => Exact::isAll($rule->credit())) === [];
    }

    /** @throws FigureProblem|RollProblem */
    private static function figures(Rule $rule, FigureDrawing $drawing, ScoringContext $in): string
    {
        return implode('', array_map(
            fn (WrittenFigure $one): string => $drawing->svg($one->in($in->roll), self::INK),
            GraphKind::wanted($rule)->figures,
        ));
    }

    /**
     * By how much a step of the grid is to be a centimetre, as long as the page is wide enough.
     *
     * @param  array<mixed>  $presented
     * @param  \Closure(string): float  $size
     */
    private function scale(array $presented, \Closure $size): float
    {
        $axis = $presented['x'] ?? null;
        $read = fn (string $name): float => is_array($axis) && is_string($axis[$name] ?? null)
            ? (Exact::read($axis[$name])?->toFloat() ?? 0.0)
            : 0.0;
        $steps = $read('step') > 0 ? ($read('to') - $read('from')) / $read('step') : 0.0;
        $width = $size('right') - $size('left');
        $scale = $steps > 0 && $width > 0 ? $steps * self::CENTIMETRE / $width : 1.0;

        return $size('width') * $scale <= self::WIDEST ? $scale : self::WIDEST / $size('width');
    }

    /** @param  array<mixed>  $background */
    private static function image(array $background, Paper $paper): string
    {
        $from = is_string($background['media'] ?? null) ? $paper->pictureOf($background['media']) : null;
        if ($from === null) {
            return '';
        }
        $attributes = '';
        foreach (['x', 'y', 'width', 'height', 'opacity'] as $name) {
            $value = $background[$name] ?? 0;
            $attributes .= " $name=\"".Frame::number(is_numeric($value) ? (float) $value : 0.0).'"';
        }

        return '<image href="'.Paper::text($from)."\"$attributes preserveAspectRatio=\"none\"/>";
    }

    public static function svg(string $content, float $width, float $height, float $scale): string
    {
        return '<svg class="picture" xmlns="http://www.w3.org/2000/svg" role="img" aria-label="'.
            Paper::text(Message::of('parts.graph.grid')).
            '" viewBox="0 0 '.Frame::number($width).' '.Frame::number($height).'" width="'.Frame::number($width * $scale).
            '" height="'.Frame::number($height * $scale)."\" font-family=\"sans-serif\">$content</svg>";
    }
}
