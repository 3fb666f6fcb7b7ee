<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Point;

use WideQuarry\Geometry\Point;
use WideQuarry\Geometry\Shape;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Pictures\Area;
use WideQuarry\Pictures\PlacesGiven;
use WideQuarry\Pictures\Region;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Scoring\SetScoring;

/**
 * The learner places points on a picture. Response: {"points": [[120, 44]]}. Rules are tried in order, and the first whose area holds the
 * point decides; an area counts once however many points lie in it (QTI 3.0 ASI, qti-area-mapping).
 */
final class PointKind implements Kind
{
    use KindDefaults;

    public function name(): string
    {
        return 'point';
    }

    public function isInline(): bool
    {
        return false;
    }

    public function readSettings(mixed $json, string $path): PointSettings
    {
        return PointSettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): Area
    {
        return Area::read($json, $path);
    }

    /** Of what could be wrong there is no count, so that no scheme that needs one is offered. */
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
        $points = PlacesGiven::read($response->points ?? null);
        if ($points === null) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.point.response-points'));
        }
        $outside = $settings->picture === null ? null : PlacesGiven::outside($settings->picture, $points);
        if ($outside !== null) {
            return PartOutcome::unreadable('point.outside', Message::of('parts.point.point-outside', [
                'x' => Exact::text($outside->x),
                'y' => Exact::text($outside->y),
            ]));
        }
        $count = count($points);

        return match (true) {
            $count === 0 => PartOutcome::unanswered(),
            $settings->max !== null && $count > $settings->max => PartOutcome::unreadable(
                'point.too_many',
                Message::of('parts.point.most-may-placed', ['max' => $settings->max, 'count' => $count]),
            ),
            $part->scheme === Scheme::Person => PartOutcome::needsMarking(),
            default => $this->judged($part, $points, $in),
        };
    }

    /** @param  list<Point>  $points */
    private function judged(Part $part, array $points, ScoringContext $in): PartOutcome
    {
        $rules = $part->key->rules;
        $shapes = array_map(fn (Rule $rule): ?Shape => self::area($rule)->in($in->roll), $rules);
        $first = array_map(fn (Point $point): ?int => Region::first($shapes, $point), $points);
        $given = array_map(
            fn (?int $at, Point $point): string => $at === null ? "\t".$point->key() : $rules[$at]->id, // no identifier holds a tab
            $first,
            $points,
        );
        $outcome = SetScoring::score(
            $part,
            array_values(array_unique($given)),
            array_map(fn (Rule $rule): string => $rule->id, $rules),
            fn (Rule $rule): string => $rule->id,
        );
        $marks = array_map(fn (?int $at, Point $point): array => self::mark($at === null ? null : $rules[$at], $point), $first, $points);
        $said = array_map(fn (?int $at): array => self::said($at, $rules), $first);

        return PartOutcome::given($outcome->credit, $outcome->matched, [
            ['step' => 'points.judged', 'points' => $marks],
            ...$said,
            ...$outcome->trace,
        ]);
    }

    /** @return array<string, mixed> where a point lies, and whether that is right */
    private static function mark(?Rule $rule, Point $point): array
    {
        return ['x' => Exact::number($point->x), 'y' => Exact::number($point->y), 'right' => $rule?->credit()->isPositive() === true];
    }

    /**
     * @param  list<Rule>  $rules
     * @return array<string, string> a step of the trace that names the area
     */
    private static function said(?int $at, array $rules): array
    {
        if ($at === null) {
            return ['step' => 'place.judged', 'name' => '', 'verdict' => 'outside'];
        }
        $name = $rules[$at]->note === '' ? Message::of('parts.point.area-number', ['number' => $at + 1]) : $rules[$at]->note;

        return ['step' => 'place.judged', 'name' => $name, 'verdict' => $rules[$at]->credit()->isPositive() ? 'right' : 'wrong'];
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $settings = self::settings($part);

        return ['picture' => $settings->picture?->filled($in->roll->filling())->shown(), 'max' => $settings->max];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new PrintedPoint)->part(self::settings($part), $presented, $paper);
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        return (new PrintedPoint)->answers($part, self::settings($part), $in, $paper);
    }

    public function check(Part $part, ScoringContext $in): array
    {
        return (new PointCheck)->findings($part, self::settings($part), $in);
    }

    public function texts(Part $part): array
    {
        return [];
    }

    public function mapping(): KindMapping
    {
        return new PointMapping;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        return (object) ['points' => PlacesGiven::written($written)];
    }

    public static function area(Rule $rule): Area
    {
        assert($rule->on instanceof Area);

        return $rule->on;
    }

    private static function settings(Part $part): PointSettings
    {
        assert($part->settings instanceof PointSettings);

        return $part->settings;
    }
}
