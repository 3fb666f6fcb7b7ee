<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use WideQuarry\Graph\FigureProblem;
use WideQuarry\Graph\WrittenFigure;

/** How much is drawn or compared in one go, so that it takes a few seconds at the most. */
final class DrawingLimit
{
    /** Each is worked out at a few hundred places. */
    private const FORMULAS = 5;

    /** Of all figures together: whether edges cross is asked of each polygon. */
    private const POINTS = 3000;

    /**
     * @param  list<WrittenFigure>  $figures
     *
     * @throws FigureProblem
     */
    public static function check(array $figures): void
    {
        if (count(array_filter($figures, fn (WrittenFigure $figure): bool => $figure->isFormula())) > self::FORMULAS) {
            throw FigureProblem::because('most-formulas', ['most' => self::FORMULAS]);
        }
        if (array_sum(array_map(fn (WrittenFigure $figure): int => count($figure->points), $figures)) > self::POINTS) {
            throw FigureProblem::because('most-points', ['most' => self::POINTS]);
        }
    }
}
