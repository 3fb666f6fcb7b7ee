<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Graph;

use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureProblem;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\WrittenFigure;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\NumberLineAnswers;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Key;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Question\UnreadableResponse;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Variables\RollProblem;

/** The learner draws on a grid or number line. Response: {"figures": [{"figure": "line", "points": [["0", "1"], ["2", "5"]]}]}. */
final class GraphKind implements Kind
{
    use KindDefaults;

    public function name(): string
    {
        return 'graph';
    }

    public function isInline(): bool
    {
        return false;
    }

    public function readSettings(mixed $json, string $path): GraphSettings
    {
        return GraphSettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): FigureRule
    {
        return FigureRule::read($json, $path);
    }

    /** Of what could be drawn there is no count, so that no scheme that needs one is offered. */
    public function schemes(): array
    {
        return [Scheme::Weights, Scheme::Each, Scheme::All, Scheme::Person];
    }

    public function usualScheme(object $settings): Scheme
    {
        return Scheme::Weights;
    }

    public function extras(): array
    {
        return ['cost' => '1'];
    }

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $settings = self::settings($part);
        try {
            $figures = DrawnFigures::read($response->figures ?? null, $settings);
        } catch (UnreadableResponse $problem) {
            return PartOutcome::unreadable('response.shape', $problem->getMessage());
        } catch (FigureProblem $problem) {
            return PartOutcome::unreadable($problem->rule, $problem->getMessage());
        }
        $count = count($figures);
        $most = min($settings->max ?? PHP_INT_MAX, DrawnFigures::most($part));

        return match (true) {
            $count === 0 => PartOutcome::unanswered(),
            $count > $most => PartOutcome::unreadable(
                'graph.too_many',
                Message::of('parts.graph.most-may-drawn', ['max' => $most, 'count' => $count]),
            ),
            DrawnFigures::areTooMuch($figures, $part) => PartOutcome::unreadable(
                'graph.too_many_corners',
                Message::of('parts.graph.too-many-corners'),
            ),
            $part->scheme === Scheme::Person => PartOutcome::needsMarking(),
            default => $this->judged($part, $figures, $in),
        };
    }

    /**
     * @param  list<Figure>  $figures
     *
     * @throws NotScorable|RollProblem
     */
    private function judged(Part $part, array $figures, ScoringContext $in): PartOutcome
    {
        try {
            DrawingLimit::check(self::figures($part));

            return (new GraphScoring($part, self::grid($part, $in), $in))->score($figures);
        } catch (FigureProblem $problem) {
            throw NotScorable::because($problem->rule, $problem->getMessage(), "$part->path/key");
        }
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        return (new PresentedGraph(self::settings($part)))->of($in);
    }

    public function hasThumbnail(): bool
    {
        return true;
    }

    public function thumbnail(Part $part, ScoringContext $in): ?string
    {
        $rights = array_filter($part->key->rules, fn (Rule $rule): bool => $rule->credit()->isPositive());
        $whole = array_filter($rights, fn (Rule $rule): bool => Exact::isAll($rule->credit()));
        $answer = array_map(
            fn (Rule $rule): array => self::wanted($rule)->figures,
            $whole === [] ? array_values($rights) : [reset($whole)], // several ways of being right would cover each other
        );

        return (new PresentedGraph(self::settings($part)))->thumbnail($in, array_merge(...$answer));
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new PrintedGraph)->part(self::settings($part), $presented, $paper);
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        return (new PrintedGraph)->answers($part, self::settings($part), $in, $paper);
    }

    public function check(Part $part, ScoringContext $in): array
    {
        return (new GraphCheck)->findings($part, self::settings($part), $in);
    }

    public function texts(Part $part): array
    {
        $background = self::settings($part)->background;

        return $background === null ? [] : [htmlspecialchars($background->alt)];
    }

    public function conversions(): array
    {
        return ['number' => TypedValues::toNumbers(...), 'slider' => NumberLineAnswers::toSlider(...)];
    }

    public function mapping(): KindMapping
    {
        return new GraphMapping;
    }

    /** "line (0, 1) (2, 5); point (3, 4)" */
    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        return (object) ['figures' => DrawnFigures::written($written)];
    }

    public static function wanted(Rule $rule): FigureRule
    {
        assert($rule->on instanceof FigureRule);

        return $rule->on;
    }

    /** @return list<WrittenFigure> every figure of its key */
    public static function figures(Part $part): array
    {
        return array_merge(...array_map(fn (Rule $rule): array => self::wanted($rule)->figures, $part->key->rules), ...[[]]);
    }

    /** @throws NotScorable|RollProblem */
    public static function grid(Part $part, ScoringContext $in): Grid
    {
        try {
            return self::settings($part)->grid($in->roll);
        } catch (FigureProblem $problem) {
            throw NotScorable::because($problem->rule, $problem->getMessage(), "$part->path/settings");
        }
    }

    public static function settings(Part $part): GraphSettings
    {
        assert($part->settings instanceof GraphSettings);

        return $part->settings;
    }
}
