<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use WideQuarry\CoreException;
use WideQuarry\Finding;
use WideQuarry\Geometry\Point;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureKind;
use WideQuarry\Graph\FigureProblem;
use WideQuarry\Graph\FigureWords;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\Region;
use WideQuarry\Graph\WrittenFigure;
use WideQuarry\Messages\Message;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Variables\RollProblem;

/** What an author should mend in a grid and in what is wanted on it. */
final class GraphCheck
{
    /** @return list<Finding> */
    public function findings(Part $part, GraphSettings $settings, ScoringContext $in): array
    {
        try {
            $grid = $settings->grid($in->roll);
        } catch (FigureProblem|RollProblem $problem) {
            return [Finding::blocking($problem->rule, "$settings->path/x", $problem->getMessage())];
        }

        try {
            DrawingLimit::check(GraphKind::figures($part));
            DrawingLimit::check($settings->given);
        } catch (FigureProblem $problem) {
            return [Finding::blocking($problem->rule, "$part->path/key/rules", $problem->getMessage())]; // nothing of it in time
        }

        return [
            ...$this->settings($settings, $grid, $in),
            ...$this->rules($part, $settings, $grid, $in),
            ...$this->whole($part, $settings),
        ];
    }

    /** @return list<Finding> */
    private function settings(GraphSettings $settings, Grid $grid, ScoringContext $in): array
    {
        $findings = [];
        foreach ($settings->given as $figure) {
            array_push($findings, ...$this->figure($figure, $settings, $grid, $in));
        }
        if ($settings->tools === []) {
            $findings[] = Finding::blocking('graph.no_tools', "$settings->path/tools", Message::of('parts.graph.no-tools'));
        }
        if ($settings->background !== null && $settings->background->alt === '') {
            $sentence = Message::of('parts.graph.describe-background');
            $findings[] = Finding::warning('graph.background_alt', "$settings->path/background/alt", $sentence);
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function rules(Part $part, GraphSettings $settings, Grid $grid, ScoringContext $in): array
    {
        $findings = [];
        foreach ($part->key->rules as $rule) {
            $wanted = GraphKind::wanted($rule);
            $problems = [];
            foreach ($wanted->figures as $figure) {
                array_push($problems, ...$this->figure($figure, $settings, $grid, $in));
                if (self::earns($rule) && ! in_array($figure->kind, $settings->tools, true)) {
                    $problems[] = Finding::blocking('graph.no_tool_for', $figure->path, Message::of('parts.graph.no-tool-for', [
                        'figure' => FigureWords::name($figure->kind),
                    ]));
                }
            }
            try {
                [$wanted->tolerance(), $wanted->shares()];
            } catch (NotScorable $problem) {
                $problems[] = Finding::blocking($problem->rule, $problem->path, $problem->getMessage());
            }
            if ($wanted->figures === [] && $wanted->asks === []) {
                $problems[] = Finding::blocking('graph.nothing_wanted', "$rule->path/on", Message::of('parts.graph.nothing-wanted'));
            }
            array_push($findings, ...$problems, ...$problems === [] ? $this->region($rule, $wanted, $in) : []);
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function figure(WrittenFigure $figure, GraphSettings $settings, Grid $grid, ScoringContext $in): array
    {
        if (! ($settings->isPlane() ? $figure->kind->isOnPlane() : $figure->kind->isOnLine())) {
            return [Finding::blocking('graph.surface', $figure->path, Message::of('parts.graph.not-on-this', [
                'figure' => FigureWords::name($figure->kind),
                'surface' => $settings->isPlane() ? 'plane' : 'line',
            ]))];
        }
        try {
            $placed = $figure->in($in->roll);
        } catch (FigureProblem|RollProblem $problem) {
            return [Finding::blocking($problem->rule, $figure->path, $problem->getMessage())];
        }
        $outside = array_filter($placed->points, fn (Point $point): bool => ! $grid->holds($point));
        $endless = [FigureKind::Line, FigureKind::Ray, FigureKind::Inequality, FigureKind::NumberRay];
        $isFixedByPoints = ! in_array($placed->kind, $endless, true);

        return $outside === [] || ! $isFixedByPoints
            ? []
            : [Finding::warning('graph.outside', $figure->path, Message::of('parts.graph.outside'))];
    }

    /** @return list<Finding> */
    private function region(Rule $rule, FigureRule $wanted, ScoringContext $in): array
    {
        if (! $wanted->isRegion) {
            return [];
        }
        try {
            $figures = array_map(fn (WrittenFigure $one): Figure => $one->in($in->roll), $wanted->figures);
        } catch (CoreException) {
            return [];
        }
        foreach ($figures as $i => $figure) {
            if ($figure->kind !== FigureKind::Inequality) {
                return [Finding::blocking('graph.region', $wanted->figures[$i]->path, Message::of('parts.graph.only-inequalities'))];
            }
            if ($figure->curve !== null) {
                return [];
            }
        }

        return $figures === [] || Region::of($figures)->corners(Region::boxAround($figures)) !== []
            ? []
            : [Finding::blocking('graph.empty_region', "$rule->path/on", Message::of('parts.graph.empty-region'))];
    }

    /** @return list<Finding> */
    private function whole(Part $part, GraphSettings $settings): array
    {
        if ($part->scheme === Scheme::Person) {
            return [];
        }
        $right = count(array_filter($part->key->rules, self::earns(...)));
        if ($right === 0) {
            return [Finding::blocking('key.nothing_right', "$part->path/key/rules", Message::of('parts.graph.no-figure-right'))];
        }

        return $settings->max !== null && $right > $settings->max && in_array($part->scheme, [Scheme::Each, Scheme::All], true)
            ? [Finding::blocking('graph.more_right_than_max', "$settings->path/max", Message::of('parts.graph.more-right-than-max', [
                'right' => $right,
                'max' => $settings->max,
            ]))]
            : [];
    }

    private static function earns(Rule $rule): bool
    {
        try {
            return $rule->credit()->isPositive();
        } catch (NotScorable) {
            return false; // found by the check of every key
        }
    }
}
