<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Survey;

use WideQuarry\Finding;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\PairCheck;
use WideQuarry\Parts\WrittenNames;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Item;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;
use WideQuarry\Question\UnreadableResponse;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;

/** The learner gives an opinion, by options or on a scale; nothing is right or wrong. Response: {"chosen": ["3"]}. */
final class SurveyKind implements Kind
{
    use KindDefaults;

    public function name(): string
    {
        return 'survey';
    }

    public function isInline(): bool
    {
        return false;
    }

    public function readSettings(mixed $json, string $path): SurveySettings
    {
        return SurveySettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): string
    {
        return Fields::asId($json, $path);
    }

    public function schemes(): array
    {
        return [Scheme::Weights];
    }

    public function usualScheme(object $settings): Scheme
    {
        return Scheme::Weights;
    }

    public function extras(): array
    {
        return [];
    }

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $settings = self::settings($part);
        $chosen = $response->chosen ?? null;
        if (! is_array($chosen) || array_filter($chosen, is_string(...)) !== $chosen) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.survey.response-survey'));
        }
        $unknown = array_values(array_diff($chosen, $settings->ids()));
        $max = $settings->scale === null ? $settings->max : 1;

        return match (true) {
            $unknown !== [] => PartOutcome::unreadable('survey.unknown_option', Message::of('parts.survey.no-answer', [
                'unknown' => $unknown[0],
            ])),
            $chosen === [] => PartOutcome::unanswered(),
            $max !== null && count(array_unique($chosen)) > $max => PartOutcome::unreadable(
                'survey.too_many',
                Message::of('parts.survey.most-may-chosen', ['max' => $max, 'count' => count(array_unique($chosen))]),
            ),
            default => PartOutcome::unscored(),
        };
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $settings = self::settings($part);
        $scale = $settings->scale;

        return [
            'options' => array_map(
                fn (Item $option): array => $option->shown($in->roll->filling()),
                $scale === null ? Item::filled($settings->options) : [],
            ),
            'scale' => $scale === null
                    ? null
                    : (object) ['from' => $scale[0], 'to' => $scale[1], 'captions' => (object) ['from' => $scale[2], 'to' => $scale[3]]],
            'max' => $scale === null ? $settings->max : 1,
        ];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        /** @var list<array{id: string, body: list<string|array<int, mixed>>}> $options */
        $options = is_array($presented['options'] ?? null) ? $presented['options'] : [];
        $scale = self::settings($part)->scale;
        $box = fn (string $words): string => '<li><span class="box"></span><span class="option">'.$words.'</span></li>';
        if ($scale !== null) {
            $ends = fn (string $words): string => $words === '' ? '' : '<span>'.Paper::text($words).'</span>';

            return '<div class="opinion">'.
                $ends($scale[2]).
                '<ul class="options many" style="--columns:'.
                count(self::settings($part)->ids()).
                '">'.
                implode('', array_map($box, self::settings($part)->ids())).
                '</ul>'.
                $ends($scale[3]).
                '</div>';
        }

        return '<ul class="options" style="--columns:1">'.
            implode('', array_map(fn (array $option): string => $box($paper->inline($option['body'])), $options)).
            '</ul>';
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        return [];
    }

    public function check(Part $part, ScoringContext $in): array
    {
        $settings = self::settings($part);
        $findings = PairCheck::items($settings->options, 'option', []);
        if ($settings->scale !== null && count($settings->ids()) < 2) {
            $findings[] = Finding::blocking(
                'survey.no_scale',
                "$part->path/settings/scale",
                Message::of('parts.survey.scale-needs-end-above'),
            );
        } elseif ($settings->scale === null && count($settings->ids()) < 2) {
            $findings[] = Finding::blocking(
                'survey.too_few_options',
                "$part->path/settings/options",
                Message::of('parts.survey.opinion-needs-least-two'),
            );
        }
        if ($part->key->rules !== []) {
            $findings[] = Finding::blocking(
                'survey.key',
                "$part->path/key/rules",
                Message::of('parts.survey.nothing-right-wrong-survey'),
            );
        }
        if ($part->points()->isPositive()) {
            $findings[] = Finding::warning(
                'survey.points',
                "$part->path/points",
                Message::of('parts.survey.survey-earns-no-points'),
            );
        }

        return $findings;
    }

    public function texts(Part $part): array
    {
        return array_column(self::settings($part)->options, 'html');
    }

    public function mapping(): KindMapping
    {
        return new SurveyMapping;
    }

    public function isMarked(): bool
    {
        return false;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        $settings = self::settings($part);

        if ($settings->scale === null) {
            return (object) ['chosen' => WrittenNames::items($settings->options)->several($written)];
        }
        $step = strtr(trim($written), ['−' => '-']);

        return (object) [
            'chosen' => [
                in_array($step, $settings->ids(), true)
                    ? $step
                    : throw UnreadableResponse::because(Message::of('parts.survey.not-a-step', ['written' => $written])),
            ],
        ];
    }

    private static function settings(Part $part): SurveySettings
    {
        assert($part->settings instanceof SurveySettings);

        return $part->settings;
    }
}
