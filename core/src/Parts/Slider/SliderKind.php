<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Slider;

use WideQuarry\Answer\NumberMatcher;
use WideQuarry\Answer\NumberReading;
use WideQuarry\Finding;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\NumberLineAnswers;
use WideQuarry\Parts\NumberRuleCheck;
use WideQuarry\Parts\TypedKeyCheck;
use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;
use WideQuarry\Question\Key;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Question\UnreadableResponse;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Scoring\TypedOutcome;
use WideQuarry\Study\StudiedNumbers;
use WideQuarry\Study\StudiedPart;
use WideQuarry\Variables\RollProblem;

/** The learner sets a value on a scale. Response: {"value": "4"}. */
final class SliderKind implements Kind
{
    use KindDefaults;

    public function name(): string
    {
        return 'slider';
    }

    public function isInline(): bool
    {
        return false;
    }

    public function readSettings(mixed $json, string $path): SliderSettings
    {
        return SliderSettings::read($json, $path);
    }

    public function readOn(mixed $json, string $path): NumberMatcher
    {
        return NumberMatcher::read($json, $path);
    }

    public function schemes(): array
    {
        return Scheme::FOR_ONE;
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
        $given = $response->value ?? null;
        if (! is_string($given)) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.slider.response-scale'));
        }
        if (trim($given) === '') {
            return PartOutcome::unanswered();
        }
        $value = Exact::read($given);
        if ($value === null || ! Scale::of(self::settings($part), $in->roll, $part->path)->holds($value)) {
            return PartOutcome::unreadable('slider.off_scale', Message::of('parts.slider.does-not-lie-on-scale', ['given' => $given]));
        }
        if ($part->scheme === Scheme::Person) {
            return PartOutcome::needsMarking();
        }
        $reading = NumberReading::understood($value, 'decimal', null, null);
        $matching = array_values(
            array_filter(
                $key->rules,
                fn (Rule $rule): bool => $rule->on instanceof NumberMatcher && $rule->on->matches($reading, $in->roll),
            ),
        );

        return TypedOutcome::of($matching, $key, []);
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $settings = self::settings($part);
        try {
            $scale = Scale::of($settings, $in->roll, $part->path);
        } catch (NotScorable) {
            // shown as it is while it is being written; the check says what is wrong
            return [
                'from' => '0',
                'to' => '0',
                'step' => '1',
                'captions' => (object) ['from' => $settings->low, 'to' => $settings->high],
            ];
        }

        return [
            'from' => Exact::text($scale->from),
            'to' => Exact::text($scale->to),
            'step' => Exact::text($scale->step),
            'captions' => (object) ['from' => $settings->low, 'to' => $settings->high],
        ];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new PrintedSlider)->part($presented);
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        $answers = [];
        foreach ($part->key->rules as $rule) {
            if ($rule->on instanceof NumberMatcher && $rule->credit()->isPositive()) {
                $answers[] = new PrintedAnswer(Paper::text($rule->on->inWords($in->roll, $in->language)), $rule->credit());
            }
        }

        return $answers;
    }

    public function check(Part $part, ScoringContext $in): array
    {
        $findings = TypedKeyCheck::findings($part);
        try {
            $scale = Scale::of(self::settings($part), $in->roll, $part->path);
        } catch (NotScorable|RollProblem) {
            return [
                ...$findings,
                Finding::blocking(
                    'slider.no_scale',
                    "$part->path/settings/step",
                    Message::of('parts.slider.scale-needs-end-above'),
                ),
            ];
        }
        if (! $scale->holds($scale->to)) {
            $findings[] = Finding::warning(
                'slider.uneven',
                "$part->path/settings/to",
                Message::of('parts.slider.steps-do-not-come-out'),
            );
        }
        foreach ($part->key->rules as $rule) {
            assert($rule->on instanceof NumberMatcher);
            $missing = NumberRuleCheck::findings($rule, $rule->on, $in, Message::of('parts.slider.rule-names-no-number'));
            array_push($findings, ...$missing);
            $mustBeSet = $missing === [] && $rule->credit()->isPositive() && $rule->on->answer !== 'otherwise';
            if ($mustBeSet && ! $this->canBeSet($rule->on, $scale, $in)) {
                $findings[] = Finding::blocking(
                    'slider.out_of_reach',
                    "$rule->path/on",
                    Message::of('parts.slider.no-value-meets-rule'),
                );
            }
        }

        return $findings;
    }

    public function texts(Part $part): array
    {
        return array_values(
            array_map(
                htmlspecialchars(...),
                array_filter([self::settings($part)->low, self::settings($part)->high], fn (string $words): bool => $words !== ''),
            ),
        );
    }

    public function studied(Part $part): ?StudiedPart
    {
        return StudiedNumbers::of($part);
    }

    public function conversions(): array
    {
        return ['graph' => NumberLineAnswers::toGraph(...)];
    }

    public function mapping(): KindMapping
    {
        return new SliderMapping;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        $value = strtr(trim($written), [',' => '.', '−' => '-']);

        return (object) [
            'value' => Exact::read($value) === null ? throw UnreadableResponse::because(Message::of('parts.slider.not-a-number', [
                'written' => $written,
            ])) : $value,
        ];
    }

    private function canBeSet(NumberMatcher $on, Scale $scale, ScoringContext $in): bool
    {
        for ($i = 0; $i <= min(2000, $scale->steps()); $i++) {
            if (
                $on->matches(
                    NumberReading::understood($scale->from->plus($scale->step->multipliedBy($i)), 'decimal', null, null),
                    $in->roll,
                )
            ) {
                return true;
            }
        }

        return $scale->steps() > 2000;
    }

    private static function settings(Part $part): SliderSettings
    {
        assert($part->settings instanceof SliderSettings);

        return $part->settings;
    }
}
