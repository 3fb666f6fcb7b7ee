<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use WideQuarry\Graph\FigureProblem;
use WideQuarry\Graph\WrittenFigure;

/** How many formulas are drawn or compared in one go: each is worked out at a few hundred places. */
final class FormulaCount
{
    public const MOST = 5;

    /**
     * @param  list<WrittenFigure>  $figures
     *
     * @throws FigureProblem
     */
    public static function limit(array $figures): void
    {
        if (count(array_filter($figures, fn (WrittenFigure $figure): bool => $figure->isFormula())) > self::MOST) {
            throw FigureProblem::because('most-formulas', ['most' => self::MOST]);
        }
    }
}
