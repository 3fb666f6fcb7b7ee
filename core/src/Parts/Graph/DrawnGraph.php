<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureDrawing;
use WideQuarry\Graph\FigureProblem;
use WideQuarry\Graph\FigureWords;
use WideQuarry\Graph\Frame;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\WrittenFigure;
use WideQuarry\Json\Malformed;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;

/** A grid that need not be stored, with figures on it: drawn, and in words. What is wrong is told for each by itself. */
final readonly class DrawnGraph
{
    private const COLOUR = '#0e6a5b';

    private const MOST = 120;

    private function __construct(private GraphSettings $settings, private Roll $roll, private string $language)
    {
    }

    /** @throws Malformed */
    public static function of(mixed $settings, Roll $roll, string $language): self
    {
        return new self(GraphSettings::read($settings, '/settings'), $roll, $language);
    }

    /** @return array<string, mixed> the grid as a learner gets it, or what is wrong with it */
    public function shown(): array
    {
        return (new PresentedGraph($this->settings))->of(
            new ScoringContext($this->language, NormaliseOptions::read(new \stdClass, ''), $this->roll),
        );
    }

    /**
     * @param  list<mixed>  $figures
     * @return list<array{words: string, svg: string, problem: string|null}>
     */
    public function figures(array $figures): array
    {
        return $this->each($figures, function (mixed $json, Grid $grid, FigureDrawing $drawing, array &$drawn): array {
            $figure = WrittenFigure::read($json, '');
            DrawingLimit::check([...$drawn, $figure]);
            $drawn[] = $figure;
            $placed = $figure->in($this->roll);

            return [FigureWords::of($placed, $grid), $drawing->svg($placed, self::COLOUR)];
        });
    }

    /**
     * What rules want.
     *
     * @param  list<mixed>  $wanted
     * @return list<array{words: string, svg: string, problem: string|null}>
     */
    public function wanted(array $wanted): array
    {
        return $this->each($wanted, function (mixed $json, Grid $grid, FigureDrawing $drawing, array &$drawn): array {
            $rule = FigureRule::read($json, '');
            DrawingLimit::check([...$drawn, ...$rule->figures]);
            $drawn = [...$drawn, ...$rule->figures];
            $figures = array_map(fn (WrittenFigure $one): Figure => $one->in($this->roll), $rule->figures);

            return [
                $rule->inWords($grid, $this->roll, $this->language),
                implode('', array_map(fn (Figure $figure): string => $drawing->svg($figure, self::COLOUR), $figures)),
            ];
        });
    }

    /**
     * @param  list<mixed>  $list
     * @param  \Closure(mixed, Grid, FigureDrawing, list<WrittenFigure>): array{string, string}  $draw  the last: what was drawn before, to add to
     * @return list<array{words: string, svg: string, problem: string|null}>
     */
    private function each(array $list, \Closure $draw): array
    {
        try {
            $grid = $this->settings->grid($this->roll);
        } catch (FigureProblem|RollProblem) {
            return []; // told with the grid
        }
        $drawing = new FigureDrawing(new Frame($grid));
        $drawn = [];

        return array_map(function (mixed $json) use ($draw, $grid, $drawing, &$drawn): array {
            try {
                [$words, $svg] = $draw($json, $grid, $drawing, $drawn);

                return ['words' => $words, 'svg' => $svg, 'problem' => null];
            } catch (FigureProblem|RollProblem|Malformed $problem) {
                return ['words' => '', 'svg' => '', 'problem' => $problem->getMessage()];
            }
        }, array_slice($list, 0, self::MOST));
    }
}
