<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Spot;

use WideQuarry\Geometry\Point;
use WideQuarry\Geometry\Shape;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\SpotAndChoice;
use WideQuarry\Parts\WrittenNames;
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
 * The learner picks regions of a picture. Response: {"spots": ["s1"]} where they are outlined; {"at": [[x, y]]} where they are hidden and
 * each place is judged here, so that no browser ever holds them.
 */
final class SpotKind implements Kind
{
    use KindDefaults;

    public function name(): string
    {
        return 'spot';
    }

    public function isInline(): bool
    {
        return false;
    }

    public function readSettings(mixed $json, string $path): SpotSettings
    {
        return SpotSettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): string
    {
        return Fields::asId($json, $path);
    }

    public function schemes(): array
    {
        return Scheme::FOR_SEVERAL;
    }

    public function usualScheme(object $settings): Scheme
    {
        return self::settings($settings)->max === 1 ? Scheme::Weights : Scheme::Each;
    }

    public function extras(): array
    {
        return ['cost' => '1'];
    }

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $settings = self::settings($part->settings);
        $given = $settings->isHidden ? $this->places($settings, $response, $in) : $this->picked($settings, $response);
        if ($given instanceof PartOutcome) {
            return $given;
        }
        $count = count($given);
        $regions = array_values(array_unique($given));

        return match (true) {
            $count === 0 => PartOutcome::unanswered(),
            $settings->max !== null && $count > $settings->max => PartOutcome::unreadable(
                'spot.too_many',
                Message::of('parts.spot.most-may-picked', ['max' => $settings->max, 'count' => $count]),
            ),
            $count < $settings->min => PartOutcome::unreadable(
                'spot.too_few',
                Message::of('parts.spot.least-must-picked', ['min' => $settings->min, 'count' => $count]),
            ),
            $part->scheme === Scheme::Person => PartOutcome::needsMarking(),
            default => $this->judged($part, $settings, $regions),
        };
    }

    /** @return list<string>|PartOutcome */
    private function picked(SpotSettings $settings, \stdClass $response): array|PartOutcome
    {
        $spots = $response->spots ?? null;
        if (! is_array($spots) || array_filter($spots, is_string(...)) !== $spots) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.spot.response-regions'));
        }
        $unknown = array_values(array_diff($spots, $settings->ids()));

        return $unknown === []
            ? array_values(array_unique($spots))
            : PartOutcome::unreadable('spot.unknown_region', Message::of('parts.spot.no-region', ['unknown' => $unknown[0]]));
    }

    /** @return list<string>|PartOutcome for each place the region it lies in, or a text of its own where it lies in none */
    private function places(SpotSettings $settings, \stdClass $response, ScoringContext $in): array|PartOutcome
    {
        $points = PlacesGiven::read($response->at ?? null);
        if ($points === null) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.spot.response-places'));
        }
        $outside = $settings->picture === null ? null : PlacesGiven::outside($settings->picture, $points);
        if ($outside !== null) {
            return PartOutcome::unreadable('spot.outside', Message::of('parts.spot.place-outside', [
                'x' => Exact::text($outside->x),
                'y' => Exact::text($outside->y),
            ]));
        }
        $shapes = array_map(fn (Region $region): ?Shape => $region->in($in->roll), $settings->regions);

        return array_map(function (Point $point) use ($settings, $shapes): string {
            $first = Region::first($shapes, $point);

            return $first === null ? "\t".$point->key() : $settings->regions[$first]->id; // no identifier holds a tab
        }, $points);
    }

    /** @param  list<string>  $given */
    private function judged(Part $part, SpotSettings $settings, array $given): PartOutcome
    {
        $outcome = SetScoring::score($part, $given, $settings->ids(), self::region(...));
        $right = array_values(array_intersect($given, SpotKey::right($part)));
        $hit = array_values(array_intersect($given, $settings->ids()));
        $judged = [
            'step' => 'spots.judged',
            'right' => $right,
            'wrong' => array_values(array_diff($hit, $right)),
            'outside' => count($given) - count($hit),
        ];

        $said = [];
        foreach ($settings->regions as $i => $region) {
            if (in_array($region->id, $hit, true)) {
                $said[] = [
                    'step' => 'place.judged',
                    'name' => $region->label === '' ? Message::of('pictures.region-number', ['number' => $i + 1]) : $region->label,
                    'verdict' => in_array($region->id, $right, true) ? 'right' : 'wrong',
                ];
            }
        }
        for ($outside = count($hit); $outside < count($given); $outside++) {
            $said[] = ['step' => 'place.judged', 'name' => '', 'verdict' => 'outside'];
        }

        return PartOutcome::given($outcome->credit, $outcome->matched, [$judged, ...$said, ...$outcome->trace]);
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $settings = self::settings($part->settings);

        return [
            'picture' => $settings->picture?->filled($in->roll->filling())->shown(),
            'show' => $settings->isHidden ? 'hidden' : 'outlined',
            'min' => $settings->min,
            'max' => $settings->max,
            ...$settings->isHidden ? [] : [
                'regions' => array_map(
                    fn (Region $region): array => ['id' => $region->id, 'label' => $region->label, ...$region->area->shown($in->roll)],
                    $settings->regions,
                ),
            ],
        ];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new PrintedSpot)->part(self::settings($part->settings), $presented, $paper);
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        return (new PrintedSpot)->answers($part, self::settings($part->settings), $in, $paper);
    }

    public function check(Part $part, ScoringContext $in): array
    {
        return (new SpotCheck)->findings($part, self::settings($part->settings), $in);
    }

    public function texts(Part $part): array
    {
        return array_map(fn (Region $region): string => htmlspecialchars($region->label), self::settings($part->settings)->regions);
    }

    public function conversions(): array
    {
        return ['choice' => SpotAndChoice::toChoice(...)];
    }

    public function mapping(): KindMapping
    {
        return new SpotMapping;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        $settings = self::settings($part->settings);
        if ($settings->isHidden) {
            return (object) ['at' => PlacesGiven::written($written)];
        }
        $names = array_map(fn (Region $region): array => [$region->id, $region->label], $settings->regions);

        return (object) ['spots' => (new WrittenNames($names))->several($written)];
    }

    private static function region(Rule $rule): string
    {
        return is_string($rule->on) ? $rule->on : '';
    }

    private static function settings(object $settings): SpotSettings
    {
        assert($settings instanceof SpotSettings);

        return $settings;
    }
}
